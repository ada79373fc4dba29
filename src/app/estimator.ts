import { startEstimator } from '#workers/estimator.ts'
import type { Estimator } from '#workers/protocol.ts'

let estimator: Estimator | undefined
/** One pool for the whole page, a worker for every core but one, at most three. */
export const sharedEstimator = (): Estimator =>
  (estimator ??= startEstimator(Math.min(3, Math.max(1, (navigator.hardwareConcurrency || 2) - 1))))
