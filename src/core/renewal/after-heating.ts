import type { Celsius, GramsPerGram, Pascal, PercentRh } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { loadingAfterHeatGPerG } from './loading-after-heat.ts'

/** Water a gas flame adds to the air of an oven; common practice says 5–15 kPa. */
export const GAS_FLAME_PA: Pascal = 10_000
/** What real gel keeps beyond the isotherm: 1–2 % after the hottest ovens; common practice. */
const REAL_GEL_KEEPS_G_PER_G = { least: 0.002, most: 0.02 }

/** Vapour pressure inside the oven: the room's air, and what a flame adds. */
export const ovenVapourPressurePa = (roomVapourPressurePa: Pascal, oven: string): Pascal =>
  oven === 'gas' ? Math.max(roomVapourPressurePa, GAS_FLAME_PA) : roomVapourPressurePa

/** What a microwave leaves in gel once the steam has stopped; no temperature tells it. Common practice, from memory. */
export const MICROWAVED_G_PER_G = { low: 0.01, high: 0.08 } as const

export interface AfterHeating {
  readonly loadingGPerG: GramsPerGram
  /** With what real gel keeps beyond the isotherm, least and most. */
  readonly lowGPerG: GramsPerGram
  readonly highGPerG: GramsPerGram
  /** The lowest RH air over these beads can have at the box's own temperature. */
  readonly floorRhPercent: PercentRh
  readonly floorHighRhPercent: PercentRh
}

/**
 * What a heating leaves in the beads once it has lasted long enough, and the lowest RH they can hold afterwards.
 * @param ovenPa vapour pressure in the oven, more than 0 Pa
 * @param temperatureC measured at the beads, 30–350 °C
 * @param boxC the box's own temperature
 */
export function afterHeating(at: {
  desiccant: DesiccantKind
  ovenPa: Pascal
  temperatureC: Celsius
  boxC: Celsius
}): AfterHeating {
  const desiccant = DESICCANTS[at.desiccant]
  const heat = { airVapourPressurePa: at.ovenPa, temperatureC: at.temperatureC }
  const loadingGPerG = loadingAfterHeatGPerG(desiccant, heat)
  const rhAt = (loading: GramsPerGram) =>
    rhOverLoadingPercent(desiccant.sorbent, { loadingGPerG: loading, temperatureC: at.boxC })
  const highGPerG = loadingAfterHeatGPerG(desiccant, heat, REAL_GEL_KEEPS_G_PER_G.most)
  return {
    loadingGPerG,
    lowGPerG: loadingAfterHeatGPerG(desiccant, heat, REAL_GEL_KEEPS_G_PER_G.least),
    highGPerG,
    floorRhPercent: rhAt(loadingGPerG),
    floorHighRhPercent: rhAt(highGPerG),
  }
}
