import { lapses, type OvenSession } from '#core/renewal/oven-days.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { dayMonthText, dayText } from './dates.ts'
import { numberWord } from './number-words.ts'

const DAY_MS = 86_400_000
const WEEKDAYS = [
  'Mondays',
  'Tuesdays',
  'Wednesdays',
  'Thursdays',
  'Fridays',
  'Saturdays',
  'Sundays',
] as const

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
export const boxesWords = (n: number): string => `${numberWord(n)} ${n === 1 ? 'box' : 'boxes'}`

/** "a", "a and b", "a, b and c". */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`

/** What a day at the oven is called: by its weekday where there is but one. */
export function daysName(weekdays: readonly number[], n: number): string {
  const [only] = weekdays
  if (weekdays.length !== 1) return n === 1 ? 'day at the oven' : 'days at the oven'
  return n === 1 ? WEEKDAYS[only!]!.slice(0, -1) : WEEKDAYS[only!]!
}
export const weekdaysWords = (weekdays: readonly number[]): string =>
  weekdays.length === 7 ? 'any day' : listed([...weekdays].sort((a, b) => a - b).map(one => WEEKDAYS[one]!))

const SURE: Readonly<Record<number, string>> = {
  0.5: '1 in 2',
  0.7: '7 in 10',
  0.8: '8 in 10',
  0.9: '9 in 10',
  0.95: '19 in 20',
}
export const SURE_CHOICES = [0.7, 0.8, 0.9, 0.95] as const
export const sureWords = (sure: number): string => SURE[sure] ?? `${Math.round(sure * 100)} in 100`

export const dateOfDay = ({ todayMs }: Pick<PlanQuestion, 'todayMs'>, day: number, zone: string): string =>
  dayMonthText(todayMs + (day + 0.5) * DAY_MS, zone)
export const longDateOfDay = (
  { todayMs }: Pick<PlanQuestion, 'todayMs'>,
  day: number,
  zone: string,
): string => {
  const ms = todayMs + (day + 0.5) * DAY_MS
  return dayText(ms, ms, zone)
}

/** The plan in one sentence: its days. */
export function planSentence(question: PlanQuestion, sessions: readonly OvenSession[], zone: string): string {
  const { days, told } = question
  if (question.boxes.length === 0) return 'No box is in the plan yet.'
  if (sessions.length === 0)
    return lapses(question.asked, []).length > 0
      ? 'No day at the oven is long enough, or free.'
      : 'No beads want heat for half a year.'
  const dates = sessions.map(({ at }) => dateOfDay(question, days[at]!.day, zone))
  const name = daysName(told.weekdays, sessions.length)
  const count = capital(numberWord(sessions.length))
  return sessions.length <= 5
    ? `${count} ${name} in half a year: ${listed(dates)}.`
    : `${count} ${name} in half a year: ${dates.slice(0, 3).join(', ')} first.`
}
