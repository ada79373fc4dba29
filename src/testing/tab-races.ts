import type { RandomSource } from '#core/estimate/random.ts'
import { fold } from '#journal/fold.ts'
import { inForce, isTakenBack } from '#journal/in-force.ts'
import { undoSteps } from '#journal/undo.ts'
import { makeAct, makeWithdrawal, type Act, type Maker } from '#records/act.ts'
import { keepAct, type Page } from '#session/keep-act.ts'

export interface Race {
  /** Acts that a tab was told are kept, and are not there. */
  readonly lost: number
  /** Things that are taken back more than once. */
  readonly doubled: number
  /** Tabs that show another state than the store holds, once each has heard all. */
  readonly apart: number
  readonly told: number
}

/**
 * Two tabs on one store, each doing what it likes without waiting for the other; each hears the other late, or never.
 * @param acts what is there before
 */
export async function tabRace(acts: readonly Act[], random: RandomSource, doings = 12): Promise<Race> {
  const store = new Map(acts.map(act => [act.id, act]))
  const pause = () => new Promise<void>(resolve => setTimeout(resolve, random.uniform() * 2))
  let last: Promise<unknown> = Promise.resolve()
  const alone = <T>(work: () => Promise<T>): Promise<T> => {
    const next = last.then(work, work)
    last = next.catch(() => {})
    return next
  }
  const tabs = [openTab(), openTab()]
  let ids = 0
  const maker: Maker = {
    // two clocks that differ by a little
    nowMs: () => Date.UTC(2026, 0, 1) + ids * 7 + random.uniform() * 50,
    zone: 'UTC',
    newId: () => `race${String(++ids).padStart(4, '0')}`,
  }
  const answered: string[] = []
  let told = 0

  function openTab() {
    const kept = [...acts]
    const hear = (act: Act) => {
      if (!kept.some(one => one.id === act.id)) kept.push(act)
    }
    const page: Page = {
      kept: () => kept,
      hear,
      alone,
      store: {
        name: 'demo',
        append: async act => {
          await pause()
          store.set(act.id, act)
          await pause()
          for (const tab of tabs)
            if (tab.page !== page && random.uniform() < 0.7) void pause().then(() => tab.hear(act))
        },
        looseIds: async () => {
          await pause()
          return [...store.keys()]
        },
        readOne: async id => {
          await pause()
          return store.get(id) ?? null
        },
        count: async () => store.size,
      },
    }
    return { page, hear, kept }
  }

  const doOne = async ({ page, kept }: (typeof tabs)[number]): Promise<void> => {
    await pause()
    const { undo, redo } = undoSteps(kept)
    const what = random.uniform()
    const act =
      what < 0.4 && undo
        ? makeWithdrawal(maker, undo)
        : what < 0.6 && redo
          ? makeWithdrawal(maker, redo.withdrawal)
          : what < 0.75
            ? corrected(kept)
            : makeAct(maker, 'opened', [{ kind: 'box.opened', payload: { boxId: 'cox', openSeconds: 30 } }])
    try {
      await keepAct(page, act)
      answered.push(act.id)
    } catch {
      told += 1
    }
  }
  const corrected = (kept: readonly Act[]): Act => {
    const placed = inForce(kept)
    const { entry } = placed[Math.floor(random.uniform() * placed.length)]!
    return makeAct(maker, 'put right', [
      {
        kind: 'box.opened',
        payload: { boxId: 'cox', openSeconds: 20 },
        corrects: entry.corrects ?? entry.id,
      },
    ])
  }
  await Promise.all(
    tabs.map(async tab => {
      for (let i = 0; i < doings; i++) await doOne(tab)
    }),
  )
  const all = [...store.values()]
  for (const tab of tabs) all.forEach(act => tab.hear(act))
  const states = tabs.map(tab => said(tab.kept))
  const standing = new Map<string, number>()
  for (const { withdraws, id, entries } of all)
    if (withdraws !== undefined && entries.length === 0 && !isTakenBack(all, id))
      standing.set(withdraws, (standing.get(withdraws) ?? 0) + 1)
  return {
    lost: answered.filter(id => !store.has(id)).length,
    doubled: [...standing.values()].filter(times => times > 1).length,
    apart: states.filter(state => state !== said(all)).length,
    told,
  }
}

const said = (acts: readonly Act[]): string =>
  JSON.stringify([inForce(acts).map(({ entry }) => entry.id), fold(acts).readings.length])
