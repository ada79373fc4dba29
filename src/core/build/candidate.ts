import type { Celsius, Grams, Litres, LitresPerHour, Millimetres, PercentRh } from '#units/quantity.ts'
import { vapourDensityOfRhGPerM3 } from '../air/vapour.ts'
import { holeLPerH, OUTLETS } from '../container/hole.ts'
import { LIDS, type LidKind } from '../container/lid.ts'
import { openingShare } from '../container/opening.ts'
import { wallConductanceLPerH, type WallMaterial } from '../container/wall.ts'
import type { ArrangementKind, Asked, Clearances, PlannedSpool, Support } from './arrangement.ts'
import { clearancesOf, type Clearance } from './clearances.ts'
import { findBest, type Found } from './find-arrangement.ts'
import { insideL, surfaceM2, type Inside } from './inside.ts'

/** A container that might do. */
export interface Candidate {
  readonly inside: Inside
  /** How far its lengths may be off either way, as a share: 0 once they are measured. */
  readonly sizeWithin: number
  readonly wall: WallMaterial
  readonly wallThicknessMm: Millimetres
  readonly lid: LidKind
}

/** What every candidate is judged on. */
export interface Wish {
  readonly spools: readonly (PlannedSpool & { readonly solidsL: Litres })[]
  readonly kinds: readonly ArrangementKind[]
  readonly clearances: Clearances
  readonly support: Support
  /** Tubes that leave it; each by a coupler. */
  readonly outlets: number
  readonly room: { readonly temperatureC: Celsius; readonly relativeHumidityPercent: PercentRh }
  /** The strictest target among the spools. */
  readonly targetRhPercent: PercentRh
  readonly openingsPerMonth: number
}

/** One way water comes in. */
export interface WayIn {
  readonly by: 'lid' | 'walls' | 'outlets'
  readonly lowLPerH: LitresPerHour
  readonly usualLPerH: LitresPerHour
  readonly highLPerH: LitresPerHour
}

export interface CandidateReport {
  readonly found: Found | null
  /** Fewest and most that go in over the range of its sizes. */
  readonly fewest: number
  readonly most: number
  readonly tightest: Clearance | null
  /** Length that is missing for one more, mm; null where all are in, or where no length would do. */
  readonly oneMoreWantsMm: Millimetres | null
  readonly insideL: Litres
  readonly solidsL: Litres
  readonly freeAirL: Litres
  readonly ways: readonly WayIn[]
  /** Vapour in the room less that at the target, g/m³. */
  readonly driveGPerM3: number
  /** Water a month of openings lets in, g. */
  readonly openingsGPerMonth: Grams
  /** Length over the walls, of shelf it takes. */
  readonly outerLengthMm: Millimetres
  /** So many of them take every spool; null where it takes none. */
  readonly boxesForAll: number | null
}

/** A lid stands out over the walls on either side by about so much; common practice. */
const RIM_OVER_MM = 8
/** Seconds a lid is off: common practice. */
export const USUAL_OPEN_S = 30

/** Middle of a range that spans decades. */
const middleOf = (low: number, high: number): number => Math.sqrt(low * high)

const scaled = (inside: Inside, by: number): Inside => ({
  ...inside,
  rimMm: [inside.rimMm[0] * by, inside.rimMm[1] * by],
  baseMm: [inside.baseMm[0] * by, inside.baseMm[1] * by],
  heightMm: inside.heightMm * by,
})

