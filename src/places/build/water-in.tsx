import { greatest } from '#units/extremes.ts'
import { driveOf, openingsDayAnswer, sealItemAnswer, sealTotalAnswer } from '#core/answers/seal-answers.ts'
import { mgPerDay } from '#core/build/candidate.ts'
import { openingsMgPerDay, type SealItem } from '#core/build/seal-budget.ts'
import type { PlanSeal } from '#journal/plan-seal.ts'
import { Figure } from '#ui/figure.tsx'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import hand from '#ui/hand.module.css'
import css from './close.module.css'

const NAMES: Readonly<Record<SealItem['kind'], string>> = {
  lid: 'lid and gasket',
  walls: 'walls',
  'rod ends': 'rod ends',
  outlets: 'outlets',
  'capped outlets': 'capped outlets',
  rings: 'rings round wide holes',
  screws: 'screws',
}
export const mgText = (mg: number): string => `${mg < 9.95 ? inTenths(mg) : inWhole(mg)}${THIN}mg`

/** Water in by path, one stream beside the other: as wide as it is much, with how far it may be off. */
export function WaterIn({
  seal,
  openingsPerMonth,
  freeAirL,
}: {
  readonly seal: PlanSeal
  readonly openingsPerMonth: number
  readonly freeAirL: number
}) {
  const { items, drive } = seal
  const g = driveOf(drive)
  const openMg = openingsMgPerDay(openingsPerMonth, freeAirL, g)
  const most = Math.max(greatest(items.map(item => mgPerDay(item.highLPerH, g))), openMg)
  const share = (mg: number) => `${(100 * mg) / most}%`
  const total = sealTotalAnswer(items, openMg, drive)
  const rows = [
    ...items.map(item => ({
      key: item.kind,
      name: item.count > 1 ? `${NAMES[item.kind]}, ${item.count}` : NAMES[item.kind],
      mg: mgPerDay(item.usualLPerH, g),
      low: mgPerDay(item.lowLPerH, g),
      high: mgPerDay(item.highLPerH, g),
      answer: sealItemAnswer(item, drive),
    })),
    {
      key: 'openings',
      name: 'openings',
      mg: openMg,
      low: openMg,
      high: openMg,
      answer: openingsDayAnswer(openingsPerMonth, freeAirL, drive),
    },
  ].toSorted((a, b) => b.mg - a.mg)
  return (
    <section data-part="water-in">
      <h2 className={hand.section}>Water in, mg a day</h2>
      <ul className={css.streams}>
        {rows.map(row => (
          <li key={row.key} className={css.streamRow}>
            <span>{row.name}</span>
            <span className={css.stream} aria-hidden="true">
              <span
                className={css.maybe}
                style={{ left: share(row.low), width: share(row.high - row.low) }}
              />
              <span className={css.sure} style={{ width: share(row.mg) }} />
            </span>
            <Figure answer={row.answer} className={css.mg}>
              {mgText(row.mg)}
            </Figure>
          </li>
        ))}
        <li className={`${css.streamRow} ${css.total}`}>
          <span>in all</span>
          <span />
          <Figure answer={total} className={`${css.mg} ${hand.strong}`}>
            {mgText(total.value)}
          </Figure>
        </li>
      </ul>
      <p className={hand.aside}>The thin line is how far its kind may be off either way.</p>
    </section>
  )
}
