import type { Millimetres } from '#units/quantity.ts'
import type { Disc } from './disc.ts'
import type { Axis, Inside, Vector } from './inside.ts'

/** A spool that is to go in. */
export interface PlannedSpool {
  readonly id: string
  readonly name: string
  readonly rimDiameterMm: Millimetres
  readonly widthMm: Millimetres
  readonly boreMm: Millimetres
}

export const ARRANGEMENT_KINDS = ['axle', 'two axles', 'spindle', 'rollers', 'rim', 'lying'] as const
export type ArrangementKind = (typeof ARRANGEMENT_KINDS)[number]

/** Room asked for, mm. */
export interface Clearances {
  readonly lidMm: Millimetres
  /** Over the floor, and over what stands on it. */
  readonly floorMm: Millimetres
  readonly betweenMm: Millimetres
  /** Flange to the wall beside it. */
  readonly endsMm: Millimetres
  /** Rim to the wall it turns along. */
  readonly sidesMm: Millimetres
}
export const USUAL_CLEARANCES: Clearances = { lidMm: 10, floorMm: 5, betweenMm: 6, endsMm: 8, sidesMm: 5 }

/** What spools hang on, or roll on. */
export interface Support {
  readonly rodDiameterMm: Millimetres
  readonly rollerDiameterMm: Millimetres
  /** Centre to centre of the two rollers under a spool. */
  readonly rollersApartMm: Millimetres
}
export const USUAL_SUPPORT: Support = { rodDiameterMm: 12, rollerDiameterMm: 22, rollersApartMm: 90 }

/** A line of spools: its place across the two other directions, and what stands on it in order. */
export interface Line {
  /** Of rod or column; along the line's own axis it means nothing. Up: of the rod where they hang, else of what they stand on. */
  readonly at: Vector
  readonly spools: readonly { readonly id: string; readonly alongMm: Millimetres }[]
}
export interface Arrangement {
  readonly kind: ArrangementKind
  readonly axis: Axis
  readonly lines: readonly Line[]
}

export const hangs = (kind: ArrangementKind): boolean =>
  kind === 'axle' || kind === 'two axles' || kind === 'spindle'

/** How far a spool's middle hangs below the rod's: (bore − rod)/2. */
export const hangMm = (spool: PlannedSpool, { rodDiameterMm }: Support): Millimetres =>
  (spool.boreMm - rodDiameterMm) / 2

/** Height of a spool's middle over the line's own height, by what carries it. */
export function riseMm(kind: ArrangementKind, spool: PlannedSpool, support: Support): Millimetres {
  if (hangs(kind)) return 0 - hangMm(spool, support)
  const radiusMm = spool.rimDiameterMm / 2
  if (kind !== 'rollers') return radiusMm
  const rollerMm = support.rollerDiameterMm / 2
  // the rollers' axes stand a roller's radius over their floor
  const reach = radiusMm + rollerMm
  const halfApart = Math.min(support.rollersApartMm / 2, reach)
  return rollerMm + Math.sqrt(reach * reach - halfApart * halfApart)
}

/** A spool of a line as a body. */
export function discOf(
  { kind, axis }: Pick<Arrangement, 'kind' | 'axis'>,
  at: Vector,
  alongMm: Millimetres,
  spool: PlannedSpool,
  support: Support,
): Disc {
  const centre: [number, number, number] = [at[0], at[1], at[2]]
  if (axis !== 2) centre[2] += riseMm(kind, spool, support)
  centre[axis] = alongMm
  return { axis, centre, radiusMm: spool.rimDiameterMm / 2, widthMm: spool.widthMm }
}

/** What an arrangement is asked to keep. */
export interface Asked {
  readonly inside: Inside
  readonly clearances: Clearances
  readonly support: Support
}
