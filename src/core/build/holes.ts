import type { Millimetres } from '#units/quantity.ts'
import { hangs, type Arrangement, type Support } from './arrangement.ts'
import { fittingOf, type Fitting } from './fittings.ts'
import { innerAtMm, type Inside, type Vector } from './inside.ts'
import { ROD_PLAY_MM } from './rod.ts'
import { placeOnWall, pointOnWall, wallsOfLine, type WallName, type WallPlace } from './wall-place.ts'

/** An outlet as it is wanted: its wall, plumb below the rim, and along the wall from its middle. */
export interface OutletWish {
  readonly wall: WallName
  readonly belowRimMm: Millimetres
  readonly alongMm: Millimetres
  readonly fitting: string
  readonly capped: boolean
}

/** A hole to be drilled: letters for rods, numbers for outlets. */
export interface Hole {
  readonly id: string
  readonly for:
    | { readonly what: 'rod'; readonly line: number; readonly side: 0 | 1 }
    | { readonly what: 'outlet'; readonly index: number; readonly spoolId: string | null }
  readonly place: WallPlace
  /** Of the inner surface, where its axis comes through. */
  readonly at: Vector
  readonly belowRimMm: Millimetres
  readonly drillMm: Millimetres
}

export interface DrillFacts {
  readonly inside: Inside
  readonly wallThicknessMm: Millimetres
  readonly arrangement: Arrangement | null
  readonly support: Support
  readonly outlets: readonly OutletWish[]
  readonly ownFittings: readonly Fitting[]
}

/** Every hole of a plan, rods first, each as it is marked on the outside of its wall. */
export function holesOf(facts: DrillFacts): Hole[] {
  const { inside, wallThicknessMm, arrangement, support, outlets, ownFittings } = facts
  const rods: Hole[] = []
  if (arrangement && hangs(arrangement.kind) && arrangement.axis !== 2)
    arrangement.lines.forEach((line, i) => {
      const ends = wallsOfLine(inside, arrangement.axis as 0 | 1, line.at)
      // a spindle is held by one wall alone
      const held = arrangement.kind === 'spindle' ? ends.slice(0, 1) : ends
      held.forEach(({ wall, point }, side) =>
        rods.push({
          id: String.fromCodePoint('A'.codePointAt(0)! + rods.length),
          for: { what: 'rod', line: i, side: side as 0 | 1 },
          place: placeOnWall(inside, wallThicknessMm, wall, point),
          at: point,
          belowRimMm: inside.heightMm - point[2],
          drillMm: support.rodDiameterMm + ROD_PLAY_MM,
        }),
      )
    })
  return [
    ...rods,
    ...outlets.map((outlet, i): Hole => {
      const at = pointOnWall(inside, outlet.wall, outlet.belowRimMm, outlet.alongMm)
      return {
        id: String(i + 1),
        for: { what: 'outlet', index: i, spoolId: nearestSpool(arrangement, outlet) },
        place: placeOnWall(inside, wallThicknessMm, outlet.wall, at),
        at,
        belowRimMm: outlet.belowRimMm,
        drillMm: fittingOf(outlet.fitting, ownFittings).drillMm,
      }
    }),
  ]
}

/** The spool whose filament leaves there: the nearest along the line it stands in. */
function nearestSpool(arrangement: Arrangement | null, { wall, alongMm }: OutletWish): string | null {
  const facesLine = wall === 'wall' || arrangement?.axis === (wall === 'front' || wall === 'back' ? 0 : 1)
  const all = arrangement?.lines.flatMap(line => line.spools) ?? []
  if (all.length === 0 || !facesLine) return null
  return all.reduce((a, b) => (Math.abs(b.alongMm - alongMm) < Math.abs(a.alongMm - alongMm) ? b : a)).id
}

const USUAL_BELOW_MM = 40
const LEAST_APART_MM = 25

/**
 * Outlets as Veld places them: high on the wall the windings face, each straight before its spool; spread evenly where
 * spools stand too close, or there are more outlets than spools.
 */
export function usualOutlets(
  inside: Inside,
  arrangement: Arrangement | null,
  count: number,
  fitting: string,
): OutletWish[] {
  const wall: WallName = inside.section === 'round' ? 'wall' : arrangement?.axis === 1 ? 'right end' : 'front'
  const belowRimMm = Math.min(USUAL_BELOW_MM, Math.round(inside.heightMm / 4))
  const wide = innerAtMm(inside, inside.heightMm - belowRimMm)[wall === 'right end' ? 1 : 0]
  const middles = [
    ...new Set(
      arrangement?.axis === 2 ? [] : arrangement?.lines.flatMap(one => one.spools.map(s => s.alongMm)),
    ),
  ].sort((a, b) => a - b)
  const apart = middles.every((mm, i) => i === 0 || mm - middles[i - 1]! >= LEAST_APART_MM)
  const reach = Math.max(0, wide / 2 - LEAST_APART_MM)
  const along = (i: number) =>
    apart && middles.length >= count
      ? Math.max(-reach, Math.min(reach, middles[i]!))
      : count === 1
        ? 0
        : -reach + (2 * reach * i) / (count - 1)
  return Array.from({ length: count }, (_, i) => ({
    wall,
    belowRimMm,
    alongMm: Math.round(along(i) * 2) / 2,
    fitting,
    capped: false,
  }))
}

/** Two holes nearer than this leave no wall between them to seal on. */
const LEAST_LAND_MM = 6
/** What can't be drilled as it is planned, and by how much it has to move. */
export interface HoleTrouble {
  readonly id: string
  readonly why: 'off the wall' | 'into the rim' | 'into its neighbour'
  readonly other: string | null
  readonly missingMm: Millimetres
}
export function holeTroubles(holes: readonly Hole[], { inside }: Pick<DrillFacts, 'inside'>): HoleTrouble[] {
  return holes.flatMap((hole, i) => {
    const { id, place, drillMm, at } = hole
    const half = drillMm / 2
    const found: HoleTrouble[] = []
    const say = (why: HoleTrouble['why'], missingMm: number, other: string | null = null) =>
      missingMm > 0 && found.push({ id, why, other, missingMm })
    const isMarked = place.edge.endsWith('mark')
    const off = Math.max(half - at[2], isMarked ? 0 : half - place.edgeMm, hole.belowRimMm - inside.heightMm)
    say('off the wall', off)
    if (off <= 0) say('into the rim', half + LEAST_LAND_MM - hole.belowRimMm)
    for (const one of holes.slice(0, i)) {
      if (one.place.wall !== place.wall) continue
      const apart = Math.hypot(one.at[0] - at[0], one.at[1] - at[1], one.at[2] - at[2])
      say('into its neighbour', (one.drillMm + drillMm) / 2 + LEAST_LAND_MM - apart, one.id)
    }
    return found
  })
}
