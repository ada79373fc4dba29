import { startReckoner } from '#workers/reckoner.ts'
import type { Reckoner } from '#workers/protocol.ts'

let reckoner: Reckoner | undefined
/** One pool for the whole page, a worker for every core but one, at most three. */
export const sharedReckoner = (): Reckoner =>
  (reckoner ??= startReckoner(Math.min(3, Math.max(1, (navigator.hardwareConcurrency || 2) - 1))))
