import type { Celsius, Grams, Litres, LitresPerHour, Seconds } from '#units/quantity.ts'
import type { TothConstants } from '../desiccant/silica-gel.ts'
import type { SorptionIsotherm } from '../filament/sorption.ts'

/**
 * The moisture network: nodes hold water, links pass it. A link of conductance G (L/h of air exchanged) carries
 * G·(c_a − c_b) grams an hour, c being the vapour density in g/L over each end.
 */

/** How a node's water sets the vapour density over it. */
export type WaterStore =
  | { readonly kind: 'air'; readonly volumeL: Litres }
  /** `capacityFactor` scales what the gel holds against the catalogue: make, age. */
  | {
      readonly kind: 'silica'
      readonly dryMassG: Grams
      readonly gel: TothConstants
      readonly capacityFactor: number
    }
  | { readonly kind: 'polymer'; readonly dryMassG: Grams; readonly isotherm: SorptionIsotherm }
  /** Paper board: loading proportional to RH. */
  | { readonly kind: 'board'; readonly dryMassG: Grams; readonly loadingAtSaturationGPerG: number }

export interface NetworkNode {
  readonly id: string
  readonly store: WaterStore
  readonly initialWaterG: Grams
}

/** The room is no node: its air is given. */
export const ROOM = -1

/**
 * `a` is a node, `b` a node or ROOM. Node-to-node links must form a tree rooted in node 0 (the box air), with the
 * end nearer the root in `b` and of lower index; several links may join one pair. Positive flow runs from b to a
 * for room links (into the box) and from a to b otherwise (out of the store, towards the air).
 */
export interface NetworkLink {
  readonly path: string
  readonly a: number
  readonly b: number
  readonly conductanceLPerH: LitresPerHour
}

/** What changes the state at an instant; water it brings or takes is booked under `path`. */
export type NetworkEvent =
  | {
      readonly atS: Seconds
      readonly kind: 'exchange'
      readonly node: number
      readonly share: number
      readonly path: string
    }
  | {
      readonly atS: Seconds
      readonly kind: 'setWater'
      readonly node: number
      readonly waterG: Grams
      readonly path: string
    }
  /** Solids came or went: the air takes or gives up room at the room's vapour density or its own. */
  | {
      readonly atS: Seconds
      readonly kind: 'setVolume'
      readonly node: number
      readonly volumeL: Litres
      readonly path: string
    }
  | {
      readonly atS: Seconds
      readonly kind: 'conduct'
      readonly link: number
      readonly conductanceLPerH: LitresPerHour
    }

/** Temperature of room and box and vapour density of the room's air, at any time of the run; writes into `out`. */
export interface Surroundings {
  at(timeS: Seconds, out: SurroundingsPoint): void
}
export interface SurroundingsPoint {
  temperatureC: Celsius
  vapourDensityGPerL: number
}

export interface Network {
  readonly nodes: readonly NetworkNode[]
  readonly links: readonly NetworkLink[]
  /** In order of time. */
  readonly events: readonly NetworkEvent[]
  readonly surroundings: Surroundings
}

/** One constant temperature and vapour density. */
export const steadySurroundings = (point: SurroundingsPoint): Surroundings => ({
  at(_timeS, out) {
    out.temperatureC = point.temperatureC
    out.vapourDensityGPerL = point.vapourDensityGPerL
  },
})
