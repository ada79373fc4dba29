import type { ChargeRecord } from '#journal/state.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import type { Lying } from './batch-drawing.tsx'

export const chargesOf = ({ boxes, spares }: Pick<PlanQuestion, 'boxes' | 'spares'>): ChargeRecord[] => [
  ...boxes.flatMap(box => box.charges.map(one => one.charge)),
  ...spares.map(one => one.charge),
]

/** Which box a charge comes out of on a day of the plan; null: it lies in its jar. */
export function comesFrom(
  question: Pick<PlanQuestion, 'boxes' | 'spares'>,
  sheets: readonly DaySheet[],
  day: number,
  chargeId: string,
): string | null {
  const before = sheets[day - 1]?.round.whereabouts.get(chargeId)
  const boxId =
    before === undefined
      ? (chargesOf(question).find(one => one.chargeId === chargeId)?.boxId ?? null)
      : before
  return question.boxes.find(box => box.boxId === boxId)?.name ?? null
}

/** What lies in one batch of a day, named by where it comes from. */
export function lyingIn(
  question: Pick<PlanQuestion, 'boxes' | 'spares'>,
  sheets: readonly DaySheet[],
  day: number,
  batch: number,
): Lying[] {
  const charges = chargesOf(question)
  return sheets[day]!.batches[batch]!.chargeIds.flatMap(id => {
    const charge = charges.find(one => one.chargeId === id)
    if (!charge) return []
    return [
      {
        id,
        label: comesFrom(question, sheets, day, id) ?? charge.name,
        grams: charge.dryMassG,
        desiccant: charge.desiccant,
      },
    ]
  })
}
