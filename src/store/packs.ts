import { readAct, type Act } from '#records/act.ts'
import { RECORDS_VERSION } from '#records/entry.ts'

/**
 * Acts of a closed month in one record, as they were written: a long journal opens by the month, not by the act. They
 * were checked when they were packed; a Veld that reads the same kinds and versions does not check them again.
 */
export interface Pack {
  readonly pack: 1
  readonly checkedFor: string
  readonly acts: readonly unknown[]
}

export const PACK_KEY = /^pack:/
export const packKey = (month: string, firstId: string): string => `pack:${month}:${firstId}`

export const isPack = (raw: unknown): raw is Pack =>
  typeof raw === 'object' &&
  raw !== null &&
  'pack' in raw &&
  raw.pack === 1 &&
  'acts' in raw &&
  Array.isArray(raw.acts)

/** What a pack holds was an act when it was put there; a record changed by hand since may hold anything. */
const looksLikeAct = (inner: unknown): boolean =>
  idInside(inner) !== null && 'entries' in (inner as object) && Array.isArray((inner as Act).entries)

/** The id of what a pack holds; null where it has none. */
export const idInside = (inner: unknown): string | null =>
  typeof inner === 'object' && inner !== null && 'id' in inner && typeof inner.id === 'string'
    ? inner.id
    : null

/** Acts of a pack; those of another version, or all where they are not trusted, are checked and brought up to date like any other. */
export function actsOf(pack: Pack, isCheckedAnew = false): { acts: Act[]; unreadable: unknown[] } {
  // every one was read and found to be in its newest version before it was packed
  if (pack.checkedFor === RECORDS_VERSION && !isCheckedAnew && pack.acts.every(looksLikeAct))
    return { acts: pack.acts as Act[], unreadable: [] }
  const acts: Act[] = []
  const unreadable: unknown[] = []
  for (const raw of pack.acts) {
    const read = readAct(raw)
    if (read.ok) acts.push(read.act)
    else unreadable.push(raw)
  }
  return { acts, unreadable }
}

export interface Loose {
  readonly key: string
  readonly raw: unknown
  readonly act: Act
}

/** Fewer loose acts than this are no burden. */
const FEWEST = 100

/**
 * Packs of the loose acts that were written before a month began, one a month.
 * @param beforeMonth year and month, as in 2027-02
 * @returns each pack with its key and the keys it stands for; none while there are few
 */
export function packsOf(
  loose: readonly Loose[],
  beforeMonth: string,
): { readonly key: string; readonly pack: Pack; readonly standsFor: readonly string[] }[] {
  const months = new Map<string, Loose[]>()
  for (const item of loose) {
    const month = item.act.writtenAt.slice(0, 7)
    // bringings and replacements are looked at by their keys: they stay apart
    if (month >= beforeMonth || item.act.brings || item.act.setsAside || !isNewest(item)) continue
    months.set(month, [...(months.get(month) ?? []), item])
  }
  const closed = [...months]
  if (closed.reduce((sum, [, items]) => sum + items.length, 0) < FEWEST) return []
  return closed.map(([month, items]) => ({
    key: packKey(month, items[0]!.act.id),
    pack: { pack: 1, checkedFor: RECORDS_VERSION, acts: items.map(item => item.raw) },
    standsFor: items.map(item => item.key),
  }))
}

/** Whether what is stored is what it reads as: an upgraded one keeps its bytes and is read anew. */
const isNewest = ({ raw, act }: Loose): boolean => JSON.stringify(raw) === JSON.stringify(act)
