import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { Wanted } from '#formats/quick/wanted.ts'
import type { State } from '#journal/state.ts'
import type { Draft } from '#records/act.ts'
import { whereaboutsOf } from './kit-drafts.ts'

/** Things already there that a sentence may mean: they are offered before new ones. */
export interface Owned {
  readonly kind: 'spool' | 'charge'
  readonly ids: readonly string[]
  readonly names: readonly string[]
  /** Of that many alike. */
  readonly of: number
}

/** How far apart two weights of the same packet may be. */
const SAME_SHARE = 0.05

/**
 * What lies outside the boxes and fits what is to go into one; null where nothing does, or not enough of it.
 * @param told fields that were said: a colour nobody named rules nothing out
 */
export function ownedFor(state: State, wanted: Wanted, told: ReadonlySet<string>): Owned | null {
  if (wanted.kind === 'spool' && wanted.place.startsWith('box:')) {
    const found = [...state.spools.values()].filter(
      spool =>
        spool.where.at !== 'box' &&
        spool.where.at !== 'used up' &&
        spool.material === wanted.material &&
        (!told.has('colour') || spool.colour === wanted.colour),
    )
    return take(
      'spool',
      found.map(({ spoolId, name }) => ({ id: spoolId, name })),
      wanted.count,
    )
  }
  if (wanted.kind === 'charge' && wanted.place.startsWith('box:')) {
    const isSilica = DESICCANTS[wanted.desiccant].gel !== undefined
    const free = [...state.charges.values()].filter(
      charge =>
        charge.boxId === null &&
        charge.retiredMs === null &&
        (wanted.desiccant === 'silica-unknown' && isSilica
          ? DESICCANTS[charge.desiccant].gel !== undefined
          : charge.desiccant === wanted.desiccant),
    )
    const near = (grams: number) =>
      free.filter(charge => Math.abs(charge.dryMassG - grams) <= SAME_SHARE * grams)
    const whole = near(wanted.pieces * wanted.gramsEach)
    const found = whole.length >= wanted.count ? whole : near(wanted.gramsEach)
    const number = whole.length >= wanted.count ? wanted.count : wanted.pieces * wanted.count
    return take(
      'charge',
      found.map(({ chargeId, name }) => ({ id: chargeId, name })),
      number,
    )
  }
  return null
}

const take = (
  kind: Owned['kind'],
  found: readonly { readonly id: string; readonly name: string }[],
  number: number,
): Owned | null =>
  found.length === 0 || found.length < number
    ? null
    : {
        kind,
        ids: found.slice(0, number).map(({ id }) => id),
        names: found.slice(0, number).map(({ name }) => name),
        of: found.length,
      }

/** They go where the sentence says. */
export function ownedDrafts({ kind, ids }: Owned, wanted: Wanted, nowMs: number): Draft[] {
  if (!('place' in wanted)) return []
  const where = whereaboutsOf(wanted.place)
  return ids.map((id): Draft =>
    kind === 'spool'
      ? { kind: 'spool.moved', atMs: nowMs, payload: { spoolId: id, where } }
      : {
          kind: 'charge.moved',
          atMs: nowMs,
          payload: { chargeId: id, boxId: where.at === 'box' ? where.boxId : null },
        },
  )
}
