import type { Act } from '#records/act.ts'
import type { Entry } from '#records/entry.ts'
import { inForce, presentActs, rootOf } from './in-force.ts'
import type { State } from './state.ts'

/** What acts from elsewhere would change of what stands here. */
export interface ChangeOfMine {
  readonly how: 'taken back' | 'put otherwise' | 'changed'
  /** As it stands here; null where something new is said of a thing of mine. */
  readonly was: Entry | null
  /** As it would stand; null where nothing would. */
  readonly now: Entry | null
}

/** Kinds that say a thing is otherwise from then on; the others only add what happened. */
const SAYS_OTHERWISE = /\.(?:changed|moved|retired|replaced|sealed|overridden|kept|told|wished)$/

/**
 * What would no longer stand, or stand otherwise, of what is here, and what new acts say anew of things that are here; in
 * order of when it happened. What they only add is left out.
 * @param state what is kept, folded
 */
export function changesOfMine(kept: readonly Act[], state: State, newActs: readonly Act[]): ChangeOfMine[] {
  const before = inForce(kept)
  const after = inForce([...presentActs(kept), ...newActs])
  const stillThere = new Set(after.map(({ entry }) => entry.id))
  const here = new Set(before.map(({ entry }) => entry.id))
  const insteadOf = new Map(
    after.flatMap(({ entry }) =>
      entry.corrects !== undefined && !here.has(entry.id) ? [[rootOf(entry), entry] as const] : [],
    ),
  )
  const mine = idsOf(state)
  const changes = before.flatMap(({ entry, atMs }): (ChangeOfMine & { readonly atMs: number })[] => {
    if (stillThere.has(entry.id)) return []
    const now = insteadOf.get(rootOf(entry)) ?? null
    return [{ atMs, how: now === null ? 'taken back' : 'put otherwise', was: entry, now }]
  })
  const put = new Set(changes.flatMap(({ now }) => (now === null ? [] : [now.id])))
  for (const { entry, atMs } of after)
    if (
      !here.has(entry.id) &&
      !put.has(entry.id) &&
      SAYS_OTHERWISE.test(entry.kind) &&
      namesMine(entry, mine)
    )
      changes.push({ atMs, how: 'changed', was: null, now: entry })
  return changes.sort((a, b) => a.atMs - b.atMs).map(({ how, was, now }) => ({ how, was, now }))
}

/** Every thing that is here, whatever kind it is of. */
function idsOf(state: State): ReadonlySet<string> {
  return new Set(
    [
      state.boxes,
      state.rooms,
      state.charges,
      state.spools,
      state.instruments,
      state.scales,
      state.heatSources,
      state.plans,
    ].flatMap(things => [...things.keys()]),
  )
}

/** A value of one's own, a wish for a day: of everything here, whoever's id it has. */
const OF_ALL = /^(?:value|school|ovenDays)\./
const namesMine = (entry: Entry, mine: ReadonlySet<string>): boolean =>
  OF_ALL.test(entry.kind) ||
  Object.values(entry.payload).some(value => typeof value === 'string' && mine.has(value))
