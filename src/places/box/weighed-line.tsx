import { weighedRhAnswer } from '#core/answers/renewal-answers.ts'
import { enteredAnswer } from '#core/answers/answers.ts'
import { weighedCharge } from '#core/renewal/weighed.ts'
import { weighedSigmaG, weighedWaterG } from '#core/evidence/weighing.ts'
import { standingWeighing, type BoxView } from '#journal/box-view.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { shortDayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { asTyped, inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'

const WEEK_MS = 7 * 86_400_000

/** The last weighing as a reading of its own: where the display is blind, it is the one that sees. */
export function WeighedLine({
  view,
  boxC,
  nowMs,
  zone,
}: {
  readonly view: BoxView
  readonly boxC: number
  readonly nowMs: number
  readonly zone: string
}) {
  return view.charges.map(charge => {
    const weighing = standingWeighing(charge)
    return weighing ? (
      <WeighedCharge
        key={charge.chargeId}
        charge={charge}
        named={view.charges.length > 1}
        weighing={weighing}
        boxC={boxC}
        nowMs={nowMs}
        zone={zone}
        last={view.last}
        accuracyPercentRh={view.hygrometer.accuracyPercentRh}
      />
    ) : null
  })
}

function WeighedCharge({
  charge,
  named,
  weighing,
  boxC,
  nowMs,
  zone,
  last,
  accuracyPercentRh,
}: {
  readonly last: BoxView['last']
  readonly accuracyPercentRh: number
  readonly charge: ChargeRecord
  /** Where there are several: which one it was. */
  readonly named: boolean
  readonly weighing: ChargeRecord['weighings'][number]
  readonly boxC: number
  readonly nowMs: number
  readonly zone: string
}) {
  const { water } = useMeasures()
  const waterG = weighedWaterG(charge.dryMassG, weighing)
  const weighed = weighedCharge({
    desiccant: charge.desiccant,
    dryMassG: charge.dryMassG,
    waterG,
    sigmaG: weighedSigmaG(charge.dryMassG, charge.massKnown, weighing),
    temperatureC: boxC,
  })
  // weighed and read within a week, and no air in common: one of the two is wrong
  const near = last && Math.abs(last.atMs - weighing.atMs) < WEEK_MS ? last : null
  const apart =
    near !== null &&
    (near.relativeHumidityPercent - accuracyPercentRh > weighed.highRhPercent + accuracyPercentRh ||
      near.relativeHumidityPercent + accuracyPercentRh < weighed.lowRhPercent - accuracyPercentRh)
  const against = apart
    ? ` The display showed ${asTyped(near.relativeHumidityPercent)}${THIN}%: both can’t be true. Check the holder’s weight, how many beads there are, or the display.`
    : null
  return (
    <p>
      {named && `${charge.name}: `}weighed {shortDayText(weighing.atMs, nowMs, zone)}, the beads held{' '}
      <Figure
        answer={enteredAnswer(
          'water found by weighing',
          'gross less holder less dry beads',
          Math.max(0, waterG),
          'g',
          'measured',
        )}
      >
        {water.text(Math.max(0, waterG))}
      </Figure>{' '}
      of water, air of{' '}
      <Figure answer={weighedRhAnswer(weighed, charge.desiccant, boxC)}>
        {inWhole(weighed.rhPercent)} ({inWhole(weighed.lowRhPercent)}–{inWhole(weighed.highRhPercent)}){THIN}%
      </Figure>{' '}
      over them.{against}
    </p>
  )
}
