import { estimateBox } from '#core/estimate/estimate-box.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { BOXES } from './loft-boxes.ts'
import { boathouseLoft } from './loft.ts'

/** The day the frozen reports stand on. */
const TODAY_MS = Date.UTC(2027, 1, 20, 10)
/** Fewer than the app throws: what is frozen is the reckoning, not its precision. */
const DRAWS_PER_ROUND = 60

/** What a report says, in the few figures a person reads: dates, RH, grams. */
const summary = (report: BoxReport) => ({
  leavesDays: report.leaves && daysOf(report, report.leaves.spread),
  strictestDays: report.strictest && daysOf(report, report.strictest.leaves.spread),
  expectedRhPercent: [report.expectedRhPercent[0], report.expectedRhPercent[9], report.expectedRhPercent[18]],
  leakLPerH: Object.values(report.leakLPerH),
  floorRhPercent: report.floor?.rhPercent ?? null,
  chargesG: report.charges.map(charge => [charge.waterG, charge.notchG, charge.freshG]),
  spoolsPercent: report.spools.map(spool => spool.moisturePercent),
  streamsMgPerDay: report.streams.map(stream => stream.mgPerDay),
  contradicted: report.contradiction !== null,
})

const daysOf = (report: BoxReport, dates: { low: number; middle: number; high: number }): number[] =>
  [dates.low, dates.middle, dates.high].map(atS => (atS - report.nowS) / 86_400)

/** Every box of the demonstration reckoned on a fixed day. */
export function loftReports(): Record<string, ReturnType<typeof summary>> {
  const state = fold(boathouseLoft(TODAY_MS, 'Europe/Oslo'))
  return Object.fromEntries(
    BOXES.map(({ id }) => {
      const facts = boxFacts(state, boxView(state, id, TODAY_MS)!, TODAY_MS)!
      return [id, summary(estimateBox(facts, { drawsPerRound: DRAWS_PER_ROUND }))]
    }),
  )
}
