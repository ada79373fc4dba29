import type { Millimetres } from '#units/quantity.ts'
import type { Hole } from './holes.ts'
import type { Inside } from './inside.ts'
import { outerWidthMm, slantPerMm, standsAcross, type WallName } from './wall-place.ts'

type Flat = readonly [number, number]
/** A wall laid flat, seen from outside: to the right, and down from its rim. */
export interface FlatWall {
  readonly wall: WallName
  /** Left end of the rim, right end, and down to the base; a round one has many points. */
  readonly outline: readonly Flat[]
  readonly rim: readonly Flat[]
  /** A point of the wall, by how it is marked: along from the middle of the wall to the right, and down. */
  readonly point: (alongMm: Millimetres, downMm: Millimetres) => Flat
  readonly turnedDegrees: number
}

/** Going round the box to the right, seen from outside. */
const ROUND_THE_BOX = ['left end', 'front', 'right end', 'back'] as const
const ARC_STEPS = 48

/** To the right from the middle of its wall, seen from outside, at its own height. */
export function alongSeenMm({ at, place }: Pick<Hole, 'at' | 'place'>): Millimetres {
  switch (place.wall) {
    case 'front':
      return at[0]
    case 'back':
      return 0 - at[0]
    case 'right end':
      return at[1]
    case 'left end':
      return 0 - at[1]
    case 'wall':
      return place.edge === 'left of the front mark' ? 0 - place.edgeMm : place.edgeMm
  }
}

/** One wall flat, not turned. */
export function flatWall(inside: Inside, wallMm: Millimetres, wall: WallName): FlatWall {
  const { heightMm } = inside
  const rim = outerWidthMm(inside, wallMm, wall, heightMm)
  const base = outerWidthMm(inside, wallMm, wall, 0)
  const across = wall === 'wall' ? 0 : standsAcross(wall)
  const slant = heightMm * slantPerMm(inside, across)
  if (wall === 'wall') {
    // a cone rolls out into a sector about its tip
    const lean = rim - base
    const isCylinder = Math.abs(lean) < 1e-6
    const tip = isCylinder ? 0 : (slant * rim) / lean
    const point = (along: number, down: number): Flat => {
      if (isCylinder) return [along, down]
      const reach = tip - down
      // along is of that height's circumference; the sector's angle is the same at every height
      const angle = along / reach
      return [reach * Math.sin(angle), tip - reach * Math.cos(angle)]
    }
    const arc = (down: number, wide: number) =>
      Array.from({ length: ARC_STEPS + 1 }, (_, i) => point((i / ARC_STEPS - 0.5) * wide, down))
    const top = arc(0, rim)
    return { wall, rim: top, outline: [...top, ...arc(slant, base).toReversed()], point, turnedDegrees: 0 }
  }
  const top: Flat[] = [
    [0 - rim / 2, 0],
    [rim / 2, 0],
  ]
  return {
    wall,
    rim: top,
    outline: [...top, [base / 2, slant], [0 - base / 2, slant]],
    point: (along, down) => [along, down],
    turnedDegrees: 0,
  }
}

/** The same turned about a corner and moved so that the corner lies there. */
function turned(flat: FlatWall, angle: number, corner: Flat, to: Flat): FlatWall {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  const move = ([x, y]: Flat): Flat => {
    const [dx, dy] = [x - corner[0], y - corner[1]]
    return [to[0] + dx * cos - dy * sin, to[1] + dx * sin + dy * cos]
  }
  return {
    wall: flat.wall,
    rim: flat.rim.map(move),
    outline: flat.outline.map(move),
    point: (along, down) => move(flat.point(along, down)),
    turnedDegrees: (angle * 180) / Math.PI,
  }
}
const heading = (from: Flat, to: Flat): number => Math.atan2(to[1] - from[1], to[0] - from[0])

/** Walls in one piece, each turned about the edge it shares with the last; the middle one upright. Those without a hole that lie outside are left away. */
export function unrolled(inside: Inside, wallMm: Millimetres, walls: ReadonlySet<WallName>): FlatWall[] {
  if (inside.section === 'round') return [flatWall(inside, wallMm, 'wall')]
  const strip = shortestStrip(walls)
  const flat = strip.map(wall => flatWall(inside, wallMm, wall))
  const middle = Math.floor((flat.length - 1) / 2)
  const laid = [...flat]
  for (let i = middle + 1; i < laid.length; i++) {
    const [, rimRight, baseRight] = laid[i - 1]!.outline
    const next = flat[i]!
    const [rimLeft, , , baseLeft] = next.outline
    laid[i] = turned(next, heading(rimRight!, baseRight!) - heading(rimLeft!, baseLeft!), rimLeft!, rimRight!)
  }
  for (let i = middle - 1; i >= 0; i--) {
    const [rimLeft, , , baseLeft] = laid[i + 1]!.outline
    const next = flat[i]!
    const [, rimRight, baseRight] = next.outline
    laid[i] = turned(next, heading(rimLeft!, baseLeft!) - heading(rimRight!, baseRight!), rimRight!, rimLeft!)
  }
  return laid
}

function shortestStrip(walls: ReadonlySet<WallName>): WallName[] {
  const all = ROUND_THE_BOX.length
  let best: WallName[] = [...ROUND_THE_BOX]
  for (let length = 1; length < all; length++)
    for (let from = 0; from < all; from++) {
      const strip = Array.from({ length }, (_, i) => ROUND_THE_BOX[(from + i) % all]!)
      if (strip.length < best.length && [...walls].every(wall => (strip as WallName[]).includes(wall)))
        best = strip
    }
  return best
}
