import { releaseProxy, wrap, type Remote } from 'comlink'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { Estimator, EstimatorCalls } from './protocol.ts'

interface Seat {
  worker: Worker
  remote: Remote<EstimatorCalls>
  busy: boolean
  /** The box it worked on last: it has the draws at hand that all answers about it stand on. */
  last: BoxFacts | undefined
}
interface Asking {
  readonly signal: AbortSignal | undefined
  /** Left out: now. */
  readonly dueS?: number | undefined
  /** What it asks about, where another question about the same stands on the same draws. */
  readonly about?: BoxFacts
  /** It can be stopped, and its worker kept. */
  readonly stops?: boolean
}
interface Job extends Asking {
  readonly run: (remote: Remote<EstimatorCalls>) => Promise<unknown>
  readonly resolve: (value: unknown) => void
  readonly reject: (reason: unknown) => void
  readonly dueS: number
}

/** One job may take this long; then its worker is ended and the job fails with a sentence. */
const JOB_LIMIT_MS = 120_000
/** One that can be stopped has this long to do so; a new worker would take as long to come to speed. */
const STOPS_WITHIN_MS = 2000

const estimateWorker = (): Worker =>
  new Worker(new URL('./estimate.worker.ts', import.meta.url), { type: 'module' })

/**
 * A pool of workers, the only place that knows the worker library. A job given up while it runs ends its worker, unless it
 * can be stopped; a worker that dies fails its job. Due soonest first; of jobs alike the newest: what is on screen now matters
 * more than what was. But a worker that has a box's draws at hand is asked the rest about it, before they are thrown anew
 * elsewhere.
 */
export function startEstimator(seats: number, makeWorker: () => Worker = estimateWorker): Estimator {
  const pool: Seat[] = []
  const queue: Job[] = []
  const start = (): Seat => {
    const worker = makeWorker()
    return { worker, remote: wrap<EstimatorCalls>(worker), busy: false, last: undefined }
  }
  const retire = (seat: Seat): void => {
    seat.remote[releaseProxy]()
    seat.worker.terminate()
    pool.splice(pool.indexOf(seat), 1)
  }
  const next = (): void => {
    const idle = pool.filter(seat => !seat.busy)
    if (idle.length === 0 && pool.length >= seats) return
    const job = takeNext(queue, pool)
    if (!job) return
    const seat = idle.find(one => hasAtHand(one, job)) ?? idle[0] ?? start()
    if (!pool.includes(seat)) pool.push(seat)
    seat.busy = true
    seat.last = job.about ?? seat.last
    let settled = false
    const settle = (end: () => void, keep: boolean): void => {
      if (settled) return
      settled = true
      clearTimeout(limit)
      job.signal?.removeEventListener('abort', giveUp)
      seat.worker.removeEventListener('error', breakOff)
      seat.busy = false
      if (!keep) retire(seat)
      end()
      next()
    }
    const giveUp = () => {
      const end = () => job.reject(new DOMException('Given up.', 'AbortError'))
      if (!job.stops) return settle(end, false)
      end()
      clearTimeout(limit)
      limit = setTimeout(() => settle(end, false), STOPS_WITHIN_MS)
      void seat.remote.stop().catch(() => null)
    }
    let limit = setTimeout(
      () => settle(() => job.reject(new Error('The reckoning took too long and was stopped.')), false),
      JOB_LIMIT_MS,
    )
    job.signal?.addEventListener('abort', giveUp, { once: true })
    const breakOff = () => settle(() => job.reject(new Error('The reckoning broke off.')), false)
    seat.worker.addEventListener('error', breakOff, { once: true })
    job.run(seat.remote).then(
      value => settle(() => job.resolve(value), true),
      (reason: unknown) => settle(() => job.reject(reason), true),
    )
  }
  const ask = <T>(run: (remote: Remote<EstimatorCalls>) => Promise<T>, asking: Asking): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      const { signal, dueS = 0 } = asking
      if (signal?.aborted) return reject(new DOMException('Given up.', 'AbortError'))
      const job: Job = { ...asking, dueS, run, resolve: resolve as (value: unknown) => void, reject }
      queue.push(job)
      signal?.addEventListener(
        'abort',
        () => {
          const waiting = queue.indexOf(job)
          if (waiting < 0) return
          queue.splice(waiting, 1)
          reject(new DOMException('Given up.', 'AbortError'))
        },
        { once: true },
      )
      next()
    })
  return {
    report: (facts, signal, dueS) => ask(remote => remote.report(facts), { signal, dueS, about: facts }),
    grams: (facts, weeks, signal) =>
      ask(remote => remote.grams(facts, weeks), { signal, about: facts, stops: true }),
    spool: (asked, signal, dueS) => ask(remote => remote.spool(asked), { signal, dueS }),
    print: (asked, signal) => ask(remote => remote.print(asked), { signal }),
    dry: (asked, signal) => ask(remote => remote.dry(asked), { signal }),
    run: (asked, signal) => ask(remote => remote.run(asked), { signal }),
    firstDay: (facts, signal) => ask(remote => remote.firstDay(facts), { signal }),
    fresh: (facts, signal, dueS) => ask(remote => remote.fresh(facts), { signal, dueS, about: facts }),
    check: (checks, signal) => ask(remote => remote.check(checks), { signal }),
    candidates: (candidates, wish, signal) => ask(remote => remote.candidates(candidates, wish), { signal }),
  }
}

const hasAtHand = (seat: Seat, job: Job): boolean => job.about !== undefined && job.about === seat.last

/**
 * What a person looks at, then what an idle worker has at hand, then what is due soonest; what a busy one has at hand is left
 * to it.
 */
function takeNext(queue: Job[], pool: readonly Seat[]): Job | undefined {
  const soonest = soonestOf(queue)
  if (!soonest || soonest.dueS < 0) return take(queue, soonest)
  const at = (seats: readonly Seat[]) => (job: Job) => seats.some(seat => hasAtHand(seat, job))
  const isAtIdle = at(pool.filter(seat => !seat.busy))
  const isAtBusy = at(pool.filter(seat => seat.busy))
  return take(queue, queue.findLast(isAtIdle) ?? soonestOf(queue.filter(job => !isAtBusy(job))))
}

function take(queue: Job[], job: Job | undefined): Job | undefined {
  if (job) queue.splice(queue.indexOf(job), 1)
  return job
}

/** Of jobs alike the newest. */
const soonestOf = (queue: readonly Job[]): Job | undefined =>
  queue.reduce<Job | undefined>((best, job) => (best && best.dueS < job.dueS ? best : job), undefined)
