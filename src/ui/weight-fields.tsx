import { TextInput } from '@mantine/core'
import { useMeasures } from './use-measures.ts'
import { nameOf, type Movable } from '#session/places-to-go.ts'
import type { WeightText } from './read-weight.ts'
import hand from './hand.module.css'

export type { WeightText } from './read-weight.ts'

/** Gross and tare of one thing, in the person's unit. */
export function WeightFields({
  thing,
  value,
  onChange,
  error,
}: {
  readonly thing: Movable
  readonly value: WeightText
  readonly onChange: (value: WeightText) => void
  readonly error?: React.ReactNode
}) {
  const { weight } = useMeasures()
  const isSpool = thing.kind === 'spool'
  return (
    <>
      <div className={hand.pair}>
        <TextInput
          label={`${nameOf(thing)} on the scale, ${weight.unit}`}
          inputMode="decimal"
          autoComplete="off"
          value={value.gross}
          error={Boolean(error)}
          onChange={event => onChange({ ...value, gross: event.currentTarget.value })}
        />
        <TextInput
          label={`${isSpool ? 'Empty spool' : 'Empty holder'}, ${weight.unit}`}
          inputMode="decimal"
          autoComplete="off"
          placeholder={isSpool ? weight.field(thing.spool.emptyG) : '0'}
          value={value.tare}
          error={Boolean(error)}
          onChange={event => onChange({ ...value, tare: event.currentTarget.value })}
        />
      </div>
      {error && (
        <p className={hand.notice} role="alert">
          {error}
        </p>
      )}
    </>
  )
}
