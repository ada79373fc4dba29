import type { Millimetres } from '#units/quantity.ts'
import { EPSILON_MM, type Stretches } from './room-on-line.ts'

/** One spool of an order: how wide it is and where on the line its middle may stand. */
export interface Standing {
  readonly widthMm: Millimetres
  readonly room: Stretches
}

/** Where each stands when all are pushed to the near end; null where the order does not fit. Leaves most room for the next. */
export function pushedNear(order: readonly Standing[], betweenMm: Millimetres): number[] | null {
  const places: number[] = []
  let edge = -Infinity
  for (const { widthMm, room } of order) {
    const least = edge + widthMm / 2
    const stretch = room.find(([, to]) => to >= least - EPSILON_MM)
    if (!stretch) return null
    const place = Math.max(stretch[0], Math.min(least, stretch[1]), least - EPSILON_MM)
    places.push(place)
    edge = place + widthMm / 2 + betweenMm
  }
  return places
}

/** The same pushed to the far end. */
export function pushedFar(order: readonly Standing[], betweenMm: Millimetres): number[] | null {
  const mirrored = [...order].reverse().map(({ widthMm, room }) => ({
    widthMm,
    room: [...room].reverse().map(([from, to]) => [-to, -from] as const),
  }))
  return (
    pushedNear(mirrored, betweenMm)
      ?.map(place => -place)
      .reverse() ?? null
  )
}

/** Places with the room that is left shared out between them; pushed near where something solid stands in the way. */
export function standInOrder(order: readonly Standing[], betweenMm: Millimetres): number[] | null {
  const near = pushedNear(order, betweenMm)
  const far = pushedFar(order, betweenMm)
  if (!near || !far) return near
  const shared = near.map((place, i) => place + ((far[i]! - place) * (i + 1)) / (near.length + 1))
  const stands = order.every(({ widthMm, room }, i) => {
    const at = shared[i]!
    const before = i === 0 ? -Infinity : shared[i - 1]! + order[i - 1]!.widthMm / 2 + betweenMm
    return (
      at - widthMm / 2 >= before - EPSILON_MM &&
      room.some(([from, to]) => at >= from - EPSILON_MM && at <= to + EPSILON_MM)
    )
  })
  return stands ? shared : near
}

/** All orders of a list in which alike things are not told apart, one after another. */
export function* ordersOf<T>(list: readonly T[], signature: (item: T) => string): Generator<T[]> {
  if (list.length === 0) {
    yield []
    return
  }
  const seen = new Set<string>()
  for (const [i, first] of list.entries()) {
    if (seen.has(signature(first))) continue
    seen.add(signature(first))
    for (const rest of ordersOf(list.toSpliced(i, 1), signature)) yield [first, ...rest]
  }
}
