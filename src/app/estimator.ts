import type { Estimator } from '#workers/protocol.ts'

/** One pool for the whole page: a worker for every core but one, two at least, four at most. */
const seats = () => Math.min(4, Math.max(2, (navigator.hardwareConcurrency || 2) - 1))

let pool: Promise<Estimator> | undefined
/** The pool and the worker library come once something is to be reckoned: the first page is drawn without them. */
const started = (): Promise<Estimator> =>
  (pool ??= import('#workers/estimator.ts').then(({ startEstimator }) => startEstimator(seats())))

const estimator: Estimator = {
  report: async (...asked) => (await started()).report(...asked),
  grams: async (...asked) => (await started()).grams(...asked),
  spool: async (...asked) => (await started()).spool(...asked),
  print: async (...asked) => (await started()).print(...asked),
  dry: async (...asked) => (await started()).dry(...asked),
  run: async (...asked) => (await started()).run(...asked),
  firstDay: async (...asked) => (await started()).firstDay(...asked),
  check: async (...asked) => (await started()).check(...asked),
  fresh: async (...asked) => (await started()).fresh(...asked),
  candidates: async (...asked) => (await started()).candidates(...asked),
}
export const sharedEstimator = (): Estimator => estimator
