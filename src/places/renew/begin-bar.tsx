import { useState } from 'react'
import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import { roomsOf } from '#journal/rooms.ts'
import { useJournal } from '#session/journal-query.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { degreesText, minutesText } from '#ui/heat-text.ts'
import { planHeating, type Wanted } from '#session/plan-heating.ts'
import { sourceChoices } from '#session/heat-choices.ts'
import { useBegin } from './use-begin.ts'
import hand from '#ui/hand.module.css'
import css from './renew.module.css'

/** Several charges at once: where, how hot, in how many batches; what may not go is named. */
export function BeginBar({ wanted }: { readonly wanted: readonly Wanted[] }) {
  const { state, nowMs } = useJournal()
  const measures = useMeasures()
  const beginning = useBegin()
  const isUnit = wanted.every(one => one.charge.holder === 'plug-in unit')
  const choices = sourceChoices(state, isUnit)
  const [key, setKey] = useState<string | null>(null)
  const choice = choices.find(one => one.key === key) ?? choices[0]!
  const firstBox = wanted.find(one => one.charge.boxId !== null)?.charge.boxId
  const room =
    (firstBox != null ? state.rooms.get(state.boxes.get(firstBox)!.roomId) : undefined) ?? roomsOf(state)[0]
  const air = roomAirOrUsual(state, room, nowMs)
  const plan = planHeating(wanted, choice.source, {
    roomPa: vapourPressureOfRhPa(air),
    roomC: air.temperatureC,
  })
  const going = plan.batches.flatMap(batch => batch.chargeIds)
  const grams = wanted
    .filter(one => going.includes(one.charge.chargeId))
    .reduce((sum, one) => sum + one.charge.dryMassG, 0)
  return (
    <section className={css.begin} aria-label="Heat the chosen ones together" data-part="begin">
      <ChoiceRow
        legend="Together in"
        options={choices.map(one => [one.key, one.name] as const)}
        chosen={choice.key}
        choose={setKey}
      />
      {plan.refused.map(({ name, says }) => (
        <p key={name} className={hand.notice} data-refused={name}>
          Without {name}: {says}
        </p>
      ))}
      {going.length > 0 && (
        <div className={css.beginRow}>
          <p>
            {going.length === 1 ? 'One charge' : `${going.length} charges`}, {measures.weight.text(grams)}
            {plan.dialC !== null && `, at ${degreesText(measures, plan.dialC)}`}:{' '}
            {plan.batches.length === 1 ? 'one batch' : `${plan.batches.length} batches`}, about{' '}
            {minutesText(plan.minutes)} of heat.
          </p>
          <button
            type="button"
            className={hand.filled}
            disabled={beginning.isPending}
            onClick={() =>
              beginning.begin(
                {
                  oven: choice.source.kind,
                  heatSourceId: choice.heatSourceId,
                  dialC: plan.dialC,
                  temperatureC: plan.temperatureC,
                  roomId: room?.roomId ?? null,
                  batches: plan.batches,
                },
                choice.name,
              )
            }
          >
            Begin at the oven
          </button>
        </div>
      )}
      {beginning.error && <Refused error={beginning.error} remedy="begin again" />}
    </section>
  )
}
