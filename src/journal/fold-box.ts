import type { Entry } from '#records/entry.ts'
import type { Building, Problem } from './building.ts'
import type { Placed } from './in-force.ts'
import type { BoxRecord } from './state.ts'

type BoxEntry = Extract<
  Entry,
  {
    kind: 'box.changed' | 'box.sealed' | 'box.unread' | 'box.sealTestBegun' | 'box.sealTested' | 'box.retired'
  }
>

/** Why a thing can't go into a box: it is not there, or no longer; null where it can. */
export function noWayInto(state: Building, boxId: string, placed: Placed): Problem | null {
  const box = state.boxes.get(boxId)
  if (!box) return state.says.unknown('box', boxId, placed)
  return box.retiredMs === null
    ? null
    : state.says.ended('This box had been put away for good before.', boxId, placed)
}

/** Entries about a box itself: what it is, which lid it has from when on, that it is gone. */
export function boxEntries(state: Building, placed: Placed, entry: BoxEntry): Problem | null {
  const { boxId } = entry.payload
  const box = state.boxes.get(boxId)
  if (!box) return state.says.unknown('box', boxId, placed)
  switch (entry.kind) {
    case 'box.changed':
      state.boxes.set(boxId, withLastLid({ ...box, ...entry.payload } as BoxRecord))
      return null
    case 'box.sealed': {
      const { lid, lidKnown } = entry.payload
      state.boxes.set(boxId, {
        ...box,
        lid,
        lidKnown,
        lids: [...box.lids, { fromMs: placed.atMs, lid, lidKnown }],
      })
      return null
    }
    case 'box.sealTestBegun':
      state.boxes.set(boxId, { ...box, proving: { atMs: placed.atMs, begun: entry.payload } })
      return null
    case 'box.sealTested': {
      const { result } = entry.payload
      const proved = result ? { proved: { atMs: placed.atMs, result } } : {}
      state.boxes.set(boxId, {
        ...box,
        proving: null,
        // it tells of the lid it has, from when that was put on; those before leaked as they did
        lids: box.lids.map((one, i) => (i === box.lids.length - 1 ? { ...one, ...proved } : one)),
      })
      return null
    }
    case 'box.unread':
      state.boxes.set(boxId, { ...box, unread: { atMs: placed.atMs, why: entry.payload.why } })
      return null
    case 'box.retired': {
      const inside = [
        ...[...state.charges.values()].filter(charge => charge.boxId === boxId),
        ...[...state.spools.values()].filter(({ where }) => where.at === 'box' && where.boxId === boxId),
      ].length
      if (inside > 0) return state.says.stillFull(boxId, placed)
      state.boxes.set(boxId, { ...box, retiredMs: placed.atMs })
      state.says.remember(boxId, placed)
      return null
    }
  }
}

/** A change of the lid is of the one it has: those before leaked as they did. */
const withLastLid = (box: BoxRecord): BoxRecord => ({
  ...box,
  lids: box.lids.map((one, i) =>
    i !== box.lids.length - 1
      ? one
      : // another lid than was thought has not been proved
        one.lid === box.lid
        ? { ...one, lidKnown: box.lidKnown }
        : { fromMs: one.fromMs, lid: box.lid, lidKnown: box.lidKnown },
  ),
})

/** A room goes only once no box stands in it. */
export function retireRoom(state: Building, placed: Placed, roomId: string): Problem | null {
  const room = state.rooms.get(roomId)
  if (!room) return state.says.unknown('room', roomId, placed)
  if ([...state.boxes.values()].some(box => box.roomId === roomId && box.retiredMs === null))
    return state.says.stillFull(roomId, placed)
  state.rooms.set(roomId, { ...room, retiredMs: placed.atMs })
  return null
}
