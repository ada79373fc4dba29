import type { Grams, GramsPerGram, Litres, LitresPerHour, PercentRh, Seconds } from '#units/quantity.ts'
import type { RingedSpool } from '../filament/rings.ts'
import type { ConductanceLaw } from '../network/law.ts'
import type { Surroundings } from '../network/network.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'

/** While a thing is inside: from, up to but not at; null: still there. */
export interface Stay {
  readonly inS: Seconds
  readonly outS: Seconds | null
}
export const isPresent = (stay: Stay, atS: Seconds): boolean =>
  stay.inS <= atS && (stay.outS === null || stay.outS > atS)

/** For whatever is inside all the time. */
export const ALWAYS: Stay = { inS: -Infinity, outS: null }

/** A way in for room air. `openings`: a habit of opening as a steady exchange. `open`: no box at all. */
export const INLETS = ['lid', 'wall', 'outlet', 'openings', 'open'] as const
export type InletKind = (typeof INLETS)[number]

/** A way that water takes, by what it leads through: a typed reference, never text to be taken apart. */
export type Way =
  | { readonly by: InletKind | 'room for air' }
  | { readonly by: 'charge' | 'renewal' | 'spool' | 'board'; readonly id: string }
  /** Between rings, and along a strand: inside a spool, in nobody's ledger. */
  | { readonly by: 'within'; readonly id: string }

export const isSameWay = (a: Way, b: Way): boolean =>
  a.by === b.by && ('id' in a ? a.id : null) === ('id' in b ? b.id : null)
export const isInlet = (way: Way): boolean => (INLETS as readonly string[]).includes(way.by)

export interface Inlet {
  readonly by: InletKind
  readonly conductanceLPerH: LitresPerHour
  /** How it changes with temperature; left out: not at all. */
  readonly law?: ConductanceLaw
  /** Later conductances, in order of time. */
  readonly later?: readonly { readonly atS: Seconds; readonly conductanceLPerH: LitresPerHour }[]
}

export interface ChargeModel extends Stay {
  readonly id: string
  readonly sorbent: Sorbent
  readonly dryMassG: Grams
  /** What these hold against the catalogue. */
  readonly capacityFactor: number
  /** When it comes in, per gram of what the catalogue knows. */
  readonly loadingGPerG: GramsPerGram
  readonly conductanceLPerH: LitresPerHour
  readonly solidsL: Litres
  /** Loadings set while it is in: it was taken out, heated and put back. */
  readonly renewals: readonly { readonly atS: Seconds; readonly waterG: Grams }[]
}

export interface SpoolModel extends Stay, Omit<RingedSpool, 'rings' | 'spacing'> {
  /** RH it is in balance with when it comes in: all alike, or ring by ring from the outside in. */
  readonly wetRhPercent: PercentRh | readonly PercentRh[]
  readonly cardboardG: Grams
  /** Of the cardboard; left out: as the spool's mean. */
  readonly boardRhPercent?: PercentRh
  readonly solidsL: Litres
}

/** A box over time: all that was ever inside, every way in, every opening. Nothing of how any of it is known. */
export interface BoxModel {
  readonly insideL: Litres
  readonly inlets: readonly Inlet[]
  readonly charges: readonly ChargeModel[]
  readonly spools: readonly SpoolModel[]
  /** In order of time. */
  readonly openings: readonly { readonly atS: Seconds; readonly openSeconds: number }[]
  /** Openings whose water has been taken up by what is inside: free airs exchanged. In order of time. */
  readonly exchanges?: readonly { readonly atS: Seconds; readonly freeAirs: number }[]
  /** Of the air at the start; above 100 where dew stands. 'room': as the room's. */
  readonly airRhPercent: PercentRh | 'room'
  readonly surroundings: Surroundings
}

/** Litres of solids inside at a time. */
export function solidsAtL({ charges, spools }: BoxModel, atS: Seconds): Litres {
  let sum = 0
  for (const things of [charges, spools])
    for (const thing of things) if (isPresent(thing, atS)) sum += thing.solidsL
  return sum
}
