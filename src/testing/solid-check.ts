import type { Vector } from '#core/build/inside.ts'

/** A frustum by its own formula: walls lean in a straight line from base to rim. Nothing here is shared with the core. */
export interface Bin {
  readonly round: boolean
  readonly rim: readonly [number, number]
  readonly base: readonly [number, number]
  readonly height: number
}
/** A cylinder by its two ends' middles and its radius. */
export interface Roll {
  readonly ends: readonly [Vector, Vector]
  readonly radius: number
}

const AROUND = 180

/** Points of both rims of a cylinder: where they are inside something convex, all of it is. */
export const rimPoints = (roll: Roll): Vector[] => roll.ends.flatMap(end => circle(roll, end, roll.radius))

/** Points on a circle across a cylinder's axis. */
function circle({ ends }: Roll, middle: Vector, radius: number): Vector[] {
  // two directions across the axis, for axes along one of the three
  const main = ends[1].findIndex((value, i) => Math.abs(value - ends[0][i]!) > 1e-9)
  const [i, j] = [0, 1, 2].filter(k => k !== main) as [number, number]
  return Array.from({ length: AROUND }, (_, n): Vector => {
    const point: [number, number, number] = [...middle]
    point[i]! += radius * Math.cos((2 * Math.PI * n) / AROUND)
    point[j]! += radius * Math.sin((2 * Math.PI * n) / AROUND)
    return point
  })
}

/** How far a point stands inside, mm, straight up and sideways; less than 0 outside. */
export function insideByMm(bin: Bin, [x, y, z]: Vector): number {
  const share = z / bin.height
  const length = bin.base[0] + (bin.rim[0] - bin.base[0]) * share
  const depth = bin.base[1] + (bin.rim[1] - bin.base[1]) * share
  const sideways = bin.round
    ? length / 2 - Math.hypot(x, y)
    : Math.min(length / 2 - Math.abs(x), depth / 2 - Math.abs(y))
  return Math.min(z, bin.height - z, sideways)
}

/** Whether two cylinders share a point: one is cut into slices and rings, and each point is looked for in the other. */
export function rollsOverlap(a: Roll, b: Roll): boolean {
  const inside = (point: Vector): boolean => {
    const axis = b.ends[1].map((value, i) => value - b.ends[0][i]!) as [number, number, number]
    const length = Math.hypot(...axis)
    const from = point.map((value, i) => value - b.ends[0][i]!)
    const along = from.reduce((sum, value, i) => sum + (value * axis[i]!) / length, 0)
    if (along <= 0.01 || along >= length - 0.01) return false
    const off = Math.sqrt(Math.max(0, from.reduce((sum, value) => sum + value * value, 0) - along * along))
    return off < b.radius - 0.01
  }
  for (let slice = 0; slice <= SLICES; slice++)
    for (let ring = 0; ring <= RINGS; ring++) {
      const middle = a.ends[0].map(
        (value, i) => value + ((a.ends[1][i]! - value) * slice) / SLICES,
      ) as unknown as Vector
      const points = circle(a, middle, (a.radius * ring) / RINGS)
      for (let n = 0; n < AROUND; n += 3) if (inside(points[n]!)) return true
    }
  return false
}
const SLICES = 8
const RINGS = 4
