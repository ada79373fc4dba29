import { daysHeldAnswer, driveOf, leftAnswer } from '#core/answers/seal-answers.ts'
import type { Answer } from '#core/answer.ts'
import { improvements, type Improvement } from '#core/build/seal-budget.ts'
import type { PlanSeal } from '#journal/plan-seal.ts'
import { Figure } from '#ui/figure.tsx'
import { daysText } from './days-text.ts'
import { mgText } from './water-in.tsx'
import hand from '#ui/hand.module.css'
import css from './close.module.css'

const IMPROVED: Readonly<Record<Improvement['id'], string>> = {
  'clips lid': 'a lid with clips and rubber',
  membranes: 'a membrane at each outlet',
  'cap idle': 'every outlet capped while nothing prints',
  'better walls': 'a box of polypropylene',
  'seal the rings': 'the wide holes sealed',
  'half the openings': 'half the openings',
}

/** What each improvement alone would leave of the water that comes in, and how long the beads then last. */
export function HelpsSection({
  seal: { facts, drive, filling, loadings },
  openingsPerMonth,
  freeAirL,
  total,
  days,
}: {
  readonly seal: PlanSeal
  readonly openingsPerMonth: number
  readonly freeAirL: number
  readonly total: Answer
  readonly days: Answer
}) {
  const helps = improvements(facts, { perMonth: openingsPerMonth, freeAirL }, driveOf(drive))
  const fewer = (mg: number, what: string) => daysHeldAnswer(`days with ${what}`, filling.grams, loadings, mg)
  return (
    <section data-part="helps">
      <h2 className={hand.section}>What would help, and how long the beads then last</h2>
      {helps.length === 0 && <p>Nothing that makes a difference: it is as tight as its kind gets.</p>}
      <ul className={css.streams}>
        {helps.length > 0 && (
          <li className={css.help}>
            <span>as it is</span>
            <Figure answer={total} className={css.mg}>
              {mgText(total.value)}
            </Figure>
            <Figure answer={days} className={css.mg}>
              {daysText(days.value)}
            </Figure>
          </li>
        )}
        {helps.map(one => {
          const left = fewer(one.mgPerDay, IMPROVED[one.id])
          return (
            <li key={one.id} className={css.help}>
              <span>{IMPROVED[one.id]}</span>
              <Figure answer={leftAnswer(IMPROVED[one.id], one.mgPerDay)} className={css.mg}>
                {mgText(one.mgPerDay)}
              </Figure>
              <Figure answer={left} className={css.mg}>
                {daysText(left.value)}
              </Figure>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
