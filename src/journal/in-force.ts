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
 * Whether an act or an entry stands: no withdrawal of it stands. A withdrawal can be withdrawn; those that name each other in
 * a ring all stand, whichever was written first. From what nobody takes back onwards, so that no chain is too long.
 */
function standing(acts: readonly Act[]): (id: string) => boolean {
  const { against, falls } = settledWithdrawals(acts)
  return against.size === 0 ? () => true : id => !falls.has(id)
}

/** What takes what back, and what falls by it; each act takes back one thing, so that what is left over lies in rings. */
function settledWithdrawals(acts: readonly Act[]) {
  const against = new Map<string, string[]>()
  const withdrawn = new Map<string, string>()
  for (const act of acts)
    if (act.withdraws !== undefined) {
      const others = against.get(act.withdraws)
      if (others) others.push(act.id)
      else against.set(act.withdraws, [act.id])
      withdrawn.set(act.id, act.withdraws)
    }
  const left = new Map([...against].map(([id, by]) => [id, by.length]))
  const falls = new Set<string>()
  const stands = acts.filter(act => !against.has(act.id)).map(act => act.id)
  // a withdrawal that stands fells what it names; one that fell takes its word off it
  for (let at = 0; at < stands.length; at++) {
    const felled = withdrawn.get(stands[at]!)
    if (felled === undefined || falls.has(felled)) continue
    falls.add(felled)
    const freed = withdrawn.get(felled)
    if (freed === undefined || falls.has(freed)) continue
    const still = left.get(freed)! - 1
    left.set(freed, still)
    if (still === 0) stands.push(freed)
  }
  return { against, falls }
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

/** Whether an act, or an entry, is taken back as things stand. */
export function isTakenBack(kept: readonly Act[], id: string): boolean {
  return !standing(kept)(id) || !standing(presentActs(kept))(id)
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
  const ringed = new Set(correctionRings(all))
  // the latest written correction wins: it is written last into the map
  const corrected = new Map<string, string>()
  const corrects = ({ id, corrects: named }: Entry) => (ringed.has(id) ? undefined : named)
  for (const { entry } of all) {
    const named = corrects(entry)
    if (named !== undefined) corrected.set(named, entry.id)
  }
  return all
    .filter(({ entry }) => {
      const named = corrects(entry)
      return (
        !corrected.has(entry.id) &&
        (named === undefined || corrected.get(named) === entry.id) &&
        stands(entry.id) &&
        stands(named ?? entry.id)
      )
    })
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

/** Entries that correct each other in a ring, or themselves: none of them can be the later one, so each stands as itself. */
export function correctionRings(all: readonly Placed[]): string[] {
  const named = new Map(
    all.flatMap(({ entry }) => (entry.corrects === undefined ? [] : [[entry.id, entry.corrects]])),
  )
  const seen = new Map<string, number>()
  const rings: string[] = []
  let walk = 0
  for (const from of named.keys()) {
    walk += 1
    let id: string | undefined = from
    while (id !== undefined && !seen.has(id)) {
      seen.set(id, walk)
      id = named.get(id)
    }
    // only what this walk itself met lies in a ring with it
    if (id === undefined || seen.get(id) !== walk) continue
    const first = id
    do {
      rings.push(id)
      id = named.get(id)!
    } while (id !== first)
  }
  return rings
}

/** The entry as first written, which every correction of it names. */
export const rootOf = (entry: Entry): string => entry.corrects ?? entry.id
