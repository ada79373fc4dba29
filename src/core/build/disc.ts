import type { Millimetres } from '#units/quantity.ts'
import type { Axis, Block, Face, Vector } from './inside.ts'

/** A spool as a body: a cylinder over its flanges, its axis along the length, the depth, or upright. */
export interface Disc {
  readonly axis: Axis
  readonly centre: Vector
  readonly radiusMm: Millimetres
  readonly widthMm: Millimetres
}

/** Room between a disc and a face, mm; less than 0 where it stands through it. Exact: the face is flat. */
export function gapToFaceMm(disc: Disc, { normal, distanceMm }: Face): number {
  const along = normal[disc.axis]
  const reach =
    dot(normal, disc.centre) + (Math.abs(along) * disc.widthMm) / 2 + disc.radiusMm * across(along)
  return distanceMm - reach
}

/** Room between two discs whose axes are parallel, mm: beside each other or one past the other. */
export function gapBetweenMm(a: Disc, b: Disc): number {
  const besideMm = Math.abs(a.centre[a.axis] - b.centre[a.axis]) - (a.widthMm + b.widthMm) / 2
  const [i, j] = othersOf(a.axis)
  const pastMm = Math.hypot(a.centre[i] - b.centre[i], a.centre[j] - b.centre[j]) - a.radiusMm - b.radiusMm
  return Math.max(besideMm, pastMm)
}

/** Room between a disc and a block, mm: off its flat side, or off its rim. */
export const gapToBlockMm = (disc: Disc, block: Block): number =>
  Math.max(besideBlockMm(disc, block), offRimMm(disc, block))

/** Room along the disc's own axis; less than 0 where the two overlap along it. */
const besideBlockMm = (disc: Disc, { from, to }: Block): number =>
  Math.max(
    from[disc.axis] - disc.centre[disc.axis] - disc.widthMm / 2,
    disc.centre[disc.axis] - disc.widthMm / 2 - to[disc.axis],
  )

/** Room across the axis, from the rim to the nearest point of the block. */
export function offRimMm(disc: Pick<Disc, 'axis' | 'centre' | 'radiusMm'>, { from, to }: Block): number {
  const [i, j] = othersOf(disc.axis)
  const away = (k: Axis) => Math.max(from[k] - disc.centre[k], 0, disc.centre[k] - to[k])
  return Math.hypot(away(i), away(j)) - disc.radiusMm
}

export const othersOf = (axis: Axis): readonly [Axis, Axis] =>
  axis === 0 ? [1, 2] : axis === 1 ? [0, 2] : [0, 1]
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
/** Share of a disc's radius that reaches towards a face whose normal lies so far along the axis. */
export const across = (along: number): number => Math.sqrt(Math.max(0, 1 - along * along))
