import type { Millimetres } from '#units/quantity.ts'
import { discOf, type Arrangement, type Asked, type Clearances, type PlannedSpool } from './arrangement.ts'
import { across, offRimMm } from './disc.ts'
import type { Axis, Block, Face, FaceName, Vector } from './inside.ts'

/** Stretches of a line on which a spool's middle may stand, in order. */
export type Stretches = readonly (readonly [from: number, to: number])[]

/** Lengths that agree to this are the same: rounding is no collision. */
export const EPSILON_MM = 1e-6

/** Which clearance a face is asked for, by what the spool turns towards it; null: none, it stands on it. */
export function clearanceOfFace(
  face: { readonly name: FaceName; readonly normal: Vector },
  axis: Axis,
  stands: boolean,
): keyof Clearances | null {
  if (face.name === 'lid') return 'lidMm'
  if (face.name === 'floor') return stands ? null : 'floorMm'
  return Math.abs(face.normal[axis]) > 0.7 ? 'endsMm' : 'sidesMm'
}
export const askedMmOf = (key: keyof Clearances | null, { clearances }: Asked): Millimetres =>
  key === null ? 0 : clearances[key]

/** Whether the spools themselves stand on the floor of the line. */
export const standsOnFloor = ({ kind }: Pick<Arrangement, 'kind'>): boolean =>
  kind === 'rim' || kind === 'lying'

/**
 * Where on a line one spool may stand so that every face and block keeps the room asked.
 * @param at the line, as in Line; its height counts
 * @returns stretches in order; none where it may stand nowhere
 */
export function roomOnLine(
  way: Pick<Arrangement, 'kind' | 'axis'>,
  at: Vector,
  spool: PlannedSpool,
  asked: Asked,
  faces: readonly Face[],
): Stretches {
  const { axis } = way
  const disc = discOf(way, at, 0, spool, asked.support)
  const stands = standsOnFloor(way)
  let from = -Infinity
  let to = Infinity
  for (const face of faces) {
    const along = face.normal[axis]
    const rest = face.normal.reduce(
      (sum, part, i) => (i === axis ? sum : sum + part * disc.centre[i as Axis]),
      0,
    )
    const reach =
      rest +
      (Math.abs(along) * spool.widthMm) / 2 +
      disc.radiusMm * across(along) +
      askedMmOf(clearanceOfFace(face, axis, stands), asked)
    const left = face.distanceMm - reach
    if (Math.abs(along) < 1e-9) {
      if (left < -EPSILON_MM) return []
    } else if (along > 0) to = Math.min(to, left / along)
    else from = Math.max(from, left / along)
  }
  let stretches: (readonly [number, number])[] = to - from >= -EPSILON_MM ? [[from, Math.max(from, to)]] : []
  for (const block of asked.inside.blocks) {
    if (offRimMm(disc, block) >= askedMmOf(clearanceOfBlock(disc.centre, block), asked) - EPSILON_MM) continue
    const { betweenMm } = asked.clearances
    const before = block.from[axis] - betweenMm - spool.widthMm / 2
    const behind = block.to[axis] + betweenMm + spool.widthMm / 2
    stretches = stretches.flatMap(([a, b]) =>
      [[a, Math.min(b, before)] as const, [Math.max(a, behind), b] as const].filter(
        ([start, end]) => end - start >= -EPSILON_MM,
      ),
    )
  }
  return stretches
}

/** Over a block the room over the floor is asked, beside it the room to the sides. */
export const clearanceOfBlock = (centre: Vector, block: Block): keyof Clearances =>
  centre[2] > block.to[2] ? 'floorMm' : 'sidesMm'
