import type { Millimetres } from '#units/quantity.ts'
import { type Arrangement, type Asked, type PlannedSpool } from './arrangement.ts'
import { clearancesOf, shortagesOf, type Clearance } from './clearances.ts'
import type { Hole } from './holes.ts'
import type { Axis, Vector } from './inside.ts'
import { LEVEL_WITHIN_MM } from './rod.ts'
import { pointOfPlace } from './wall-place.ts'

/** What came out at one hole, measured as it was marked. */
export interface Drilled {
  readonly hole: string
  readonly downMm: Millimetres
  readonly edgeMm: Millimetres
  readonly drillMm: Millimetres
  /** Shim: filed and shimmed back to where it was drawn. Plug: closed for good, to be drilled anew beside. */
  readonly mend: 'shim' | 'plug' | null
}

/** An outlet may be off by so much and nobody minds: common practice. */
export const GOOD_ENOUGH_MM = 1

export interface DrilledHole {
  readonly hole: Hole
  readonly drilled: Drilled
  /** Where it came out; what counts from here on, a shim or plug done. */
  readonly at: Vector
  readonly standsAt: Vector
  /** Lower is more; away from its edge is more. */
  readonly lowMm: Millimetres
  readonly awayMm: Millimetres
  /** The way it is off that counts more, without its sign. */
  readonly offMm: Millimetres
  readonly widerMm: Millimetres
  readonly verdict: 'as drawn' | 'good enough' | 'off'
}

/** Each hole that was drilled against where it was drawn. */
export function drilledHoles(
  holes: readonly Hole[],
  drilled: readonly Drilled[],
  { inside }: Pick<Asked, 'inside'>,
  wallThicknessMm: Millimetres,
): DrilledHole[] {
  return drilled.flatMap(one => {
    const hole = holes.find(({ id }) => id === one.hole)
    if (!hole) return []
    const at = pointOfPlace(inside, wallThicknessMm, {
      ...hole.place,
      downMm: one.downMm,
      edgeMm: one.edgeMm,
    })
    const lowMm = one.downMm - hole.place.downMm
    const awayMm = one.edgeMm - hole.place.edgeMm
    const offMm = Math.max(Math.abs(lowMm), Math.abs(awayMm))
    const widerMm = one.drillMm - hole.drillMm
    const within = hole.for.what === 'rod' ? LEVEL_WITHIN_MM : GOOD_ENOUGH_MM
    return [
      {
        hole,
        drilled: one,
        at,
        standsAt: one.mend === null ? at : hole.at,
        lowMm,
        awayMm,
        offMm,
        widerMm,
        verdict: one.mend !== null || offMm <= 0.25 ? 'as drawn' : offMm <= within ? 'good enough' : 'off',
      } satisfies DrilledHole,
    ]
  })
}

/** Where the ends of a line's rod are: as they came out, else as drawn. */
const endsOf = (line: number, holes: readonly Hole[], drilled: readonly DrilledHole[]): readonly Vector[] =>
  holes
    .filter(hole => hole.for.what === 'rod' && hole.for.line === line)
    .map(hole => drilled.find(one => one.hole.id === hole.id)?.standsAt ?? hole.at)

/** How much higher one end of a rod lies than the other, mm; 0 where one wall holds it. */
export function outOfLevelMm(
  line: number,
  holes: readonly Hole[],
  drilled: readonly DrilledHole[],
): Millimetres {
  const ends = endsOf(line, holes, drilled)
  return ends.length < 2 ? 0 : Math.abs(ends[0]![2] - ends[1]![2])
}

/**
 * The arrangement as it hangs on the holes that were drilled: every spool on a line of its own, at the rod's height
 * there. Where one wall holds the rod it goes straight on from it.
 */
export function asItHangs(
  arrangement: Arrangement,
  holes: readonly Hole[],
  drilled: readonly DrilledHole[],
): Arrangement {
  const { axis } = arrangement
  return {
    ...arrangement,
    lines: arrangement.lines.flatMap((line, i) => {
      const [a, b] = endsOf(i, holes, drilled)
      if (!a) return [line]
      return line.spools.map(spool => {
        const share = b ? (spool.alongMm - a[axis]) / (b[axis] - a[axis]) : 0
        const at = [0, 1, 2].map(k => (b ? a[k]! + (b[k]! - a[k]!) * share : a[k]!))
        return { at: at as unknown as Vector, spools: [spool] }
      })
    }),
  }
}

/** What could be done about a rod's hole that is off, each tried. */
export interface DrillRemedy {
  readonly kind: 'shim' | 'match' | 'plug' | 'leave'
  /** Out of level and short of room afterwards. */
  readonly outOfLevelMm: Millimetres
  readonly short: Clearance | null
  readonly works: boolean
}

/** Holes overlap: a second one can't be drilled beside it. */
const LAND_MM = 3

/**
 * Ways out of a rod's hole that is off: file and shim it back, draw the whole rod to it, plug it and drill anew, or
 * leave it. Each says what it leaves.
 */
export function drillRemedies(
  off: DrilledHole,
  arrangement: Arrangement,
  holes: readonly Hole[],
  drilled: readonly DrilledHole[],
  spools: readonly PlannedSpool[],
  asked: Asked,
): DrillRemedy[] {
  const purpose = off.hole.for
  if (purpose.what !== 'rod') return []
  const judged = (
    kind: DrillRemedy['kind'],
    next: readonly DrilledHole[],
    plan = arrangement,
    drawn = holes,
  ) => {
    const short = shortagesOf(clearancesOf(asItHangs(plan, drawn, next), spools, asked))[0] ?? null
    const level = outOfLevelMm(purpose.line, drawn, next)
    return { kind, outOfLevelMm: level, short, works: short === null && level <= LEVEL_WITHIN_MM }
  }
  const others = drilled.filter(one => one !== off)
  const back: DrilledHole = { ...off, standsAt: off.hole.at }
  const axis = arrangement.axis
  const matched = matchedTo(arrangement, purpose.line, off.at)
  const drawnAnew = holes.map(hole =>
    hole.for.what === 'rod' && hole.for.line === purpose.line
      ? {
          ...hole,
          at: along(axis, hole.at, off.at),
        }
      : hole,
  )
  const isClear = off.offMm >= (off.drilled.drillMm + off.hole.drillMm) / 2 + LAND_MM
  return [
    judged('shim', [...others, back]),
    judged('match', others, matched, drawnAnew),
    // what overlaps can't be drilled anew
    { ...judged('plug', [...others, back]), works: isClear },
    judged('leave', drilled),
  ]
}

/** The whole rod where this end came out. */
export const matchedTo = (arrangement: Arrangement, line: number, at: Vector): Arrangement => ({
  ...arrangement,
  lines: arrangement.lines.map((one, i) =>
    i === line
      ? {
          ...one,
          at: along(arrangement.axis, one.at, at.map(mm => Math.round(mm * 10) / 10) as unknown as Vector),
        }
      : one,
  ),
})

/** The one along an axis, the other across it. */
function along(axis: Axis, own: Vector, other: Vector): Vector {
  return [axis === 0 ? own[0] : other[0], axis === 1 ? own[1] : other[1], axis === 2 ? own[2] : other[2]]
}
