import { Modal, NativeSelect, TextInput } from '@mantine/core'
import { useState, type FormEvent } from 'react'
import * as v from 'valibot'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { ENTRY_KINDS } from '#records/entry.ts'
import { beadsField, bounds, heatingField } from '#records/fields.ts'
import type { Indicator, Oven } from '#records/kinds/charge.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import { askToPersist } from '#store/persistence.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { within } from '#ui/measures.ts'
import { Cautions } from '#ui/cautions.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { timeError, WhenField } from '#ui/when-field.tsx'
import { readWeight, type WeightText } from '#ui/read-weight.ts'
import { WeightFields } from '#ui/weight-fields.tsx'
import type { Movable } from '#session/places-to-go.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { AfterLine } from './after-line.tsx'
import { renewDrafts, type Renewal } from './renew-drafts.ts'
import hand from '#ui/hand.module.css'

const OVEN_WORDS: Readonly<Record<Oven, string>> = {
  electric: 'electric oven',
  gas: 'gas oven',
  dryer: 'filament or food dryer',
  microwave: 'microwave',
  unknown: 'something else',
}
export const INDICATOR_WORDS: Readonly<Record<Indicator, string>> = {
  orange: 'orange, turning dark',
  blue: 'blue, turning pink',
  none: 'white, they do not turn',
  unknown: 'don’t know',
}
const FRESH_WORDS: readonly (readonly [Freshness, string])[] = [
  ['new', 'new from the tin'],
  ['heated', 'heated lately'],
  ['unknown', 'don’t know'],
]

type Field = 'temperature' | 'hours' | 'before' | 'after' | 'mass' | 'when'

