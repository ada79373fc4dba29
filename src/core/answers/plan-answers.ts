import type { Answer } from '../answer.ts'
import type { DayAtOven } from '../renewal/day-at-oven.ts'
import { AFTER_MINUTES, BEFORE_MINUTES, COOL_MINUTES, TURN_MINUTES } from '../renewal/day-at-oven.ts'
import { totalAnswer } from './answers.ts'

/** Minutes a person is at the oven on one day. */
export function presentAnswer(time: DayAtOven): Answer {
  const isAlone = time.aloneMinutes > 0
  return totalAnswer('you are there', 'min', [
    ['displays out, weigh, load the oven', BEFORE_MINUTES],
    ...time.hot.map(({ from, to }, i) => [`hot, batch ${i + 1}`, to - from] as const),
    ...(time.hot.length > 0 ? [['out, weigh, in again', TURN_MINUTES * time.hot.length] as const] : []),
    ...(isAlone || time.hot.length === 0 ? [] : [['cooling under lids', COOL_MINUTES] as const]),
    ['weigh, and back into the boxes', AFTER_MINUTES],
  ])
}

/** One figure of a plan, added up day by day. */
export const overDaysAnswer = (
  quantity: string,
  unit: string,
  days: readonly (readonly [string, number])[],
): Answer => totalAnswer(quantity, unit, days)
