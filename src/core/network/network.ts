import type { Celsius, Grams, Litres, LitresPerHour, Pascal, Seconds } from '#units/quantity.ts'
import type { ConductanceLaw } from './law.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'

/**
 * The moisture network: nodes hold water, links pass it. A link of conductance G (L/h of air exchanged) carries
 * G·(c_a − c_b) grams an hour, c being the vapour density in g/L over each end.
 */

/** How a node's water sets the vapour density over it. */
export type WaterStore =
  /** Free air; with `of: 'spool'` that between the turns of a spool, at the spool's temperature. */
  | { readonly kind: 'air'; readonly volumeL: Litres; readonly of?: 'box' | 'spool' }
  /** `capacityFactor` scales what it holds against the catalogue: make, age. `of`: whose temperature it has. */
  | {
      readonly kind: 'sorbent'
      readonly sorbent: Sorbent
      readonly dryMassG: Grams
      readonly capacityFactor: number
      readonly of: 'beads' | 'spool'
    }
  /** A shell of a strand: water moves in it by its own concentration, through strand links only. */
  | { readonly kind: 'strand'; readonly dryMassG: Grams }

export interface NetworkNode {
  readonly id: string
  readonly store: WaterStore
  readonly initialWaterG: Grams
}

/** The room is no node: its air is given. */
export const ROOM = -1

/**
 * `a` is a node, `b` a node or ROOM. Each node but node 0 (the box air) has one link towards the root: `b`, the end
 * nearer the root, of lower index. Beside that tree, a node may have one direct link to node 0 (`beside`). Positive
 * flow runs from b to a for room links (into the box) and from a to b otherwise (out of the store, towards the air).
 * Flows are booked for the links that touch the room or node 0.
 */
export interface NetworkLink<Way = unknown> {
  /** What it leads through, for whoever reads the books; the solver does not look. */
  readonly way: Way
  readonly a: number
  readonly b: number
  readonly conductanceLPerH: LitresPerHour
  readonly law?: ConductanceLaw
  readonly beside?: boolean
}

/** Loading of a surface in equilibrium with air of an activity a: s·a/(1 − k·a²), g/g. */
export interface SurfaceCurve {
  readonly slopeAtZeroGPerG: number
  readonly curvature: number
}

/**
 * Water in the filament itself, driven by concentration: U·(c_a − c_b) grams an hour, c in g/g. Where `b` is the air
 * between the turns, c_b is what the filament's surface holds in equilibrium with it. Part of the same tree.
 */
export interface StrandLink {
  readonly a: number
  readonly b: number
  readonly transferGPerH: number
  readonly surface: SurfaceCurve
  readonly activationKJPerMol: number
}

/** What changes the state at an instant; the water it brings or takes is booked by event. */
export type NetworkEvent<Way = unknown> =
  | {
      readonly atS: Seconds
      readonly kind: 'exchange'
      readonly node: number
      readonly share: number
      readonly way: Way
    }
  /**
   * Air of node 0 exchanged with the room's so many times, and its water taken up already: it goes along the links of
   * node 0 in proportion to their conductances, as a small excess of the air does.
   */
  | {
      readonly atS: Seconds
      readonly kind: 'takeUp'
      readonly freeAirs: number
      readonly way: Way
    }
  | {
      readonly atS: Seconds
      readonly kind: 'setWater'
      readonly node: number
      readonly waterG: Grams
      readonly way: Way
    }
  /** Solids came or went: the air takes or gives up room at the room's vapour density or its own. */
  | {
      readonly atS: Seconds
      readonly kind: 'setVolume'
      readonly node: number
      readonly volumeL: Litres
      readonly way: Way
    }
  | {
      readonly atS: Seconds
      readonly kind: 'conduct'
      readonly link: number
      readonly conductanceLPerH: LitresPerHour
    }

/** Temperature of the box and vapour density of the room's air, at any time of the run; writes into `out`. */
export interface Surroundings {
  at(timeS: Seconds, out: SurroundingsPoint): void
  /** Where the room is known by samples: steps never pass over one, so that no swing is missed. */
  readonly samples?: { readonly fromS: Seconds; readonly everyS: Seconds }
  /** Of the air; left out: at sea level. */
  readonly pressurePa?: Pascal
  /** Where the temperature of all things is known by days, straight in between: what hangs on it is reckoned once a day. */
  readonly days?: DailyTemperatures
}
/** One value a day from a time on; the same array for all that stand in one room. */
export interface DailyTemperatures {
  readonly fromS: Seconds
  readonly temperatureC: Float64Array
}
/** Beads and spools follow the box late; left out: they are as warm as the air. */
export interface SurroundingsPoint {
  temperatureC: Celsius
  vapourDensityGPerL: number
  beadTemperatureC?: Celsius
  spoolTemperatureC?: Celsius
}

export interface Network<Way = unknown> {
  readonly nodes: readonly NetworkNode[]
  readonly links: readonly NetworkLink<Way>[]
  readonly strands?: readonly StrandLink[]
  /** In order of time. */
  readonly events: readonly NetworkEvent<Way>[]
  readonly surroundings: Surroundings
}

/** One constant temperature and vapour density. */
export const steadySurroundings = (point: SurroundingsPoint): Surroundings => ({
  at(_timeS, out) {
    out.temperatureC = point.temperatureC
    out.vapourDensityGPerL = point.vapourDensityGPerL
  },
})
