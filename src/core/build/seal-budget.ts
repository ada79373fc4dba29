import type { Celsius, Litres, Millimetres } from '#units/quantity.ts'
import { drainLPerH } from '../container/drain.ts'
import { holeLPerH, OUTLETS } from '../container/hole.ts'
import { LIDS, type LidKind } from '../container/lid.ts'
import { openingShare } from '../container/opening.ts'
import { wallConductanceLPerH, type WallMaterial } from '../container/wall.ts'
import type { DrilledHole } from './as-drilled.ts'
import { mgPerDay, USUAL_OPEN_S } from './candidate.ts'
import { fittingOf, outletLeak, rangeOf, type LeakRange, type Tube } from './fittings.ts'
import type { DrillFacts, Hole } from './holes.ts'
import { surfaceM2 } from './inside.ts'

export type SealItemKind = 'lid' | 'walls' | 'rod ends' | 'outlets' | 'capped outlets' | 'rings' | 'screws'
/** One way in, with its range. */
export interface SealItem extends LeakRange {
  readonly kind: SealItemKind
  /** How many of it there are; 1 for a lid or the walls. */
  readonly count: number
}

export interface SealFacts {
  readonly drill: DrillFacts
  readonly holes: readonly Hole[]
  readonly drilled: readonly DrilledHole[]
  readonly lid: LidKind
  readonly wall: WallMaterial
  readonly tube: Tube
  readonly temperatureC: Celsius
}

const times = (range: LeakRange, by: number): LeakRange => ({
  lowLPerH: range.lowLPerH * by,
  usualLPerH: range.usualLPerH * by,
  highLPerH: range.highLPerH * by,
})
const sum = (all: readonly LeakRange[]): LeakRange => ({
  lowLPerH: all.reduce((s, one) => s + one.lowLPerH, 0),
  usualLPerH: all.reduce((s, one) => s + one.usualLPerH, 0),
  highLPerH: all.reduce((s, one) => s + one.highLPerH, 0),
})
/** Sealed screws of a bracket: a spindle's plate has four, two roller frames eight; each passes less than a cap. */
const SCREWS: Partial<Record<string, number>> = { spindle: 4, rollers: 8 }
const SCREW: LeakRange = rangeOf({ lowLPerH: 0.0005, highLPerH: 0.005 })
/** A filed slot under a washer: twice the edge to seal; common practice. */
const SLOT = 2
/** A hole wider than its fitting by less than this is filled by the thread's own seal. */
const RING_FROM_MM = 0.2

/** Every way in, with what was drilled where something was. */
export function sealItems(facts: SealFacts): SealItem[] {
  const { drill, holes, drilled, lid, wall, tube, temperatureC } = facts
  const items: SealItem[] = [{ kind: 'lid', count: 1, ...rangeOf(LIDS[lid]) }]
  const through = wallConductanceLPerH(wall, surfaceM2(drill.inside), drill.wallThicknessMm, temperatureC)
  // permeabilities of one plastic differ by about half as much again either way
  items.push({
    kind: 'walls',
    count: 1,
    lowLPerH: through / 1.5,
    usualLPerH: through,
    highLPerH: through * 1.5,
  })
  const rods = holes.filter(hole => hole.for.what === 'rod')
  if (rods.length > 0) {
    const slots = drilled.filter(one => one.hole.for.what === 'rod' && one.drilled.mend === 'shim').length
    items.push({
      kind: 'rod ends',
      count: rods.length,
      ...times(rangeOf(OUTLETS.cap), rods.length + (SLOT - 1) * slots),
    })
  }
  for (const isCapped of [false, true]) {
    const some = drill.outlets.filter(outlet => outlet.capped === isCapped)
    if (some.length > 0)
      items.push({
        kind: isCapped ? 'capped outlets' : 'outlets',
        count: some.length,
        ...sum(some.map(one => outletLeak(fittingOf(one.fitting, drill.ownFittings), tube, isCapped))),
      })
  }
  const rings = drilled.filter(
    one => one.hole.for.what === 'outlet' && one.drilled.mend === null && one.widerMm > RING_FROM_MM,
  )
  if (rings.length > 0) {
    // the open ring passes what a hole of its area would
    const open = rings.reduce(
      (total, { drilled: { drillMm }, hole }) =>
        total +
        holeLPerH({
          diameterMm: Math.sqrt(drillMm ** 2 - hole.drillMm ** 2),
          wallMm: drill.wallThicknessMm,
          temperatureC,
        }),
      0,
    )
    items.push({ kind: 'rings', count: rings.length, lowLPerH: open / 2, usualLPerH: open, highLPerH: open })
  }
  const screws = SCREWS[drill.arrangement?.kind ?? '']
  if (screws) items.push({ kind: 'screws', count: screws, ...times(SCREW, screws) })
  return items
}

