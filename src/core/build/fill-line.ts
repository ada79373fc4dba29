import { hangs, riseMm, type Arrangement, type Asked, type Line, type PlannedSpool } from './arrangement.ts'
import type { Face, Vector } from './inside.ts'
import type { Bed } from './lines-to-try.ts'
import { EPSILON_MM, roomOnLine, type Stretches } from './room-on-line.ts'
import { ordersOf, standInOrder } from './stand-in-order.ts'

/** A way of standing, the lines tried, and what is asked of them. */
export interface Search {
  readonly way: Pick<Arrangement, 'kind' | 'axis'>
  readonly lines: readonly Bed[]
  readonly faces: readonly Face[]
  readonly asked: Asked
}
interface Heights {
  /** One of these will do if any does. */
  readonly tries: readonly number[]
  /** Halfway between lid and beads: room on both sides is worth having where it goes. */
  readonly middle: number | null
}

/** Heights of a rod with these spools: as high as the lid lets it, and as low as the floor or a block does. */
export function heightsOf({ way, asked }: Search, spools: readonly PlannedSpool[]): Heights {
  if (!hangs(way.kind)) return { tries: [0], middle: null }
  const { lidMm, floorMm } = asked.clearances
  const rise = (spool: PlannedSpool) => riseMm(way.kind, spool, asked.support)
  const { heightMm, blocks, rimMm, baseMm } = asked.inside
  const high = Math.min(...spools.map(spool => heightMm - lidMm - spool.rimDiameterMm / 2 - rise(spool)))
  const lows = [0, ...blocks.map(block => block.to[2])]
    .map(topMm => Math.max(...spools.map(spool => topMm + floorMm + spool.rimDiameterMm / 2 - rise(spool))))
    .filter(low => low <= high + EPSILON_MM)
  if (lows.length === 0) return { tries: [], middle: null }
  // walls that lean out leave most room high up; nothing else speaks for lower
  const isClear = blocks.length === 0 && rimMm[0] >= baseMm[0] && rimMm[1] >= baseMm[1]
  return {
    tries: isClear ? [high] : [high, ...lows.filter(low => low < high)],
    middle: (high + Math.max(...lows)) / 2,
  }
}

/** One line filled with exactly these spools, in the best order; null where none does. */
export function fillLine(
  search: Search,
  at: Vector,
  spools: readonly PlannedSpool[],
  { tries, middle }: Heights,
): Line | null {
  for (const heightMm of tries) {
    const line = fillAt(search, at, spools, heightMm)
    if (line) return (middle === null ? null : fillAt(search, at, spools, middle)) ?? line
  }
  return null
}

/** The same with the rod so high. */
export function fillAt(
  search: Search,
  at: Vector,
  spools: readonly PlannedSpool[],
  heightMm: number,
): Line | null {
  const { way, asked, faces } = search
  const line: Vector = way.axis === 2 ? at : [at[0], at[1], heightMm]
  const { betweenMm } = asked.clearances
  const rooms = new Map<string, Stretches>()
  let from = Infinity
  let to = -Infinity
  let wanted = 0 - betweenMm
  for (const spool of spools) {
    const room = roomOnLine(way, line, spool, asked, faces)
    if (room.length === 0) return null
    rooms.set(spool.id, room)
    from = Math.min(from, room[0]![0] - spool.widthMm / 2)
    to = Math.max(to, room.at(-1)![1] + spool.widthMm / 2)
    wanted += spool.widthMm + betweenMm
  }
  const stacked = way.axis === 2
  // no order makes a line longer
  if (!stacked && wanted > to - from + EPSILON_MM) return null
  const lowest = (spool: PlannedSpool) => rooms.get(spool.id)![0]![0]
  // upright: whatever fits lowest goes lowest, which is the best order there is for one common lid
  const orders = stacked
    ? [[...spools].sort((a, b) => lowest(a) - lowest(b) || a.widthMm - b.widthMm)]
    : ordersOf(spools, signatureOf)
  for (const order of orders) {
    const standing = order.map(({ id, widthMm }) => ({ widthMm, room: rooms.get(id)! }))
    const places = stacked ? stack(standing) : standInOrder(standing, betweenMm)
    if (places) return { at: line, spools: order.map(({ id }, i) => ({ id, alongMm: places[i]! })) }
  }
  return null
}

/** Lying spools lie on each other. */
function stack(order: readonly Parameters<typeof standInOrder>[0][number][]): number[] | null {
  const places: number[] = []
  let top = 0
  for (const { widthMm, room } of order) {
    const stretch = room.find(([, to]) => to >= top + widthMm / 2 - EPSILON_MM)
    if (!stretch) return null
    const place = Math.max(top + widthMm / 2, stretch[0])
    // it can't hang in the air where a wall or a block keeps it from lying down
    if (place > top + widthMm / 2 + EPSILON_MM) return null
    places.push(place)
    top = place + widthMm / 2
  }
  return places
}

export const signatureOf = ({ rimDiameterMm, widthMm, boreMm }: PlannedSpool): string =>
  `${rimDiameterMm} ${widthMm} ${boreMm}`

/** In this order and no other. */
export function fillRow(search: Search, at: Vector, order: readonly PlannedSpool[]): Line | null {
  const { way, asked, faces } = search
  for (const heightMm of heightsOf(search, order).tries) {
    const line: Vector = way.axis === 2 ? at : [at[0], at[1], heightMm]
    const standing = order.map(spool => ({
      widthMm: spool.widthMm,
      room: roomOnLine(way, line, spool, asked, faces),
    }))
    const places = way.axis === 2 ? stack(standing) : standInOrder(standing, asked.clearances.betweenMm)
    if (places) return { at: line, spools: order.map(({ id }, i) => ({ id, alongMm: places[i]! })) }
  }
  return null
}
