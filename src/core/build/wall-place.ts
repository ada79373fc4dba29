import type { Millimetres } from '#units/quantity.ts'
import { innerAtMm, type FaceName, type Inside, type Vector } from './inside.ts'

export const WALL_NAMES = ['front', 'right end', 'back', 'left end', 'wall'] as const
export type WallName = Exclude<FaceName, 'lid' | 'floor'>
export type EdgeName =
  | 'front edge'
  | 'back edge'
  | 'left-end edge'
  | 'right-end edge'
  | 'right of the front mark'
  | 'left of the front mark'

/** Where somebody marks a hole: along the leaning wall from its rim, and level from an edge of it, on the outside. */
export interface WallPlace {
  readonly wall: WallName
  readonly downMm: Millimetres
  readonly edge: EdgeName
  readonly edgeMm: Millimetres
}

/** Across which direction a wall stands, and on which side; a round wall has neither. */
const STANDS = {
  'left end': { across: 0, side: -1 },
  'right end': { across: 0, side: 1 },
  front: { across: 1, side: -1 },
  back: { across: 1, side: 1 },
} as const
export const standsAcross = (wall: Exclude<WallName, 'wall'>): 0 | 1 => STANDS[wall].across
const EDGES = {
  0: ['front edge', 'back edge'],
  1: ['left-end edge', 'right-end edge'],
} as const satisfies Record<0 | 1, readonly [EdgeName, EdgeName]>

/** Length along a leaning wall for each millimetre of height: √(1 + lean²), lean = (rim − base)/2/H. */
export const slantPerMm = ({ rimMm, baseMm, heightMm }: Inside, across: 0 | 1): number =>
  Math.hypot(1, (rimMm[across] - baseMm[across]) / 2 / heightMm)

/** A wall's outside at a height: its width from edge to edge; of a round one, once round. */
export function outerWidthMm(
  inside: Inside,
  wallMm: Millimetres,
  wall: WallName,
  upMm: Millimetres,
): Millimetres {
  const inner = innerAtMm(inside, upMm)
  if (wall === 'wall') return Math.PI * (inner[0] + 2 * wallMm * slantPerMm(inside, 0))
  const along = standsAcross(wall) === 0 ? 1 : 0
  return inner[along] + 2 * wallMm * slantPerMm(inside, along)
}

/** How a point of the inner surface is marked outside: the drill is held level, so that both lie at one height. */
export function placeOnWall(inside: Inside, wallMm: Millimetres, wall: WallName, point: Vector): WallPlace {
  const up = point[2]
  const wide = outerWidthMm(inside, wallMm, wall, up)
  if (wall === 'wall') {
    const angle = Math.atan2(point[0], -point[1])
    return {
      wall,
      downMm: (inside.heightMm - up) * slantPerMm(inside, 0),
      edge: angle < 0 ? 'left of the front mark' : 'right of the front mark',
      edgeMm: (Math.abs(angle) / (2 * Math.PI)) * wide,
    }
  }
  const across = standsAcross(wall)
  const along = point[across === 0 ? 1 : 0]
  const near = along <= 0 ? 0 : 1
  return {
    wall,
    downMm: (inside.heightMm - up) * slantPerMm(inside, across),
    edge: EDGES[across][near],
    edgeMm: wide / 2 - Math.abs(along),
  }
}

/** The point of the inner surface that is marked there. The other way round to placeOnWall. */
export function pointOfPlace(inside: Inside, wallMm: Millimetres, place: WallPlace): Vector {
  const { wall } = place
  const across = wall === 'wall' ? 0 : standsAcross(wall)
  const up = inside.heightMm - place.downMm / slantPerMm(inside, across)
  const wide = outerWidthMm(inside, wallMm, wall, up)
  if (wall === 'wall') {
    const angle = (2 * Math.PI * place.edgeMm) / wide
    return onRound(inside, place.edge === 'left of the front mark' ? -angle : angle, up)
  }
  const side = place.edge === EDGES[across][0] ? -1 : 1
  return onFlat(inside, wall, side * (wide / 2 - place.edgeMm), up)
}

const onRound = (inside: Inside, angle: number, up: number): Vector => {
  const radius = innerAtMm(inside, up)[0] / 2
  return [radius * Math.sin(angle), -radius * Math.cos(angle), up]
}
const onFlat = (inside: Inside, wall: Exclude<WallName, 'wall'>, along: number, up: number): Vector => {
  const { across, side } = STANDS[wall]
  const out = (side * innerAtMm(inside, up)[across]) / 2
  return across === 0 ? [out, along, up] : [along, out, up]
}

/**
 * A point of a wall by its height below the rim and its place along the wall: from its middle, as the box's length or
 * depth runs; on a round one along the rim from the front.
 */
export function pointOnWall(
  inside: Inside,
  wall: WallName,
  belowRimMm: Millimetres,
  alongMm: Millimetres,
): Vector {
  const up = inside.heightMm - belowRimMm
  return wall === 'wall'
    ? onRound(inside, alongMm / (inside.rimMm[0] / 2), up)
    : onFlat(inside, wall, alongMm, up)
}

/** Where a level line along an axis goes through the inner surface: on the side of less, and of more. */
export function wallsOfLine(
  inside: Inside,
  axis: 0 | 1,
  at: Vector,
): readonly [{ wall: WallName; point: Vector }, { wall: WallName; point: Vector }] {
  const [, , up] = at
  const across = at[axis === 0 ? 1 : 0]
  const half =
    inside.section === 'round'
      ? Math.sqrt(Math.max(0, (innerAtMm(inside, up)[0] / 2) ** 2 - across ** 2))
      : innerAtMm(inside, up)[axis] / 2
  const names = axis === 0 ? (['left end', 'right end'] as const) : (['front', 'back'] as const)
  const end = (side: -1 | 1): { wall: WallName; point: Vector } => ({
    wall: inside.section === 'round' ? 'wall' : names[side < 0 ? 0 : 1],
    point: axis === 0 ? [side * half, across, up] : [across, side * half, up],
  })
  return [end(-1), end(1)]
}

/** The other way round to pointOnWall: a point of a wall as an outlet is kept. */
export function spotOf(
  { heightMm, rimMm }: Inside,
  wall: WallName,
  at: Vector,
): { readonly belowRimMm: Millimetres; readonly alongMm: Millimetres } {
  const along =
    wall === 'wall' ? (Math.atan2(at[0], -at[1]) * rimMm[0]) / 2 : at[standsAcross(wall) === 0 ? 1 : 0]
  return { belowRimMm: Math.max(0, heightMm - at[2]), alongMm: along }
}
