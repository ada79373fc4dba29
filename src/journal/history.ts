import type { Act } from '#records/act.ts'
import type { Entry } from '#records/entry.ts'
import { inWritingOrder, presentActs, rootOf, standingActs } from './in-force.ts'

/** One wording of an entry: as first written, or as put right. */
export interface Wording {
  readonly entry: Entry
  readonly actId: string
  readonly writtenAt: string
  /** Taken back since. */
  readonly withdrawn: boolean
}

/** Everything an entry ever said, in order of writing: the first wording and every correction of it. */
export function wordingsOf(kept: readonly Act[], rootId: string): Wording[] {
  const standing = new Set(standingActs(kept).map(act => act.id))
  return inWritingOrder(presentActs(kept)).flatMap(act =>
    act.entries
      .filter(entry => rootOf(entry) === rootId)
      .map(entry => ({
        entry,
        actId: act.id,
        writtenAt: act.writtenAt,
        withdrawn: !standing.has(act.id),
      })),
  )
}

/** How many times each entry was put right; those never put right are left out. */
export function timesPutRight(kept: readonly Act[]): Map<string, number> {
  const counts = new Map<string, number>()
  for (const act of standingActs(kept))
    for (const { corrects } of act.entries)
      if (corrects !== undefined) counts.set(corrects, (counts.get(corrects) ?? 0) + 1)
  return counts
}

/** What was taken back and could be brought again: an act or a single entry, with the withdrawal that did it. */
export interface TakenBack {
  readonly what: string
  readonly withdrawal: Act
}

export function takenBack(kept: readonly Act[]): TakenBack[] {
  const acts = presentActs(kept)
  const byId = new Map(acts.map(act => [act.id, act]))
  return standingActs(kept)
    .filter(act => act.withdraws !== undefined && act.entries.length === 0)
    .map(withdrawal => {
      const act = byId.get(withdrawal.withdraws!)
      return { what: act?.what ?? withdrawal.what.replace(/^Took back: /, ''), withdrawal, act }
    })
    .filter(({ act }) => act === undefined || act.withdraws === undefined)
    .map(({ what, withdrawal }) => ({ what, withdrawal }))
    .reverse()
}