/** Heats or replaces the beads of a box: what was done, what it leaves, and what can hurt. */
export default function RenewDialog({
  chargeId,
  close,
}: {
  readonly chargeId: string
  readonly close: () => void
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const charge = state.charges.get(chargeId)!
  const rooms = [...state.rooms.values()]
  const boxRoomId = charge.boxId === null ? undefined : state.boxes.get(charge.boxId)?.roomId
  const [nowMs] = useState(() => maker.nowMs())
  const [how, setHow] = useState<Renewal['how']>('heated')
  const [oven, setOven] = useState<Oven>('electric')
  const [temperature, setTemperature] = useState(measures.temperature.field(110))
  const [hours, setHours] = useState('2')
  const [roomId, setRoomId] = useState(boxRoomId ?? rooms[0]?.roomId ?? '')
  const [before, setBefore] = useState<WeightText>({ gross: '', tare: '' })
  const [after, setAfter] = useState<WeightText>({ gross: '', tare: '' })
  const [mass, setMass] = useState(measures.weight.field(charge.dryMassG))
  const [indicator, setIndicator] = useState<Indicator>(charge.indicator)
  const [freshness, setFreshness] = useState<Freshness>('new')
  const [atMs, setAtMs] = useState(nowMs)
  const [error, setError] = useState<{ field: Field; text: string } | null>(null)
  const thing: Movable = { kind: 'charge', charge }
  const room = state.rooms.get(roomId)
  const temperatureC = measures.temperature.parse(temperature)
  const errorAt = (field: Field) => (error?.field === field ? error.text : undefined)

  const submit = (event: FormEvent) => {
    event.preventDefault()
    const refuse = (field: Field, text: string) => setError({ field, text })
    const when = timeError(atMs, maker.nowMs(), charge.madeMs)
    if (when) return refuse('when', when)
    const weight = (field: 'before' | 'after', text: WeightText) =>
      text.gross.trim() === '' ? null : { field, read: readWeight(thing, text, measures.weight) }
    const weights = [weight('before', before), how === 'heated' ? weight('after', after) : null]
    for (const item of weights) if (item && !item.read.ok) return refuse(item.field, item.read.message)
    const [out, back] = weights.map(item => (item?.read.ok ? item.read.weight : null)) as [
      Renewal['before'],
      Renewal['before'],
    ]
    let renewal: Renewal
    if (how === 'heated') {
      if (!v.is(heatingField, temperatureC))
        return refuse(
          'temperature',
          `Heating temperature is a number from ${within(measures.temperature, bounds.heatingC)}: type what was measured, or what the dial said.`,
        )
      const timeH = parseDecimal(hours)
      if (!v.is(ENTRY_KINDS['charge.heated'].entries.hours, timeH))
        return refuse('hours', 'Hours are a number from 0.05 to 72: type how long it was at that heat.')
      renewal = { how, temperatureC, hours: timeH, oven, roomId, before: out, after: back }
    } else {
      const dryMassG = measures.weight.parse(mass)
      if (!v.is(beadsField, dryMassG))
        return refuse(
          'mass',
          `Beads weigh from ${within(measures.weight, bounds.beadsG)}: type what went in.`,
        )
      renewal = { how, dryMassG, indicator, freshness, before: out }
    }
    setError(null)
    const boxName = charge.boxId === null ? charge.name : (state.boxes.get(charge.boxId)?.name ?? charge.name)
    write.mutate(
      {
        what: `${boxName}: beads ${how === 'heated' ? `heated, ${measures.temperature.text(temperatureC)}` : 'replaced'}`,
        drafts: renewDrafts(charge, renewal, atMs, maker),
      },
      {
        onSuccess: () => {
          // a renewal is worth keeping: the browser is asked not to clear it away
          void askToPersist()
          close()
        },
      },
    )
  }

  const cautions = cautionsAt(
    how === 'heated'
      ? {
          step: 'heat the beads',
          indicator: charge.indicator,
          oven,
          desiccant: charge.desiccant,
          holder: charge.holder,
          temperatureC,
        }
      : { step: 'replace the beads', indicator: charge.indicator },
  )
  return (
    <Modal
      opened
      onClose={close}
      title="Renew the beads"
      size="lg"
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={submit} noValidate className={hand.form}>
        <ChoiceRow
          legend="What was done"
          options={[
            ['heated', 'heated'],
            ['replaced', 'new beads in'],
          ]}
          chosen={how}
          choose={setHow}
        />
        {how === 'heated' ? (
          <>
            <NativeSelect
              label="Heated in"
              data={Object.entries(OVEN_WORDS).map(([value, label]) => ({ value, label }))}
              value={oven}
              onChange={event => setOven(event.currentTarget.value as Oven)}
            />
            <div className={hand.pair}>
              <TextInput
                label={`At, ${measures.temperature.unit}`}
                inputMode="decimal"
                autoComplete="off"
                data-autofocus
                value={temperature}
                error={errorAt('temperature')}
                onChange={event => setTemperature(event.currentTarget.value)}
              />
              <TextInput
                label="For, hours"
                inputMode="decimal"
                autoComplete="off"
                value={hours}
                error={errorAt('hours')}
                onChange={event => setHours(event.currentTarget.value)}
              />
            </div>
            {rooms.length > 1 && (
              <NativeSelect
                label="In the air of"
                data={rooms.map(item => ({ value: item.roomId, label: item.name }))}
                value={roomId}
                onChange={event => setRoomId(event.currentTarget.value)}
              />
            )}
            {room && v.is(heatingField, temperatureC) && (
              <AfterLine
                state={state}
                charge={charge}
                room={room}
                oven={oven}
                temperatureC={temperatureC}
                atMs={Number.isFinite(atMs) ? atMs : nowMs}
              />
            )}
          </>
        ) : (
          <>
            <TextInput
              label={`New beads, ${measures.weight.unit}`}
              inputMode="decimal"
              autoComplete="off"
              data-autofocus
              value={mass}
              error={errorAt('mass')}
              onChange={event => setMass(event.currentTarget.value)}
            />
            <div className={hand.pair}>
              <NativeSelect
                label="Their colour"
                data={Object.entries(INDICATOR_WORDS).map(([value, label]) => ({ value, label }))}
                value={indicator}
                onChange={event => setIndicator(event.currentTarget.value as Indicator)}
              />
              <NativeSelect
                label="How fresh"
                data={FRESH_WORDS.map(([value, label]) => ({ value, label }))}
                value={freshness}
                onChange={event => setFreshness(event.currentTarget.value as Freshness)}
              />
            </div>
          </>
        )}
        <details
          className={hand.moreFields}
          data-part="more-fields"
          open={error?.field === 'before' || error?.field === 'after' || undefined}
        >
          <summary>Weights and time, if you know them</summary>
          <p className={hand.aside}>
            {how === 'heated'
              ? 'Before, and after: the weight after wins over the reckoning.'
              : 'The old beads, as they came out.'}
          </p>
          <WeightFields thing={thing} text={before} onChange={setBefore} error={errorAt('before')} />
          {how === 'heated' && (
            <WeightFields thing={thing} text={after} onChange={setAfter} error={errorAt('after')} />
          )}
          <WhenField atMs={atMs} onChange={setAtMs} latestMs={nowMs} error={errorAt('when')} />
        </details>
        <Cautions list={cautions} />
        <FormFoot write={write} />
      </form>
    </Modal>
  )
}
