import { secondsFromDays } from '#units/time.ts'
import { judgeCandidate } from '#core/build/candidate.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import { ensembleOf, gramsInSteps, type Ensemble } from '#core/estimate/estimate-box.ts'
import { checkOutcome } from '#core/checks/run-check.ts'
import { freshHolds } from '#core/estimate/fresh-holds.ts'
import { firstDay } from '#core/estimate/promise.ts'
import { runFound } from '#core/spool/drying-run.ts'
import { dryThese } from '#core/spool/dry-these.ts'
import { printFound } from '#core/spool/print-clock.ts'
import { spoolReport } from '#core/spool/spool-report.ts'
import { inSlices } from './in-slices.ts'
import type { Estimator, EstimatorCalls } from './protocol.ts'

/** Of the box asked about last: its grams are wanted right after its report, and stand on the same draws. */
let last: { readonly of: string; readonly ensemble: Ensemble } | null = null
function ensemble(facts: BoxFacts): Ensemble {
  const of = JSON.stringify(facts)
  if (last?.of !== of) last = { of, ensemble: ensembleOf(facts) }
  return last.ensemble
}

/** A worker does one thing at a time; the one that is long enough to be stopped asks now and then. */
let isToStop = false

/** The season changes how long beads hold: every four weeks of half a year. */
const FRESH_DAYS = [0, 26, 52, 78, 104, 130, 156, 182]

/** The core's answers to the protocol; what the worker registers. */
export const calls: EstimatorCalls = {
  report: facts => ensemble(facts).report,
  grams: async (facts, weeks) => {
    isToStop = false
    return (await inSlices(gramsInSteps(facts, ensemble(facts), weeks), () => isToStop)) ?? []
  },
  stop: () => {
    isToStop = true
  },
  spool: asked => spoolReport(asked),
  print: asked => printFound(asked),
  dry: asked => dryThese(asked),
  run: asked => runFound(asked),
  firstDay: facts => firstDay(facts),
  fresh: facts =>
    freshHolds(
      facts,
      ensemble(facts),
      FRESH_DAYS.map(day => facts.nowS + secondsFromDays(day)),
    ),
  check: checks => checks.map(checkOutcome),
  candidates: (candidates, wish) => candidates.map(candidate => judgeCandidate(candidate, wish)),
}

/** The same on the calling thread, for tests. */
export const sameThreadEstimator: Estimator = {
  report: facts => Promise.resolve().then(() => calls.report(facts)),
  grams: (facts, weeks) => Promise.resolve().then(() => calls.grams(facts, weeks)),
  spool: asked => Promise.resolve().then(() => calls.spool(asked)),
  print: asked => Promise.resolve().then(() => calls.print(asked)),
  dry: asked => Promise.resolve().then(() => calls.dry(asked)),
  run: asked => Promise.resolve().then(() => calls.run(asked)),
  firstDay: facts => Promise.resolve().then(() => calls.firstDay(facts)),
  fresh: facts => Promise.resolve().then(() => calls.fresh(facts)),
  check: checks => Promise.resolve().then(() => calls.check(checks)),
  candidates: (candidates, wish) => Promise.resolve().then(() => calls.candidates(candidates, wish)),
}
