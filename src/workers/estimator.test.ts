import { afterEach, expect, test } from '@jest/globals'
import { expose } from 'comlink'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { EstimatorCalls } from './protocol.ts'
import { startEstimator } from './estimator.ts'

/** How long fresh beads hold, and grams, are told apart from the report of the same facts by these. */
const FRESH = 1000
const GRAMS = 2000

/** Stands in for a worker: the calls answer over a message channel, when the test lets them. */
class ChannelWorker {
  static made: ChannelWorker[] = []
  ended = false
  stops = 0
  canStop = true
  readonly started: number[] = []
  private readonly release = new Map<number, () => void>()
  private readonly far: MessagePort
  private readonly near: MessagePort
  private readonly onError = new Set<() => void>()

  constructor() {
    const { port1, port2 } = new MessageChannel()
    this.near = port1
    this.far = port2
    const calls: {
      [K in keyof EstimatorCalls]: (
        ...args: Parameters<EstimatorCalls[K]>
      ) => Promise<Awaited<ReturnType<EstimatorCalls[K]>>>
    } = {
      report: async ({ nowS: seed }) => {
        this.started.push(seed)
        if (seed < 0) throw new Error('bad facts')
        await new Promise<void>(resolve => this.release.set(seed, resolve))
        return { draws: seed } as unknown as BoxReport
      },
      grams: async ({ nowS }) => {
        this.started.push(GRAMS + nowS)
        await new Promise<void>(resolve => this.release.set(GRAMS + nowS, resolve))
        return []
      },
      stop: async () => {
        this.stops++
        if (this.canStop) this.finish(this.started.at(-1)!)
      },
      spool: async () => null,
      print: async () => null,
      dry: async () => null,
      run: async () => null,
      candidates: () => Promise.resolve([]),
      firstDay: async () => ({}) as never,
      fresh: async ({ nowS }) => {
        this.started.push(FRESH + nowS)
        await new Promise<void>(resolve => this.release.set(FRESH + nowS, resolve))
        return null
      },
      check: async () => [],
    }
    expose(calls, this.far)
    ChannelWorker.made.push(this)
  }
  finish(seed: number): void {
    this.release.get(seed)?.()
  }
  break(): void {
    for (const listener of this.onError) listener()
  }
  get listening(): number {
    return this.onError.size
  }
  postMessage(message: unknown, transfer: Transferable[]): void {
    this.near.postMessage(message, transfer)
  }
  addEventListener(type: string, listener: EventListener): void {
    if (type === 'error') this.onError.add(listener as unknown as () => void)
    else {
      this.near.addEventListener(type, listener)
      this.near.start()
    }
  }
  removeEventListener(type: string, listener: EventListener): void {
    if (type === 'error') this.onError.delete(listener as unknown as () => void)
    this.near.removeEventListener(type, listener)
  }
  terminate(): void {
    this.ended = true
    this.near.close()
    this.far.close()
  }
}

/** Facts told apart by their time. */
const facts = (nowS: number) => ({ nowS }) as BoxFacts
const start = (seats: number) => {
  ChannelWorker.made = []
  return startEstimator(seats, () => new ChannelWorker() as unknown as Worker)
}
const until = async (done: () => boolean) => {
  for (let i = 0; i < 200 && !done(); i++) await new Promise(resolve => setTimeout(resolve, 5))
  expect(done()).toBe(true)
}
afterEach(() => ChannelWorker.made.forEach(worker => !worker.ended && worker.terminate()))

test('answers come back, and no worker is started before the first question', async () => {
  const estimator = start(2)
  expect(ChannelWorker.made).toHaveLength(0)
  const answer = estimator.report(facts(7))
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  ChannelWorker.made[0]!.finish(7)
  expect((await answer).draws).toBe(7)
})

test('as many at once as there are seats; the newest waiting goes first', async () => {
  const estimator = start(1)
  const all = [1, 2, 3].map(seed => estimator.report(facts(seed)))
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  const [worker] = ChannelWorker.made
  worker!.finish(1)
  await until(() => worker!.started.length === 2)
  expect(worker!.started).toEqual([1, 3])
  worker!.finish(3)
  await until(() => worker!.started.length === 3)
  worker!.finish(2)
  expect((await Promise.all(all)).map(report => report.draws)).toEqual([1, 2, 3])
  expect(ChannelWorker.made).toHaveLength(1)
})

test('due soonest goes first, whatever came last; without a day at once', async () => {
  const estimator = start(1)
  const days = [1, 40, 20, 30]
  const all = days.map(day => estimator.report(facts(day), undefined, day))
  const urgent = estimator.report(facts(5), undefined)
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  for (const next of [5, 20, 30, 40]) {
    ChannelWorker.made[0]!.finish(ChannelWorker.made[0]!.started.at(-1)!)
    await until(() => ChannelWorker.made[0]!.started.at(-1) === next)
  }
  ChannelWorker.made[0]!.finish(40)
  await Promise.all([...all, urgent])
  expect(ChannelWorker.made[0]!.started).toEqual([1, 5, 20, 30, 40])
})

