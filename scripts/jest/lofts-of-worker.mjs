/** The demonstration's acts by day and zone, as text, for all suites of this worker: `src/testing/loft-once.ts`. */
export const loftsOfWorker = new Map()
