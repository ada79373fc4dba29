import { readAgainS } from '#core/estimate/date-standing.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'
import { secondsFromMs } from '#units/time.ts'
import { judge } from './judgement.ts'

const SOON_MS = 7 * 86_400_000

/**
 * Whether reading a box today tells something: a quarter of the way to its date is over since it was read (three days at
 * least, fourteen at most), its date is near, or something is open that a reading settles. One not reckoned is read.
 */
export function isWorthReading(view: BoxView, report: BoxReport | undefined, nowMs: number): boolean {
  const { last } = view
  if (!last || !report?.leaves) return true
  const nowS = secondsFromMs(nowMs)
  const judgement = judge(view, report, nowMs)
  switch (judgement.word) {
    case 'over since':
    case 'amiss':
    case 'may be over':
    case 'renew by':
      return true
    case 'settling':
      return judgement.readS <= nowS
    default:
  }
  if (last.lookAgainMs !== null) return last.lookAgainMs <= nowMs
  const { low, middle } = report.leaves.spread
  return low - nowS < secondsFromMs(SOON_MS) || readAgainS(middle, secondsFromMs(last.atMs)) <= nowS
}
