import type { LitresPerHour, Millimetres } from '#units/quantity.ts'
import { OUTLETS, tubeLPerH } from '../container/hole.ts'

/** What goes into a hole, and the drill it wants. */
export interface Fitting {
  readonly id: string
  readonly name: string
  readonly drillMm: Millimetres
  /** What it lets through once it is in. */
  readonly seals: 'tube' | 'coupler' | 'membrane' | 'cap'
}

/** Drills by fitting: common practice. */
export const FITTINGS: readonly Fitting[] = [
  { id: 'coupler-m5', name: 'push-in coupler, M5', drillMm: 5, seals: 'coupler' },
  { id: 'tube', name: 'tube of 4 mm pushed in tight', drillMm: 3.8, seals: 'tube' },
  { id: 'coupler-10-32', name: 'push-in coupler, 10-32 thread', drillMm: 4.9, seals: 'coupler' },
  { id: 'coupler-m6', name: 'push-in coupler, M6', drillMm: 6, seals: 'coupler' },
  { id: 'coupler-eighth', name: 'push-in coupler, 1/8 in pipe thread', drillMm: 9.7, seals: 'coupler' },
  { id: 'membrane', name: 'elastic membrane with a needle hole', drillMm: 8, seals: 'membrane' },
  { id: 'round-display', name: 'round display set into the wall', drillMm: 41.3, seals: 'cap' },
]
export const USUAL_FITTING = 'coupler-m5'

/** A fitting by its id among the house's and one's own; one that is gone is a plain hole of its drill. */
export const fittingOf = (id: string, own: readonly Fitting[] = []): Fitting =>
  [...FITTINGS, ...own].find(one => one.id === id) ?? FITTINGS[0]!

/** What a tube holds filament in: bores and what they are for; common practice. */
export interface Tube {
  readonly boreMm: Millimetres
  readonly outerMm: Millimetres
  /** From the outlet to the printer. */
  readonly runMm: Millimetres
}
export const TUBE_BORES_MM = [2, 3] as const
export const USUAL_TUBE: Tube = { boreMm: 2, outerMm: 4, runMm: 600 }
const FILAMENT_MM = 1.75

/** Least radius a PTFE tube is bent to before it kinks or grips: ten times its outside; common practice. */
export const leastBendMm = ({ outerMm }: Tube): Millimetres => 10 * outerMm

/** A hand or two past the far end, to load it: common practice. */
export const HANDFUL_MM = 250
/** Filament that is pulled off each spool at loading and lost: the tube's length and a hand or two. */
export const threadLostMm = ({ runMm }: Tube): Millimetres => runMm + HANDFUL_MM

/** A range of conductance and what is taken for its middle. */
export interface LeakRange {
  readonly lowLPerH: LitresPerHour
  readonly usualLPerH: LitresPerHour
  readonly highLPerH: LitresPerHour
}
export const rangeOf = ({ lowLPerH, highLPerH }: { lowLPerH: number; highLPerH: number }): LeakRange => ({
  lowLPerH,
  usualLPerH: Math.sqrt(lowLPerH * highLPerH),
  highLPerH,
})
const added = (a: LeakRange, byLPerH: number): LeakRange => ({
  lowLPerH: a.lowLPerH + byLPerH,
  usualLPerH: a.usualLPerH + byLPerH,
  highLPerH: a.highLPerH + byLPerH,
})

/** What one outlet lets through: its seat, and beside it the tube's own bore with filament in; capped, the cap alone. */
export function outletLeak(fitting: Fitting, tube: Tube, isCapped: boolean): LeakRange {
  if (isCapped || fitting.seals === 'cap') return rangeOf(OUTLETS.cap)
  // these ranges are of practice, with the tube in
  if (fitting.seals !== 'tube') return rangeOf(OUTLETS[fitting.seals])
  return added(
    rangeOf(OUTLETS.cap),
    tubeLPerH({ boreMm: tube.boreMm, lengthMm: Math.max(tube.runMm, 10), filamentMm: FILAMENT_MM }),
  )
}
