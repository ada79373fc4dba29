import type { Celsius, GramsPerGram, Pascal, PercentRh } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { equilibriumRhPercent, residualLoadingGPerG } from '../desiccant/regeneration.ts'

/** Water a gas flame adds to the air of an oven; common practice says 5–15 kPa. */
export const GAS_FLAME_PA: Pascal = 10_000
/** What real gel keeps beyond the isotherm: 1–2 % after the hottest ovens; common practice. */
const REAL_GEL_KEEPS_G_PER_G = { least: 0.002, most: 0.02 }

/** Vapour pressure inside the oven: the room's air, and what a flame adds. */
export const ovenVapourPressurePa = (roomVapourPressurePa: Pascal, oven: string): Pascal =>
  oven === 'gas' ? Math.max(roomVapourPressurePa, GAS_FLAME_PA) : roomVapourPressurePa

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
  const { gel } = DESICCANTS[at.desiccant]
  const loadingGPerG = residualLoadingGPerG(gel, {
    roomVapourPressurePa: at.ovenPa,
    heatingTemperatureC: at.temperatureC,
  })
  const rhAt = (loading: GramsPerGram) =>
    equilibriumRhPercent(gel, { loadingGPerG: loading, temperatureC: at.boxC })
  const highGPerG = loadingGPerG + REAL_GEL_KEEPS_G_PER_G.most
  return {
    loadingGPerG,
    lowGPerG: loadingGPerG + REAL_GEL_KEEPS_G_PER_G.least,
    highGPerG,
    floorRhPercent: rhAt(loadingGPerG),
    floorHighRhPercent: rhAt(highGPerG),
  }
}
