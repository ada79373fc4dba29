import { reckonBox, reckonGrams } from '#core/estimate/reckon.ts'
import { checkOutcome } from '#core/checks/run-check.ts'
import { spoolDetails } from '#core/estimate/spool-detail.ts'
import type { Reckoner, ReckonerCalls } from './protocol.ts'

/** The core's answers to the protocol; what the worker registers. */
export const calls: ReckonerCalls = {
  report: facts => reckonBox(facts),
  grams: (facts, weeks) => reckonGrams(facts, {}, weeks),
  spools: (facts, draws) => spoolDetails(facts, draws),
  check: checks => checks.map(checkOutcome),
}

/** The same on the calling thread, for tests. */
export const sameThreadReckoner: Reckoner = {
  report: facts => Promise.resolve().then(() => calls.report(facts)),
  grams: (facts, weeks) => Promise.resolve().then(() => calls.grams(facts, weeks)),
  spools: (facts, draws) => Promise.resolve().then(() => calls.spools(facts, draws)),
  check: checks => Promise.resolve().then(() => calls.check(checks)),
}
