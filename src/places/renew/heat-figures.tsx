import {
  endWeightAnswer,
  energyAnswer,
  floorAnswerOf,
  leftAnswer,
  minutesAnswer,
  moneyAnswer,
} from '#core/answers/heat-answers.ts'
import { differenceAnswer } from '#core/answers/answers.ts'
import type { HeatThese, HeatTheseAsked } from '#core/renewal/heat-these.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { minutesText } from '#ui/heat-text.ts'
import hand from '#ui/hand.module.css'
import css from './renew.module.css'

/** What a heating takes and leaves: each figure with its range and its reason. */
export function HeatFigures({
  asked,
  plan,
  price,
}: {
  readonly asked: HeatTheseAsked
  readonly plan: HeatThese
  /** Money for a kilowatt hour; null: not told. */
  readonly price: number | null
}) {
  const { weight, water } = useMeasures()
  const { currency } = usePreferences().preferences
  const { minutes, bed, leftG, floorRhPercent, endWeightG, waterOutG, kWh } = plan
  const energy = energyAnswer(asked, plan)
  const money = new Intl.NumberFormat('en-GB', { style: 'currency', currency })
  return (
    <section aria-labelledby="takes">
      <h2 id="takes">What it takes, and leaves</h2>
      <dl className={css.figures}>
        <dt>{bed.batches > 1 ? 'Each batch' : 'Heat'}</dt>
        <dd>
          <Figure answer={minutesAnswer(asked, plan)}>
            {minutesText(minutes.low)}–{minutesText(minutes.high)}
          </Figure>
        </dd>
        <dt>Done at</dt>
        <dd>
          <Figure answer={endWeightAnswer(asked, plan)}>
            {weight.bare(endWeightG.low)}–{weight.text(endWeightG.high)}
          </Figure>
          <small>{asked.charge.tareG === null ? 'the beads alone' : 'with their holder'}</small>
        </dd>
        <dt>Water out</dt>
        <dd>
          <Figure
            answer={differenceAnswer(
              'water that comes out',
              'g',
              ['water in them now', asked.charge.waterG.middle],
              ['water that stays', leftG.middle],
            )}
          >
            {water.bare(waterOutG.low)}–{water.text(waterOutG.high)}
          </Figure>
        </dd>
        <dt>Stays in</dt>
        <dd>
          <Figure answer={leftAnswer(asked, plan)}>
            {water.bare(leftG.low)}–{water.text(leftG.high)}
          </Figure>
          <small>in today’s room air</small>
        </dd>
        <dt>Box then</dt>
        <dd>
          <Figure answer={floorAnswerOf(asked, plan)}>
            {inTenths(floorRhPercent.low)}–{inWhole(floorRhPercent.high)}
            {THIN}%
          </Figure>
          <small>at the driest</small>
        </dd>
        <dt>Energy</dt>
        <dd>
          <Figure answer={energy}>
            {inHundredths(kWh)}
            {THIN}kWh
          </Figure>
          {price !== null && (
            <small>
              <Figure answer={moneyAnswer(plan, price, currency)}>{money.format(kWh * price)}</Figure>
            </small>
          )}
        </dd>
      </dl>
      <p className={hand.aside}>Figures before anything is hot; the scale has the last word.</p>
    </section>
  )
}
