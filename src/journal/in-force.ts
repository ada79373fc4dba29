import type { Act } from '#records/act.ts'
import type { Entry } from '#records/entry.ts'

/** An entry that stands, with the act it came by. */
export interface Placed {
  readonly entry: Entry
  readonly actId: string
  readonly writtenAt: string
  readonly order: number
  /** When it happened, by its own word; a correction may move it. */
  readonly atMs: number
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** In order of writing, whatever order they came in. */
export const inWritingOrder = (acts: readonly Act[]): Act[] =>
  [...acts].sort((a, b) => compare(a.writtenAt, b.writtenAt) || compare(a.id, b.id))

/**
 * Whether an act or an entry stands: no withdrawal of it stands. A withdrawal can be withdrawn; two that name each
 * other both stand.
 */
function standing(acts: readonly Act[]): (id: string) => boolean {
  const against = new Map<string, string[]>()
  for (const act of acts)
    if (act.withdraws !== undefined)
      against.set(act.withdraws, [...(against.get(act.withdraws) ?? []), act.id])
  if (against.size === 0) return () => true
  const known = new Map<string, boolean>()
  const stands = (id: string): boolean => {
    const before = known.get(id)
    if (before !== undefined) return before
    known.set(id, true)
    const result = !(against.get(id) ?? []).some(stands)
    known.set(id, result)
    return result
  }
  return stands
}

/**
 * The acts that are there at all: those kept here, what standing bringings carry, less what a replacement sets aside.
 * The bringings themselves are left out.
 */
export function presentActs(kept: readonly Act[]): Act[] {
  if (!kept.some(act => act.brings)) return [...kept]
  const stands = standing(kept)
  const aside = new Set<string>()
  const byId = new Map<string, Act>()
  const carriers: Act[] = []
  // the latest first: what it sets aside may itself have brought something
  for (const act of inWritingOrder(kept).reverse())
    if (act.brings && stands(act.id) && !aside.has(act.id)) {
      carriers.push(act)
      act.setsAside?.forEach(id => aside.add(id))
    }
  for (const act of kept) if (!act.brings && !aside.has(act.id)) byId.set(act.id, act)
  for (const carrier of carriers) for (const act of carrier.brings!) byId.set(act.id, act)
  return [...byId.values()]
}

/** Present acts that nobody took back, in order of writing. */
export function standingActs(kept: readonly Act[]): Act[] {
  const acts = presentActs(kept)
  const stands = standing(acts)
  return inWritingOrder(acts.filter(act => stands(act.id)))
}

/** Entries that stand, corrections in place of what they correct, in order of when they happened. */
export function inForce(kept: readonly Act[]): Placed[] {
  const acts = presentActs(kept)
  const stands = standing(acts)
  const all: Placed[] = inWritingOrder(acts.filter(act => stands(act.id))).flatMap(act =>
    act.entries.map((entry, order) => ({
      entry,
      actId: act.id,
      writtenAt: act.writtenAt,
      order,
      atMs: Date.parse(entry.at),
    })),
  )
  // the latest written correction wins: it is written last into the map
  const corrected = new Map<string, string>()
  for (const { entry } of all) if (entry.corrects !== undefined) corrected.set(entry.corrects, entry.id)
  return all
    .filter(
      ({ entry }) =>
        !corrected.has(entry.id) &&
        (entry.corrects === undefined || corrected.get(entry.corrects) === entry.id) &&
        stands(entry.id) &&
        stands(rootOf(entry)),
    )
    .sort(
      (a, b) =>
        a.atMs - b.atMs ||
        compare(a.writtenAt, b.writtenAt) ||
        // of acts written in one moment one comes whole after the other
        compare(a.actId, b.actId) ||
        a.order - b.order ||
        compare(a.entry.id, b.entry.id),
    )
}

/** The entry as first written, which every correction of it names. */
export const rootOf = (entry: Entry): string => entry.corrects ?? entry.id
