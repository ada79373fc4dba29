import type { Answer } from '#core/answer.ts'
import { dayEnergyAnswer, presentAnswer } from '#core/answers/plan-answers.ts'
import type { IsoDay } from '#units/calendar-day.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { inTenths, THIN } from '#ui/format.ts'
import { minutesText } from '#ui/heat-text.ts'
import { boxesWords, dateOfDay, longDateOfDay } from '#ui/plan-words.ts'

/** The next day of the plan as the shelf says it, and the one after. */
export interface PlanSpoken {
  readonly pieces: readonly (string | { readonly text: string; readonly answer: Answer } | PlannedDay)[]
  readonly then: PlannedDay | null
}
interface PlannedDay {
  readonly text: string
  readonly dayOf: IsoDay
}

/** "Sat 6 Dec: three boxes, 2 h, 0.9 kWh"; null where no day is planned. */
export function planSpoken(
  question: PlanQuestion,
  sheets: readonly DaySheet[],
  zone: string,
): PlanSpoken | null {
  const [next, after] = sheets
  if (!next) return null
  const { choice, air } = question
  const energy = dayEnergyAnswer(choice.source, air.roomC, next)
  return {
    pieces: [
      { text: longDateOfDay(question, next.day, zone), dayOf: next.iso },
      `: ${boxesWords(next.boxIds.length)}, `,
      { text: minutesText(next.time.presentMinutes), answer: presentAnswer(next.time) },
      ...(next.batches.length > 0 ? [', ', { text: `${inTenths(next.kWh)}${THIN}kWh`, answer: energy }] : []),
    ],
    then: after ? { text: dateOfDay(question, after.day, zone), dayOf: after.iso } : null,
  }
}
