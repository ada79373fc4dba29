import type { Millimetres } from '#units/quantity.ts'
import { hangs, type ArrangementKind, type Asked, type PlannedSpool } from './arrangement.ts'
import { innerAtMm, type Axis, type Vector } from './inside.ts'
import { EPSILON_MM } from './room-on-line.ts'

/** A line to be filled, and the largest rim it takes: its neighbours stand so near. */
export interface Bed {
  readonly at: Vector
  readonly mostRimMm: Millimetres
}

/**
 * Places across a direction for lines that take these rims: close together in the middle, where walls leave most room,
 * and, where something solid may stand in the middle, as far apart as the walls let them.
 */
function spread(
  rimsMm: readonly Millimetres[],
  betweenMm: Millimetres,
  roomMm: Millimetres,
  isApart: boolean,
): number[][] {
  const total = rimsMm.reduce((sum, rim) => sum + rim, 0)
  const at = (gapMm: number) => {
    let edge = -(total + gapMm * (rimsMm.length - 1)) / 2
    return rimsMm.map(rim => {
      const place = edge + rim / 2
      edge += rim + gapMm
      return place
    })
  }
  if (rimsMm.length === 1) return [[0]]
  const widestMm = (roomMm - total) / (rimsMm.length - 1)
  if (widestMm < betweenMm - EPSILON_MM) return []
  return isApart && widestMm > betweenMm + 1 ? [at(betweenMm), at(widestMm)] : [at(betweenMm)]
}

/** Every set of lines worth trying for a kind and direction. */
export function linesOf(
  kind: ArrangementKind,
  axis: Axis,
  spools: readonly PlannedSpool[],
  { inside, clearances }: Asked,
): (readonly Bed[])[] {
  const rims = [...new Set(spools.map(spool => spool.rimDiameterMm))]
  const { betweenMm, sidesMm } = clearances
  const top = innerAtMm(inside, inside.heightMm)
  const base = innerAtMm(inside, 0)
  /** Lines side by side over the length or the depth; one line takes any rim. */
  const side = (i: 0 | 1, list: readonly Millimetres[]) =>
    spread(list, betweenMm, Math.max(top[i], base[i]) - 2 * sidesMm, inside.blocks.length > 0)
  const alike = (count: number, rim: Millimetres) => Array.from({ length: count }, () => rim)
  const most = Math.min(spools.length, MOST_LINES)
  if (axis === 2)
    return [
      [{ at: [0, 0, 0], mostRimMm: Infinity }],
      ...([0, 1] as const).flatMap(i =>
        rims.flatMap((a, n) =>
          rims.slice(n).flatMap(b =>
            side(i, [a, b]).map(([first, second]): Bed[] => [
              { at: i === 0 ? [first!, 0, 0] : [0, first!, 0], mostRimMm: a },
              { at: i === 0 ? [second!, 0, 0] : [0, second!, 0], mostRimMm: b },
            ]),
          ),
        ),
      ),
      ...rims.flatMap(rim =>
        GRIDS.filter(([k, l]) => k * l > 2 && k * l <= most).flatMap(([k, l]) =>
          side(0, alike(k, rim)).flatMap(xs =>
            side(1, alike(l, rim)).map(ys =>
              xs.flatMap(x => ys.map((y): Bed => ({ at: [x, y, 0], mostRimMm: rim }))),
            ),
          ),
        ),
      ),
    ]
  const other = axis === 0 ? 1 : 0
  const row = (list: readonly Millimetres[]) =>
    side(other, list).map(places =>
      places.map((place, n): Bed => ({
        at: axis === 0 ? [0, place, 0] : [place, 0, 0],
        mostRimMm: list[n]!,
      })),
    )
  const pairs = rims.flatMap((a, i) => rims.slice(i).flatMap(b => row([a, b])))
  if (kind === 'two axles') return spools.length < 2 ? [] : [...pairs, STACKED]
  const single: readonly Bed[] = [{ at: [0, 0, 0], mostRimMm: Infinity }]
  if (hangs(kind)) return [single]
  const many = rims.flatMap(rim =>
    Array.from({ length: Math.max(0, most - 2) }, (_, n) => n + 3).flatMap(count => row(alike(count, rim))),
  )
  return [single, ...(spools.length < 2 ? [] : pairs), ...many]
}
/** Columns of lying spools, along the length and over the depth. */
const GRIDS = [1, 2, 3, 4, 5, 6].flatMap(k => [1, 2, 3, 4, 5, 6].map(l => [k, l] as const)).slice(1)
const MOST_LINES = 6
/** Two rods one over the other; their heights follow from what hangs on them. */
export const STACKED: readonly Bed[] = [
  { at: [0, 0, 0], mostRimMm: Infinity },
  { at: [0, 0, 0], mostRimMm: Infinity },
]
