import type { OvenSession } from '#core/renewal/oven-days.ts'
import { whyDay } from '#core/renewal/why-day.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import { leavesMs, type PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { secondsFromMs } from '#units/time.ts'
import { dayMonthText } from '#ui/dates.ts'
import { inWhole, THIN } from '#ui/format.ts'
import { dateOfDay, listed } from '#ui/plan-words.ts'

const DAY_MS = 86_400_000

export interface WhyWords {
  readonly why: readonly string[]
  readonly skipped: readonly string[]
}

/** Why that day, and what happens if nobody is there. */
export function whyWords(
  question: PlanQuestion,
  sessions: readonly OvenSession[],
  sheet: DaySheet,
  zone: string,
): WhyWords {
  const { asked, days, boxes, todayMs } = question
  const { next, late, couldWait } = whyDay(asked, sessions, sheet.at)
  const nameOf = (id: string) => boxes.find(box => box.boxId === id)!.name
  const onDay = (day: number) => dateOfDay(question, day, zone)
  const isFirst = (boxId: string) => !sessions.some(one => one.at < sheet.at && one.boxIds.includes(boxId))
  const why: string[] = []
  const wish = days[sheet.at]!.wish
  if (wish === 'pinned') why.push('You want it on this day.')
  const pinnedHere = asked.boxes.filter(box => box.pinnedTo === sheet.at).map(box => nameOf(box.id))
  if (pinnedHere.length > 0) why.push(`You want ${listed(pinnedHere)} on this day.`)
  const over = sheet.boxIds.filter(
    id => isFirst(id) && asked.boxes.find(box => box.id === id)!.holdsUntil < sheet.day,
  )
  const lateNames = [...new Set(late.map(one => one.boxId))]
  /** The day it may leave its target, as its stroke shows it. */
  const overSince = (id: string) =>
    isFirst(id)
      ? dayMonthText(Math.max(todayMs, leavesMs(boxes.find(one => one.boxId === id)!)), zone)
      : onDay(Math.max(0, late.find(one => one.boxId === id)!.from - 1))
  const lateHere = lateNames.filter(id => !over.includes(id))
  if (over.length > 0)
    why.push(`${listed(over.map(nameOf))} may be over by then: it is the first day there is.`)
  if (next === null) why.push('It is the last day of this half year.')
  else if (couldWait === null && lateHere.length > 0)
    why.push(
      `The next day you are there, ${onDay(days[next]!.day)}, may be too late for ${listed(
        lateHere.map(id => `${nameOf(id)} (${overSince(id)})`),
      )}.`,
    )
  else if (couldWait !== null && wish !== 'pinned')
    why.push(
      `It could wait until ${onDay(days[couldWait]!.day)}; no later plan has fewer days, and so early it leaves more in hand.`,
    )
  const others = sheet.boxIds.filter(id => !lateNames.includes(id) && !over.includes(id))
  if (lateNames.length > 0 && couldWait === null && others.length > 0)
    why.push(
      `${listed(others.map(nameOf))} ${others.length === 1 ? 'comes' : 'come'} along, so that no other day is needed.`,
    )

  const skipped: string[] = []
  if (next === null) skipped.push('Nothing later is in this half year.')
  else if (late.length === 0) skipped.push(`Nothing is over by ${onDay(days[next]!.day)}.`)
  else {
    const then = days[next]!.day
    skipped.push(
      couldWait === null
        ? `Next is ${onDay(then)}.`
        : `Until ${onDay(days[couldWait]!.day)} nothing happens; ${onDay(then)} is too late.`,
    )
    skipped.push(
      `By then ${listed(
        lateNames.map(id => {
          const box = boxes.find(one => one.boxId === id)!
          const since = overSince(id)
          const rh = isFirst(id) ? rhThen(box.report, secondsFromMs(todayMs + (then + 0.5) * DAY_MS)) : null
          return `${nameOf(id)} may be over since ${since}${rh ? ` (${rh})` : ''}`
        }),
      )}.`,
    )
  }
  return { why, skipped }
}

/** RH of most of the ways it may go, at a time; nothing beyond what was drawn. */
export function rhThen({ futures }: Pick<BoxReport, 'futures'>, atS: number): string | null {
  const values = futures.flatMap(({ atS: times, rhPercent }) => {
    const next = times.findIndex(time => time >= atS)
    if (next < 0) return []
    if (next === 0) return [rhPercent[0]!]
    const part = (atS - times[next - 1]!) / (times[next]! - times[next - 1]!)
    return [rhPercent[next - 1]! + part * (rhPercent[next]! - rhPercent[next - 1]!)]
  })
  if (values.length < 5) return null
  const sorted = values.sort((a, b) => a - b)
  const [low, high] = [sorted[1]!, sorted.at(-2)!]
  return inWhole(low) === inWhole(high)
    ? `${inWhole(low)}${THIN}%`
    : `${inWhole(low)}–${inWhole(high)}${THIN}%`
}