/** What a container would take, let in and cost. @returns figures for the container as drawn, counts for its range too */
export function judgeCandidate(candidate: Candidate, wish: Wish): CandidateReport {
  const asked = (inside: Inside): Asked => ({ inside, clearances: wish.clearances, support: wish.support })
  const find = (inside: Inside): Found | null => findBest(wish.kinds, wish.spools, asked(inside))
  const { inside, sizeWithin } = candidate
  const found = find(inside)
  const count = found?.count ?? 0
  const at = (by: number) => (sizeWithin === 0 ? count : (find(scaled(inside, by))?.count ?? 0))
  const taken = new Set(found?.arrangement.lines.flatMap(line => line.spools.map(({ id }) => id)))
  const solidsL = wish.spools.reduce((sum, spool) => (taken.has(spool.id) ? sum + spool.solidsL : sum), 0)
  const holdsL = insideL(inside)
  const freeL = Math.max(0.02 * holdsL, holdsL - solidsL)
  const drive =
    vapourDensityOfRhGPerM3(wish.room) -
    vapourDensityOfRhGPerM3({
      relativeHumidityPercent: wish.targetRhPercent,
      temperatureC: wish.room.temperatureC,
    })
  return {
    found,
    fewest: Math.min(count, at(1 - sizeWithin)),
    most: Math.max(count, at(1 + sizeWithin)),
    tightest: found
      ? (clearancesOf(found.arrangement, wish.spools, asked(inside)).find(isRoom) ?? null)
      : null,
    oneMoreWantsMm: oneMoreWantsMm(inside, count, wish, find),
    insideL: holdsL,
    solidsL,
    freeAirL: freeL,
    ways: waysIn(candidate, wish),
    driveGPerM3: drive,
    openingsGPerMonth: (wish.openingsPerMonth * openingShare(USUAL_OPEN_S) * freeL * drive) / 1000,
    outerLengthMm: Math.max(...inside.rimMm) + 2 * candidate.wallThicknessMm + 2 * RIM_OVER_MM,
    boxesForAll: count === 0 ? null : Math.ceil(wish.spools.length / count),
  }
}

/** Mean water a day by a conductance, mg. */
export const mgPerDay = (conductanceLPerH: LitresPerHour, driveGPerM3: number): number =>
  conductanceLPerH * driveGPerM3 * 24

/** Spools that lie on each other have no room between them and want none. */
const isRoom = ({ asks }: Clearance): boolean => asks !== null

function waysIn({ inside, wall, wallThicknessMm, lid }: Candidate, wish: Wish): WayIn[] {
  const { lowLPerH, highLPerH } = LIDS[lid]
  const walls = wallConductanceLPerH(wall, surfaceM2(inside), wallThicknessMm, wish.room.temperatureC)
  const { coupler } = OUTLETS
  const openLPerH = holeLPerH({
    diameterMm: 4,
    wallMm: wallThicknessMm,
    temperatureC: wish.room.temperatureC,
  })
  const ways: WayIn[] = [
    { by: 'lid', lowLPerH, usualLPerH: middleOf(lowLPerH, highLPerH), highLPerH },
    // permeabilities of one plastic differ by about half as much again either way
    { by: 'walls', lowLPerH: walls / 1.5, usualLPerH: walls, highLPerH: walls * 1.5 },
  ]
  if (wish.outlets > 0)
    ways.push({
      by: 'outlets',
      lowLPerH: wish.outlets * coupler.lowLPerH,
      usualLPerH: wish.outlets * middleOf(coupler.lowLPerH, coupler.highLPerH),
      // one that was forgotten open
      highLPerH: wish.outlets * coupler.highLPerH + openLPerH,
    })
  return ways
}

const MOST_LONGER_MM = 400
/** The least length that would take one more, to half a millimetre; the solver is asked, nothing is added up. */
function oneMoreWantsMm(
  inside: Inside,
  count: number,
  wish: Wish,
  find: (inside: Inside) => Found | null,
): Millimetres | null {
  if (count === wish.spools.length || inside.section === 'round') return null
  const longer = (by: number): Inside => ({
    ...inside,
    rimMm: [inside.rimMm[0] + by, inside.rimMm[1]],
    baseMm: [inside.baseMm[0] + by, inside.baseMm[1]],
  })
  const takes = (by: number): boolean => (find(longer(by))?.count ?? 0) > count
  if (!takes(MOST_LONGER_MM)) return null
  let low = 0
  let high = MOST_LONGER_MM
  while (high - low > 0.5) {
    const middle = (low + high) / 2
    if (takes(middle)) high = middle
    else low = middle
  }
  return high
}
