import { releaseProxy, wrap, type Remote } from 'comlink'
import type { Estimator, EstimatorCalls } from './protocol.ts'

interface Seat {
  worker: Worker
  remote: Remote<EstimatorCalls>
  busy: boolean
}
interface Job {
  readonly run: (remote: Remote<EstimatorCalls>) => Promise<unknown>
  readonly resolve: (value: unknown) => void
  readonly reject: (reason: unknown) => void
  readonly signal: AbortSignal | undefined
  readonly dueS: number
}

/** One job may take this long; then its worker is ended and the job fails with a sentence. */
const JOB_LIMIT_MS = 120_000

const estimateWorker = (): Worker =>
  new Worker(new URL('./estimate.worker.ts', import.meta.url), { type: 'module' })

/**
 * A pool of workers, the only place that knows the worker library. A job given up while it runs ends its worker;
 * a worker that dies fails its job. Due soonest first; of jobs alike the newest: what is on screen now matters more
 * than what was.
 */
export function startEstimator(seats: number, makeWorker: () => Worker = estimateWorker): Estimator {
  const pool: Seat[] = []
  const queue: Job[] = []
  const start = (): Seat => {
    const worker = makeWorker()
    return { worker, remote: wrap<EstimatorCalls>(worker), busy: false }
  }
  const retire = (seat: Seat): void => {
    seat.remote[releaseProxy]()
    seat.worker.terminate()
    pool.splice(pool.indexOf(seat), 1)
  }
  const next = (): void => {
    const idle = pool.find(seat => !seat.busy) ?? (pool.length < seats ? undefined : null)
    if (idle === null) return
    const job = takeSoonest(queue)
    if (!job) return
    const seat = idle ?? start()
    if (!idle) pool.push(seat)
    seat.busy = true
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
    const giveUp = () => settle(() => job.reject(new DOMException('Given up.', 'AbortError')), false)
    const limit = setTimeout(
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
  const ask = <T>(
    run: (remote: Remote<EstimatorCalls>) => Promise<T>,
    signal?: AbortSignal,
    dueS = 0,
  ): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      if (signal?.aborted) return reject(new DOMException('Given up.', 'AbortError'))
      const job: Job = { run, resolve: resolve as (value: unknown) => void, reject, signal, dueS }
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
    report: (facts, signal, dueS) => ask(remote => remote.report(facts), signal, dueS),
    grams: (facts, weeks, signal) => ask(remote => remote.grams(facts, weeks), signal),
    spool: (asked, signal, dueS) => ask(remote => remote.spool(asked), signal, dueS),
    print: (asked, signal) => ask(remote => remote.print(asked), signal),
    dry: (asked, signal) => ask(remote => remote.dry(asked), signal),
    run: (asked, signal) => ask(remote => remote.run(asked), signal),
    firstDay: (facts, signal) => ask(remote => remote.firstDay(facts), signal),
    fresh: (facts, signal, dueS) => ask(remote => remote.fresh(facts), signal, dueS),
    check: (checks, signal) => ask(remote => remote.check(checks), signal),
    candidates: (candidates, wish, signal) => ask(remote => remote.candidates(candidates, wish), signal),
  }
}

function takeSoonest(queue: Job[]): Job | undefined {
  let soonest = queue.length - 1
  for (let i = soonest - 1; i >= 0; i--) if (queue[i]!.dueS < queue[soonest]!.dueS) soonest = i
  return queue.splice(soonest, 1)[0]
}
