import { startEstimator } from '#workers/estimator.ts'
import type { Estimator } from '#workers/protocol.ts'

let estimator: Estimator | undefined
/** One pool for the whole page: a worker for every core but one, two at least, four at most. */
export const sharedEstimator = (): Estimator =>
  (estimator ??= startEstimator(Math.min(4, Math.max(2, (navigator.hardwareConcurrency || 2) - 1))))
