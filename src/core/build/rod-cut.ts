import type { Grams, Millimetres } from '#units/quantity.ts'
import { hangs, type Arrangement } from './arrangement.ts'
import { innerAtMm, type Inside } from './inside.ts'
import { mostSag, type Rod } from './rod.ts'
import { slantPerMm, wallsOfLine } from './wall-place.ts'

/** What one rod is cut to, and how it carries. */
export interface RodCut {
  readonly line: number
  /** Between the walls at its height; of a spindle, what stands into the box. */
  readonly insideMm: Millimetres
  /** One wall, level through it. */
  readonly throughWallMm: Millimetres
  readonly walls: 1 | 2
  /** What stands out at each end for a cap or nut. */
  readonly capMm: Millimetres
  /** To the full millimetre. */
  readonly cutMm: Millimetres
  readonly spanMm: Millimetres
  readonly loads: readonly { readonly spoolId: string; readonly atMm: Millimetres; readonly weightG: Grams }[]
  readonly held: 'both ends' | 'one end'
  readonly sagMm: Millimetres
  /** Where it sags most, from its left support. */
  readonly sagAtMm: Millimetres
  /** Room to draw it out of the box to one side. */
  readonly drawOutMm: Millimetres
}

/** Past the last flange of a spindle, for a collar; common practice. */
const COLLAR_MM = 12

/** Each rod of an arrangement: the sum it is cut by, and its sag under these spools. */
export function rodCuts(
  inside: Inside,
  wallThicknessMm: Millimetres,
  arrangement: Arrangement,
  spools: readonly { readonly id: string; readonly widthMm: Millimetres; readonly weightG: Grams }[],
  rod: Rod,
  capMm: Millimetres,
): RodCut[] {
  const { kind, axis } = arrangement
  if (!hangs(kind) || axis === 2) return []
  const throughWallMm = wallThicknessMm * slantPerMm(inside, inside.section === 'round' ? 0 : axis)
  return arrangement.lines.map((line, i) => {
    const [left, right] = wallsOfLine(inside, axis, line.at)
    const from = left.point[axis]
    const standing = line.spools.flatMap(({ id, alongMm }) => {
      const spool = spools.find(one => one.id === id)
      return spool ? [{ spool, alongMm }] : []
    })
    const isSpindle = kind === 'spindle'
    const room = right.point[axis] - from
    const insideMm = isSpindle
      ? Math.min(
          room,
          Math.max(0, ...standing.map(one => one.alongMm + one.spool.widthMm / 2 - from)) + COLLAR_MM,
        )
      : room
    const walls = isSpindle ? 1 : 2
    const held = isSpindle ? 'one end' : 'both ends'
    // carried in the middle of each wall
    const spanMm = insideMm + (walls * throughWallMm) / 2
    const loads = standing.map(({ spool, alongMm }) => ({
      spoolId: spool.id,
      atMm: alongMm - from + throughWallMm / 2,
      weightG: spool.weightG,
    }))
    const sag = mostSag(rod, spanMm, loads, held)
    const cutMm = Math.round(insideMm + walls * throughWallMm + walls * capMm)
    return {
      line: i,
      insideMm,
      throughWallMm,
      walls,
      capMm,
      cutMm,
      spanMm,
      loads,
      held,
      sagMm: sag.sagMm,
      sagAtMm: sag.atMm,
      drawOutMm: cutMm,
    }
  })
}

/** A bore is brought to the rod by a bushing where it is wider by more than this; common practice. */
export const BUSHING_OVER_MM = 6
/** Walls lean so many degrees from upright. */
export const leanDegrees = (inside: Inside, across: 0 | 1): number =>
  (Math.atan(
    (innerAtMm(inside, inside.heightMm)[across] - innerAtMm(inside, 0)[across]) / 2 / inside.heightMm,
  ) *
    180) /
  Math.PI
