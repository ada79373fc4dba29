import { Dialog } from '#ui/dialog.tsx'
import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import * as v from 'valibot'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { MICROWAVED_G_PER_G } from '#core/renewal/after-heating.ts'
import { heatWay } from '#core/renewal/ways.ts'
import { scaleStepG } from '#journal/scales.ts'
import { heatingField } from '#records/fields.ts'
import type { Indicator, Oven } from '#records/kinds/charge.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import { askToPersist } from '#store/persistence.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { Cautions } from '#ui/cautions.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { WhenField } from '#ui/when-field.tsx'
import { NOT_WEIGHED } from '#ui/read-weight.ts'
import { WeightFields } from '#ui/weight-fields.tsx'
import type { Movable } from '#session/places-to-go.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { AfterLine } from './after-line.tsx'
import { renewDrafts, type Renewal } from './renew-drafts.ts'
import { checkRenewal, type RenewForm } from './renew-form.ts'
import hand from '#ui/hand.module.css'

const OVEN_WORDS: Readonly<Record<Oven, string>> = {
  electric: 'electric oven',
  gas: 'gas oven',
  dryer: 'filament dryer',
  dehydrator: 'food dehydrator',
  microwave: 'microwave',
  'own heater': 'its own heater, plugged in',
  sun: 'the sun',
  'printer bed': 'printer bed',
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

/** Heats or replaces the beads of a box: what was done, what it leaves, and what can hurt. */
export default function RenewDialog({
  chargeId,
  close,
}: {
  readonly chargeId: string
  readonly close: () => void
}) {
  const { state } = useJournal()
  const { maker, base } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const charge = state.charges.get(chargeId)!
  const rooms = [...state.rooms.values()]
  const boxRoomId = charge.boxId === null ? undefined : state.boxes.get(charge.boxId)?.roomId
  const [nowMs] = useState(() => maker.nowMs())
  const way = heatWay(charge)
  const isGel = DESICCANTS[charge.desiccant].gel !== undefined
  const form = useCheckedForm<RenewForm, Renewal>(
    {
      how: way && way.notAtHome === null ? 'heated' : 'replaced',
      oven: way?.ovens[0] ?? 'unknown',
      temperature: measures.temperature.field(
        isGel && charge.holder !== 'plug-in unit' ? 110 : (way?.usualC ?? 110),
      ),
      hours: String(way?.usualHours ?? 2),
      minutes: '8',
      roomId: boxRoomId ?? rooms[0]?.roomId ?? '',
      before: NOT_WEIGHED,
      after: NOT_WEIGHED,
      mass: measures.weight.field(charge.dryMassG),
      indicator: charge.indicator,
      freshness: 'new',
      when: nowMs,
    },
    typed => checkRenewal(typed, charge, measures, maker.nowMs()),
  )
  const { how, oven, when } = form.values
  const thing: Movable = { kind: 'charge', charge }
  const room = state.rooms.get(form.values.roomId)
  const temperatureC = measures.temperature.parse(form.values.temperature)

  const submit = form.onKeep(renewal => {
    const boxName = charge.boxId === null ? charge.name : (state.boxes.get(charge.boxId)?.name ?? charge.name)
    const done =
      renewal.how === 'replaced'
        ? 'replaced'
        : renewal.temperatureC === null
          ? 'heated in the microwave'
          : `heated, ${measures.temperature.text(renewal.temperatureC)}`
    write.mutate(
      {
        what: `${boxName}: beads ${done}`,
        drafts: renewDrafts(charge, renewal, when, maker, scaleStepG(state)),
      },
      {
        onSuccess: () => {
          // a renewal is worth keeping: the browser is asked not to clear it away
          void askToPersist()
          close()
        },
      },
    )
  })

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
      : { step: 'replace the beads', indicator: charge.indicator, desiccant: charge.desiccant },
  )
  return (
    <Dialog onClose={close} title={way ? 'Renew the beads' : 'Replace it'} size="lg">
      <form onSubmit={submit} noValidate className={hand.form}>
        <ChoiceRow
          legend="What was done"
          options={[
            ...(way ? [['heated', 'heated'] as const] : []),
            ['replaced', isGel ? 'new beads in' : 'a new one in'],
          ]}
          {...(way ? {} : { note: 'It is used once: no oven brings it back.' })}
          chosen={how}
          choose={chosen => form.setFieldValue('how', chosen)}
        />
        {how === 'heated' ? (
          <>
            <p className={hand.aside}>
              Not hot yet? <Link to={`${base}/renew/heat/${charge.chargeId}`}>Heat these</Link> says how hot,
              how long and what to look for, and goes along at the oven.
            </p>
            {way?.notAtHome && (
              <p className={hand.notice} role="alert">
                {way.notAtHome}
              </p>
            )}
            <NativeSelect
              label="Heated in"
              data={(way?.ovens ?? []).map(value => ({ value, label: OVEN_WORDS[value] }))}
              {...form.getInputProps('oven')}
            />
            {oven === 'microwave' ? (
              <>
                <TextInput
                  label="For, minutes, all steps together"
                  inputMode="decimal"
                  autoComplete="off"
                  {...form.getInputProps('minutes')}
                />
                <p className={hand.aside} data-part="microwaved">
                  No thermometer tells what a microwave leaves: anything from{' '}
                  {measures.water.bare(MICROWAVED_G_PER_G.low * charge.dryMassG)} to{' '}
                  {measures.water.text(MICROWAVED_G_PER_G.high * charge.dryMassG)} of water. Weigh them when
                  they are cool, and it is known.
                </p>
              </>
            ) : (
              <div className={hand.pair}>
                <TextInput
                  label={`At, ${measures.temperature.unit}`}
                  inputMode="decimal"
                  autoComplete="off"
                  data-autofocus
                  {...form.getInputProps('temperature')}
                />
                <TextInput
                  label="For, hours"
                  inputMode="decimal"
                  autoComplete="off"
                  {...form.getInputProps('hours')}
                />
              </div>
            )}
            {rooms.length > 1 && (
              <NativeSelect
                label="In the air of"
                data={rooms.map(item => ({ value: item.roomId, label: item.name }))}
                {...form.getInputProps('roomId')}
              />
            )}
            {room && oven !== 'microwave' && v.is(heatingField, temperatureC) && (
              <AfterLine
                state={state}
                charge={charge}
                room={room}
                oven={oven}
                temperatureC={temperatureC}
                atMs={Number.isFinite(when) ? when : nowMs}
              />
            )}
          </>
        ) : (
          <>
            <TextInput
              label={`${isGel ? 'New beads' : 'The new one, dry'}, ${measures.weight.unit}`}
              inputMode="decimal"
              autoComplete="off"
              data-autofocus
              {...form.getInputProps('mass')}
            />
            <div className={hand.pair}>
              {isGel && (
                <NativeSelect
                  label="Their colour"
                  data={Object.entries(INDICATOR_WORDS).map(([value, label]) => ({ value, label }))}
                  {...form.getInputProps('indicator')}
                />
              )}
              <NativeSelect
                label="How fresh"
                data={FRESH_WORDS.map(([value, label]) => ({ value, label }))}
                {...form.getInputProps('freshness')}
              />
            </div>
          </>
        )}
        <details
          className={hand.moreFields}
          data-part="more-fields"
          open={Boolean(form.errors['before'] ?? form.errors['after']) || undefined}
        >
          <summary>Weights and time, if you know them</summary>
          <p className={hand.aside}>
            {how === 'heated'
              ? 'Before, and after: the weight after wins over the reckoning.'
              : 'The old beads, as they came out.'}
          </p>
          <WeightFields thing={thing} {...form.valueOf('before')} />
          {how === 'heated' && <WeightFields thing={thing} {...form.valueOf('after')} />}
          <WhenField latestMs={nowMs} {...form.valueOf('when')} />
        </details>
        <Cautions list={cautions} />
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
