import { secondsFromMs } from '#units/time.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { SURE_OF_A_CAUSE } from '#core/estimate/wrong.ts'
import { judgeBox, type BoxEvidence, type BoxJudgement } from '#core/verdict/box.ts'
import type { BoxView } from '#journal/box-view.ts'

/** The box's judgement from its view and, once it is there, its reckoning. */
export const judge = (view: BoxView, report: BoxReport | undefined, nowMs: number): BoxJudgement =>
  judgeBox({
    nowS: secondsFromMs(nowMs),
    targetRhPercent: view.target?.rhPercent ?? null,
    readingWord: view.last?.word ?? null,
    overSinceS: view.overSinceMs === null ? null : secondsFromMs(view.overSinceMs),
    renewedS: view.renewedMs === null ? null : secondsFromMs(view.renewedMs),
    settlesForS: view.hygrometer.settlesAfterChargeS,
    hasCharge: view.charges.length > 0,
    hasWeighing: view.hasWeighing,
    leaves: report?.leaves
      ? {
          earlyS: report.leaves.spread.low,
          lateS: report.leaves.spread.high,
          middleS: report.leaves.spread.middle,
          shareNow:
            report.leaves.sharesOfDates.findLast(({ atS }) => atS <= secondsFromMs(nowMs))?.share ?? 0,
        }
      : null,
    amiss: amissOf(report),
    contradicted: report?.standing?.is === 'withdrawn' && report.standing.why === 'contradiction',
    isFirstOver: view.overSinceMs !== null && view.overSinceMs === view.last?.atMs,
    readAgainS: report?.standing?.is === 'not known yet' ? report.standing.readAgainS : null,
    atTarget: report?.atTarget ?? false,
    floor: report?.floor ?? null,
  })

/** What is wrong by nearly all accounts, where fresh beads would not put it right. */
function amissOf(report: BoxReport | undefined): BoxEvidence['amiss'] {
  const [first] = report?.wrong ?? []
  if (!first || first.share < SURE_OF_A_CAUSE) return null
  const { cause, amiss } = first
  return cause === 'leak' || cause === 'damp' || cause === 'display'
    ? { cause, sinceS: amiss?.atS ?? null }
    : null
}
