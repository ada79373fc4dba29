import { ownValue } from '#units/own.ts'
import { msFromSeconds } from '#units/time.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import { dayText, isoDay } from '#ui/dates.ts'
import type { Keeping } from '#store/keeping.ts'
import type { CalendarDay } from '#formats/calendar/write-calendar.ts'

export interface DatedBox {
  readonly boxId: string
  readonly name: string
  readonly judgement: BoxJudgement
  readonly report: BoxReport | undefined
}

/**
 * The days to give out: a box's 10 % date, today for one that is over. A day that differs from the one last given out
 * raises its sequence, so that calendars take it for news.
 */
export function renewDays(
  boxes: readonly DatedBox[],
  given: Keeping['calendar'],
  nowMs: number,
  zone: string,
): CalendarDay[] {
  return boxes.flatMap(({ boxId, name, judgement, report }): CalendarDay[] => {
    const dateMs = dateOf(judgement, report, nowMs)
    if (dateMs === null) return []
    const day = isoDay(Math.max(dateMs, nowMs), zone)
    const before = ownValue(given, boxId)
    return [
      {
        boxId,
        day,
        summary: `Renew the beads of ${name}`,
        description: describe(judgement, report, nowMs, zone),
        sequence: before === undefined ? 0 : before.day === day ? before.sequence : before.sequence + 1,
      },
    ]
  })
}

function dateOf(judgement: BoxJudgement, report: BoxReport | undefined, nowMs: number): number | null {
  if (judgement.word === 'over since') return nowMs
  const leaves = report?.leaves
  // what was just renewed has the date it is reckoned to have
  if (judgement.word === 'settling')
    return !leaves || leaves.beyondHorizon.early || leaves.spread.low <= judgement.readS
      ? null
      : msFromSeconds(leaves.spread.low)
  if (judgement.word === 'may be over')
    return leaves?.beyondHorizon.middle ? null : msFromSeconds(judgement.dateS)
  if (judgement.word !== 'good until' && judgement.word !== 'renew by') return null
  return leaves?.beyondHorizon.early ? null : msFromSeconds(judgement.dateS)
}

function describe(
  judgement: BoxJudgement,
  report: BoxReport | undefined,
  nowMs: number,
  zone: string,
): string {
  const late = report?.leaves?.spread.low === undefined ? null : report.leaves
  if (judgement.word === 'over since') return 'It is over its target already.'
  if (!late) return ''
  return late.beyondHorizon.late
    ? 'One chance in ten that it is sooner; it may last over a year.'
    : `One chance in ten that it is sooner; it may last until ${dayText(msFromSeconds(late.spread.high), nowMs, zone)}.`
}

export const givenNow = (days: readonly CalendarDay[]): Keeping['calendar'] =>
  Object.fromEntries(days.map(({ boxId, day, sequence }) => [boxId, { day, sequence }]))