/** All of them together, L/h. */
export const sealTotal = (items: readonly SealItem[]): LeakRange => sum(items)

const DAYS_PER_MONTH = 30.44
/** Water openings let in, spread over the days, mg a day. */
export const openingsMgPerDay = (openingsPerMonth: number, freeAirL: Litres, driveGPerM3: number): number =>
  (openingsPerMonth * openingShare(USUAL_OPEN_S) * freeAirL * driveGPerM3) / DAYS_PER_MONTH

/** Something that could be done, and what comes in afterwards, mg a day. */
export interface Improvement {
  readonly id:
    | 'clips lid'
    | 'membranes'
    | 'cap idle'
    | 'better walls'
    | 'seal the rings'
    | 'half the openings'
  readonly mgPerDay: number
}
/** Below this nobody would bother. */
const WORTH_SHARE = 0.05

/** What each improvement alone would leave of the water that comes in; those that change next to nothing are left out. */
export function improvements(
  facts: SealFacts,
  openings: { readonly perMonth: number; readonly freeAirL: Litres },
  driveGPerM3: number,
): Improvement[] {
  const openMg = openingsMgPerDay(openings.perMonth, openings.freeAirL, driveGPerM3)
  const mgOf = (of: SealFacts) => mgPerDay(sealTotal(sealItems(of)).usualLPerH, driveGPerM3)
  const now = mgOf(facts) + openMg
  const fitted = (
    change: (outlet: DrillFacts['outlets'][number]) => DrillFacts['outlets'][number],
  ): SealFacts => ({
    ...facts,
    drill: { ...facts.drill, outlets: facts.drill.outlets.map(change) },
  })
  const tries: Improvement[] = [
    { id: 'clips lid', mgPerDay: mgOf({ ...facts, lid: 'clips' }) + openMg },
    { id: 'membranes', mgPerDay: mgOf(fitted(one => ({ ...one, fitting: 'membrane' }))) + openMg },
    { id: 'cap idle', mgPerDay: mgOf(fitted(one => ({ ...one, capped: true }))) + openMg },
    { id: 'better walls', mgPerDay: mgOf({ ...facts, wall: 'PP' }) + openMg },
    {
      id: 'seal the rings',
      mgPerDay:
        mgOf({ ...facts, drilled: facts.drilled.filter(one => one.hole.for.what === 'rod') }) + openMg,
    },
    { id: 'half the openings', mgPerDay: mgOf(facts) + openMg / 2 },
  ]
  return tries
    .filter(one => one.mgPerDay < now * (1 - WORTH_SHARE))
    .toSorted((a, b) => a.mgPerDay - b.mgPerDay)
}

/**
 * What drains through two holes left open, the highest and the lowest: heavy dry air runs out below, room air in above.
 * Null where all lie level.
 */
export function drainBetween(
  holes: readonly Hole[],
  wallMm: Millimetres,
  air: { readonly vapourPressureDifferencePa: number; readonly temperatureC: Celsius },
): {
  readonly upper: string
  readonly lower: string
  readonly heightMm: number
  readonly lPerH: number
} | null {
  const ordered = [...holes].sort((a, b) => b.at[2] - a.at[2])
  const [upper, lower] = [ordered[0], ordered.at(-1)]
  if (!upper || !lower || upper.at[2] - lower.at[2] < 5) return null
  const heightMm = upper.at[2] - lower.at[2]
  return {
    upper: upper.id,
    lower: lower.id,
    heightMm,
    lPerH: drainLPerH({
      // the narrower of the two decides
      diameterMm: Math.min(upper.drillMm, lower.drillMm),
      wallMm,
      heightMm,
      vapourPressureDifferencePa: air.vapourPressureDifferencePa,
      temperatureDifferenceK: 0,
      temperatureC: air.temperatureC,
    }),
  }
}
