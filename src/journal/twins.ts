import type { Draft } from '#records/act.ts'
import type { Entry } from '#records/entry.ts'
import { rootOf, type Placed } from './in-force.ts'
import type { BoxRecord, State } from './state.ts'

/** Boxes of one name, the one set up first before the others: what bringing two devices together usually leaves. */
export type Twins = readonly [BoxRecord, ...BoxRecord[]]

const nameKey = (name: string): string => name.trim().toLowerCase()

/** Names that more than one box has, of those that are still there. */
export function twinsOf(state: State): Twins[] {
  const byName = new Map<string, BoxRecord[]>()
  for (const box of state.boxes.values())
    if (box.retiredMs === null) byName.set(nameKey(box.name), [...(byName.get(nameKey(box.name)) ?? []), box])
  return [...byName.values()]
    .filter(boxes => boxes.length > 1)
    .map(
      boxes => boxes.sort((a, b) => a.madeMs - b.madeMs || (a.boxId < b.boxId ? -1 : 1)) as unknown as Twins,
    )
}

/** A name no box has: "Box 1 (2)". */
export function freeName(name: string, state: State): string {
  const taken = new Set([...state.boxes.values()].map(box => nameKey(box.name)))
  const ending = (n: number) => ` (${n})`
  for (let n = 2; ; n++) {
    const free = `${name.slice(0, MOST_LETTERS - ending(n).length)}${ending(n)}`
    if (!taken.has(nameKey(free))) return free
  }
}
const MOST_LETTERS = 60

export interface Joining {
  readonly from: string
  readonly into: string
  /** Beads and spools of the one that goes: told twice, or others that lie in the box too. */
  readonly inside: 'told twice' | 'others'
  readonly atMs: number
}

/**
 * Two boxes that are one: what was read and done at the one goes to the other, by corrections that name both, so that one undo
 * makes two of it again. What lies in it is let go where it was told twice, and goes in too where it is not.
 */
export function joinDrafts(state: State, placed: readonly Placed[], joining: Joining): Draft[] {
  const { from, into, inside, atMs } = joining
  const charges = [...state.charges.values()].filter(charge => charge.boxId === from)
  const spools = [...state.spools.values()].filter(({ where }) => where.at === 'box' && where.boxId === from)
  const displays = [...state.instruments.values()].filter(one => one.boxId === from)
  const hasDisplay = [...state.instruments.values()].some(one => one.boxId === into)
  return [
    ...placed.flatMap(({ entry, atMs: happenedMs }) => goesOver(entry, happenedMs, from, into)),
    ...charges.map(({ chargeId }): Draft =>
      inside === 'told twice'
        ? { kind: 'charge.retired', atMs, payload: { chargeId } }
        : { kind: 'charge.moved', atMs, payload: { chargeId, boxId: into } },
    ),
    ...spools.map(({ spoolId }): Draft => ({
      kind: 'spool.moved',
      atMs,
      payload: { spoolId, where: inside === 'told twice' ? { at: 'used up' } : { at: 'box', boxId: into } },
    })),
    ...displays.map(({ instrumentId }, i): Draft =>
      i === 0 && !hasDisplay
        ? { kind: 'instrument.moved', atMs, payload: { instrumentId, boxId: into } }
        : { kind: 'instrument.retired', atMs, payload: { instrumentId } },
    ),
    { kind: 'box.retired', atMs, payload: { boxId: from } },
  ]
}

/** What was read and done at a box, as of the other. */
function goesOver(entry: Entry, atMs: number, from: string, into: string): Draft[] {
  const corrects = rootOf(entry)
  if (entry.kind === 'reading.taken') {
    const { place } = entry.payload
    return place.in === 'box' && place.boxId === from
      ? [
          {
            kind: entry.kind,
            atMs,
            corrects,
            payload: { ...entry.payload, place: { in: 'box', boxId: into } },
          },
        ]
      : []
  }
  if (entry.kind === 'box.opened' && entry.payload.boxId === from)
    return [{ kind: entry.kind, atMs, corrects, payload: { ...entry.payload, boxId: into } }]
  return []
}