test('a worker that has a box’s draws at hand is asked the rest about it, and no other one throws them again', async () => {
  const estimator = start(2)
  const boxes = [1, 2, 3, 4].map(facts)
  const all = [
    ...boxes.map(box => estimator.report(box)),
    ...boxes.map(box => estimator.fresh(box, undefined, box.nowS)),
  ]
  const order: number[][] = [[], []]
  await until(
    () => ChannelWorker.made.length === 2 && ChannelWorker.made.every(one => one.started.length === 1),
  )
  for (let done = 0; done < all.length; done++) {
    const at = done % 2
    const worker = ChannelWorker.made[at]!
    const running = worker.started.at(-1)!
    order[at]!.push(running)
    worker.finish(running)
    if (done < all.length - 2) await until(() => worker.started.length === order[at]!.length + 1)
  }
  await Promise.all(all)
  expect(order).toEqual([
    [1, FRESH + 1, 4, FRESH + 4],
    [2, FRESH + 2, 3, FRESH + 3],
  ])
})

test('what a busy worker has at hand is left to it, even by one with nothing else to do', async () => {
  const estimator = start(2)
  const box = facts(4)
  const all = [estimator.report(box), estimator.fresh(box)]
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  await new Promise(resolve => setTimeout(resolve, 20))
  expect(ChannelWorker.made).toHaveLength(1)
  ChannelWorker.made[0]!.finish(4)
  await until(() => ChannelWorker.made[0]!.started.length === 2)
  ChannelWorker.made[0]!.finish(FRESH + 4)
  await Promise.all(all)
  expect(ChannelWorker.made).toHaveLength(1)
})

test('what a person looks at goes before what is at hand', async () => {
  const estimator = start(1)
  const [looked, other] = [facts(7), facts(8)]
  const all = [estimator.report(other), estimator.fresh(other), estimator.report(looked, undefined, -1)]
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  for (const next of [7, FRESH + 8]) {
    ChannelWorker.made[0]!.finish(ChannelWorker.made[0]!.started.at(-1)!)
    await until(() => ChannelWorker.made[0]!.started.at(-1) === next)
  }
  ChannelWorker.made[0]!.finish(FRESH + 8)
  await Promise.all(all)
  expect(ChannelWorker.made[0]!.started).toEqual([8, 7, FRESH + 8])
})

test('giving up a running question ends its worker, and the next one gets a new one', async () => {
  const estimator = start(1)
  const leaving = new AbortController()
  const given = estimator.report(facts(1), leaving.signal)
  const next = estimator.report(facts(2))
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  leaving.abort()
  await expect(given).rejects.toThrow('Given up')
  expect(ChannelWorker.made[0]!.ended).toBe(true)
  await until(() => ChannelWorker.made[1]?.started.length === 1)
  ChannelWorker.made[1]!.finish(2)
  expect((await next).draws).toBe(2)
})

/** Grams being sized by the only worker, and a report that waits for it. */
async function gramsAndReport() {
  const estimator = start(1)
  const leaving = new AbortController()
  const given = estimator.grams(facts(1), [8], leaving.signal)
  const next = estimator.report(facts(2))
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  return { leaving, given, next }
}

test('given up, grams are stopped, and their worker is kept', async () => {
  const { leaving, given, next } = await gramsAndReport()
  leaving.abort()
  await expect(given).rejects.toThrow('Given up')
  const [worker] = ChannelWorker.made
  await until(() => worker!.started.length === 2)
  expect(worker!.stops).toBe(1)
  worker!.finish(2)
  await next
  expect(worker!.ended).toBe(false)
  expect(ChannelWorker.made).toHaveLength(1)
})

test('grams that do not stop are ended with their worker, as anything is', async () => {
  const { leaving, given, next } = await gramsAndReport()
  ChannelWorker.made[0]!.canStop = false
  leaving.abort()
  await expect(given).rejects.toThrow('Given up')
  for (let i = 0; i < 100 && ChannelWorker.made.length < 2; i++)
    await new Promise(resolve => setTimeout(resolve, 50))
  expect(ChannelWorker.made[0]!.ended).toBe(true)
  await until(() => ChannelWorker.made[1]?.started.length === 1)
  ChannelWorker.made[1]!.finish(2)
  await next
})

test('giving up a waiting question costs nothing', async () => {
  const estimator = start(1)
  const running = estimator.report(facts(1))
  const leaving = new AbortController()
  const waiting = estimator.report(facts(2), leaving.signal)
  leaving.abort()
  await expect(waiting).rejects.toThrow('Given up')
  await until(() => ChannelWorker.made[0]?.started.length === 1)
  ChannelWorker.made[0]!.finish(1)
  await running
  expect(ChannelWorker.made[0]!.started).toEqual([1])
  expect(ChannelWorker.made[0]!.ended).toBe(false)
})

test('an error in the core comes back as an error; a worker that breaks fails its question with a sentence', async () => {
  const estimator = start(1)
  await expect(estimator.report(facts(-1))).rejects.toThrow('bad facts')
  const answer = estimator.report(facts(5))
  await until(() => ChannelWorker.made[0]!.started.length === 2)
  ChannelWorker.made[0]!.break()
  await expect(answer).rejects.toThrow('The reckoning broke off.')
  expect(ChannelWorker.made[0]!.ended).toBe(true)
})

test('a worker that answers many questions listens for one break only', async () => {
  const estimator = start(1)
  for (const seed of [1, 2, 3, 4]) {
    const answer = estimator.report(facts(seed))
    await until(() => ChannelWorker.made[0]?.started.at(-1) === seed)
    expect(ChannelWorker.made[0]!.listening).toBe(1)
    ChannelWorker.made[0]!.finish(seed)
    await answer
  }
  expect(ChannelWorker.made[0]!.listening).toBe(0)
})
