import type { Celsius, Grams } from '#units/quantity.ts'
import type { HolderKind } from '../container/holder.ts'
import { PLUG_IN_UNIT } from '../desiccant/plug-in-unit.ts'
import { asTold, type Heat, type HeatSource } from './heat-source.ts'

/** Least, usual and most, in one unit. */
export interface Range {
  readonly low: number
  readonly middle: number
  readonly high: number
}

/** Heat that gel takes to give off a gram of water, J; the 0.75 kWh of a kilogram, derived. */
const J_PER_G_WATER = 2700
const J_PER_G_BEADS_K = 0.92
/**
 * From the air and the walls of an oven into a bed of beads, W/(m²·K): still, usual, with a fan. Typical, from memory; with
 * it practice's half hour to two hours at 93–121 °C come out for a bed of one to two centimetres.
 */
export const INTO_BED = { low: 12, middle: 20, high: 34 } as const
/** While it gives off water a bed stays cooler than the oven: at this share of the way up from the room. */
export const BED_SHARE = 0.35
export const WARM_UP_MINUTES = 15

/** Deeper beds are heated in batches: their middle would lag behind for hours. Common practice. */
const DEEPEST_MM = 20
const RIM_MM = 3
/** Depth of what lies in its own holder, mm; typical. */
const HOLDER_DEPTH_MM: Readonly<Record<HolderKind, number>> = {
  packet: 18,
  canister: 45,
  tray: 15,
  basket: 25,
  'crystal pack': 40,
  'plug-in unit': 30,
}

export interface Bed {
  /** How many times the oven is filled. */
  readonly batches: number
  readonly gramsEach: Grams
  /** Trays that are used in each. */
  readonly trays: number
  readonly depthMm: number
}

/**
 * How beads lie: spread over all trays of a source, as deep as is good and no deeper, in as many batches as that takes; or
 * in their own holder.
 * @param grams dry beads, more than 0
 */
export function bedOf(
  source: HeatSource,
  grams: Grams,
  bulkDensityGPerMl: number,
  ownHolder: HolderKind | null,
): Bed {
  const { trays, trayAreaCm2, trayDepthMm } = asTold(source)
  const depthOn = (g: Grams, on: number) => (g / bulkDensityGPerMl / (on * trayAreaCm2)) * 10
  const deepestMm = Math.min(DEEPEST_MM, Math.max(5, trayDepthMm - RIM_MM))
  const batches = Math.max(1, Math.ceil(depthOn(grams, trays) / deepestMm - 1e-9))
  const gramsEach = grams / batches
  // no more trays than a good depth asks for
  const used = Math.min(trays, Math.max(1, Math.ceil(depthOn(gramsEach, 1) / GOOD_MM)))
  return {
    batches,
    gramsEach,
    trays: ownHolder === null ? used : 1,
    depthMm:
      ownHolder === null ? Math.max(depthOn(gramsEach, used), LEAST_DEPTH_MM) : HOLDER_DEPTH_MM[ownHolder],
  }
}
export const GOOD_MM = 10
/** A layer of beads is no thinner. */
const LEAST_DEPTH_MM = 4

/**
 * Minutes of one batch in an oven, dryer, dehydrator, on a bed or in the sun: the heat its water takes, through the top of
 * its bed, after the oven is hot.
 * @param waterShare g of water per g of dry beads that is to come out, 0 or more
 */
export function bakingMinutes(of: {
  readonly heat: Heat
  readonly roomC: Celsius
  readonly depthMm: number
  readonly bulkDensityGPerMl: number
  readonly waterShare: number
}): Range {
  const bedGPerM2 = (of.depthMm / 1000) * of.bulkDensityGPerMl * 1e6
  const bedC = of.roomC + BED_SHARE * (of.heat.middleC - of.roomC)
  const drivingK = Math.max(4, of.heat.middleC - bedC)
  const jPerM2 =
    bedGPerM2 * (of.waterShare * J_PER_G_WATER + J_PER_G_BEADS_K * Math.max(0, of.heat.middleC - of.roomC))
  const minutes = (wPerM2K: number) => WARM_UP_MINUTES + jPerM2 / (wPerM2K * drivingK) / 60
  return { low: minutes(INTO_BED.high), middle: minutes(INTO_BED.middle), high: minutes(INTO_BED.low) }
}

/** A plug-in unit takes its own hours. Common practice. */
export const unitMinutes = (): Range => ({
  low: PLUG_IN_UNIT.renewHours[0] * 60,
  middle: ((PLUG_IN_UNIT.renewHours[0] + PLUG_IN_UNIT.renewHours[1]) / 2) * 60,
  high: PLUG_IN_UNIT.renewHours[1] * 60,
})

/** Defrost: about three tenths of what it can, and that much of it goes into beads and water. Common practice, from memory. */
export const DEFROST_SHARE = 0.3
const INTO_BEADS_SHARE = 0.75
/** Mains for what a microwave gives off. */
const MAINS_SHARE = 0.55
const STEP_MINUTES = 2
/** Beads are about this warm when the steam stops. */
const STEAM_STOPS_C = 105

export interface MicrowaveSteps {
  readonly watts: number
  readonly stepMinutes: number
  readonly steps: number
  readonly minutes: Range
}

/** Defrost power in short steps, stirred between them, until no more steam comes. No temperature is asked. */
export function microwaveSteps(
  source: HeatSource,
  of: { readonly grams: Grams; readonly waterG: Grams; readonly roomC: Celsius },
): MicrowaveSteps {
  const watts = DEFROST_SHARE * asTold(source).watts
  const joules = of.waterG * J_PER_G_WATER + of.grams * J_PER_G_BEADS_K * (STEAM_STOPS_C - of.roomC)
  const middle = joules / (watts * INTO_BEADS_SHARE) / 60
  return {
    watts,
    stepMinutes: STEP_MINUTES,
    steps: Math.max(2, Math.ceil(middle / STEP_MINUTES)),
    minutes: { low: middle * 0.75, middle, high: middle * 1.4 },
  }
}

/** Energy of so many minutes at a heat, kWh: to warm it once, to hold it, and for the water. */
export function bakingKWh(
  source: HeatSource,
  of: {
    readonly heat: Heat | null
    readonly roomC: Celsius
    readonly minutes: number
    readonly waterG: Grams
  },
): number {
  const { warmWhPerK, lossWPerK, watts } = asTold(source)
  const waterWh = (of.waterG * J_PER_G_WATER) / 3600
  const hours = of.minutes / 60
  if (source.kind === 'sun') return 0
  if (source.kind === 'microwave') return (DEFROST_SHARE * watts * hours) / MAINS_SHARE / 1000
  if (source.kind === 'own heater') return (watts * hours) / 1000
  const aboveK = Math.max(0, (of.heat?.middleC ?? of.roomC) - of.roomC)
  return Math.min(watts * hours, warmWhPerK * aboveK + lossWPerK * aboveK * hours + waterWh) / 1000
}
