import { TextInput } from '@mantine/core'
import { useState } from 'react'
import * as v from 'valibot'
import { finite } from '#records/fields.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './run.module.css'

/** One weight on the way, against slips. */
export function Weighing({
  lastG,
  isBusy,
  write,
}: {
  readonly lastG: number | null
  readonly isBusy: boolean
  readonly write: (grossG: number) => void
}) {
  const { weight, water } = useMeasures()
  const [typed, setTyped] = useState('')
  const [error, setError] = useState<string | null>(null)
  const submit = () => {
    const grossG = weight.parse(typed)
    if (!v.is(finite(1, 15_000), grossG))
      return setError('On the scale is a weight: put spool and all on it and type what it shows.')
    if (lastG !== null && Math.abs(grossG - lastG) > MOST_APART_SHARE * lastG)
      return setError(`It was ${water.text(lastG)} before: weigh again, as it was weighed then.`)
    setTyped('')
    setError(null)
    write(grossG)
  }
  return (
    <form
      className={css.weighing}
      noValidate
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <TextInput
        label={`Spool and all, ${weight.unit}`}
        description="Out, on the scale, and back within a minute: the same scale each time."
        inputMode="decimal"
        autoComplete="off"
        value={typed}
        error={error}
        onChange={event => setTyped(event.currentTarget.value)}
      />
      <button type="submit" className={hand.filled} disabled={isBusy}>
        Write it down
      </button>
    </form>
  )
}
/** Nothing dries by so much of its weight between two looks. */
const MOST_APART_SHARE = 0.2
