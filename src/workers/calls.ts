import { estimateBox, estimateGrams } from '#core/estimate/estimate-box.ts'
import { checkOutcome } from '#core/checks/run-check.ts'
import { spoolDetails } from '#core/estimate/spool-detail.ts'
import type { Estimator, EstimatorCalls } from './protocol.ts'

/** The core's answers to the protocol; what the worker registers. */
export const calls: EstimatorCalls = {
  report: facts => estimateBox(facts),
  grams: (facts, weeks) => estimateGrams(facts, {}, weeks),
  spools: (facts, draws) => spoolDetails(facts, draws),
  check: checks => checks.map(checkOutcome),
}

/** The same on the calling thread, for tests. */
export const sameThreadEstimator: Estimator = {
  report: facts => Promise.resolve().then(() => calls.report(facts)),
  grams: (facts, weeks) => Promise.resolve().then(() => calls.grams(facts, weeks)),
  spools: (facts, draws) => Promise.resolve().then(() => calls.spools(facts, draws)),
  check: checks => Promise.resolve().then(() => calls.check(checks)),
}
