import { greatest } from '#units/extremes.ts'
import { readAct, type Act, type Maker } from '#records/act.ts'
import type { EntryKind } from '#records/entry.ts'
import { fold } from './fold.ts'
import { changesOfMine, type ChangeOfMine } from './changes-of-mine.ts'
import { presentActs } from './in-force.ts'
import type { State } from './state.ts'
import { twinsOf } from './twins.ts'

/**
 * Two sets of acts as one: a union by id. Commutative, associative, idempotent as long as one id is one act, which
 * `preview` makes sure of before anything is brought in.
 */
export function union(a: readonly Act[], b: readonly Act[]): Act[] {
  const byId = new Map<string, Act>()
  for (const act of [...presentActs(a), ...presentActs(b)]) if (!byId.has(act.id)) byId.set(act.id, act)
  return [...byId.values()].sort((x, y) => (x.id < y.id ? -1 : x.id > y.id ? 1 : 0))
}

export interface Preview {
  readonly newActs: readonly Act[]
  readonly known: number
  /** Entries of each kind that are new. */
  readonly counts: ReadonlyMap<EntryKind, number>
  /** Acts that only take something back. */
  readonly withdrawals: number
  /** What would be, all brought in. */
  readonly after: State
  /** What they would change of what stands here. */
  readonly ofMine: readonly ChangeOfMine[]
  /** Names that would be of two boxes, which they are not here yet. */
  readonly twins: readonly string[]
  /** Contradictions there would be afterwards, above those there are. */
  readonly contradictions: number
  /** Acts dated more than a day ahead of this device's clock. */
  readonly ahead: readonly Act[]
  /** One id, two contents: somebody changed one of them. */
  readonly differing: readonly string[]
  /** Made for the demonstration. */
  readonly demo: readonly string[]
}

const DAY_MS = 86_400_000
export const isDemoAct = (act: Pick<Act, 'id'>): boolean => act.id.startsWith('demo-')

/** What bringing these acts in would do; nothing is done. */
export function preview(kept: readonly Act[], brought: readonly Act[], nowMs: number): Preview {
  const present = new Map(presentActs(kept).map(act => [act.id, act]))
  const newActs = brought.filter(act => !present.has(act.id))
  const counts = new Map<EntryKind, number>()
  for (const act of newActs) for (const { kind } of act.entries) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  const [before, after] = [fold(kept), fold([...present.values(), ...newActs])]
  const names = (state: State) => twinsOf(state).map(([first]) => first.name)
  const latest = (act: Act) =>
    Math.max(greatest(act.entries.map(entry => Date.parse(entry.at))), Date.parse(act.writtenAt))
  return {
    newActs,
    known: brought.length - newActs.length,
    counts,
    withdrawals: newActs.filter(act => act.withdraws !== undefined && act.entries.length === 0).length,
    after,
    ofMine: changesOfMine(kept, before, newActs),
    twins: names(after).filter(name => !names(before).includes(name)),
    contradictions: after.contradictions.length - before.contradictions.length,
    ahead: newActs.filter(act => latest(act) > nowMs + DAY_MS),
    differing: brought
      .filter(act => present.has(act.id) && !isSame(present.get(act.id)!, act))
      .map(act => act.id),
    demo: brought.filter(isDemoAct).map(act => act.id),
  }
}

/** The same content, whatever order its fields stand in. */
function isSame(a: Act, b: Act): boolean {
  const inOrder = (act: Act) => {
    const read = readAct(act)
    return JSON.stringify(read.ok ? read.act : act)
  }
  return JSON.stringify(a) === JSON.stringify(b) || inOrder(a) === inOrder(b)
}

/** The one act that brings others in: one write, one undo. */
export const makeBringing = (maker: Maker, what: string, acts: readonly Act[]): Act => ({
  id: maker.newId(),
  format: 2,
  writtenAt: new Date(maker.nowMs()).toISOString(),
  what: what.slice(0, 200),
  entries: [],
  brings: acts,
})

/** The same where these stand in for all that is kept here now. What is set aside stays until it is swept. */
export const makeReplacement = (
  maker: Maker,
  what: string,
  acts: readonly Act[],
  kept: readonly Act[],
): Act => ({ ...makeBringing(maker, what, acts), setsAside: kept.map(act => act.id) })

/** A state set aside can be had back for this long. */
export const KEPT_ASIDE_MS = 30 * DAY_MS

/** Ids a standing replacement set aside long enough ago to be swept. */
export function sweepable(kept: readonly Act[], nowMs: number): string[] {
  const withdrawn = new Set(kept.flatMap(act => (act.withdraws === undefined ? [] : [act.withdraws])))
  const here = new Set(kept.map(act => act.id))
  return kept
    .filter(
      act =>
        act.setsAside !== undefined &&
        !withdrawn.has(act.id) &&
        Date.parse(act.writtenAt) + KEPT_ASIDE_MS < nowMs,
    )
    .flatMap(act => act.setsAside!)
    .filter(id => here.has(id))
}
