import type { Celsius, GramsPerGram, PercentRh } from '#units/quantity.ts'
import { MOLAR_MASS_WATER_G_PER_MOL } from '../air/vapour.ts'
import { deliquescencePercent, TABULATED } from './tabulated.ts'

const MOLAR_MASS_CACL2_G_PER_MOL = 110.98

/** Water per dry calcium chloride in a hydrate, g/g, by stoichiometry. @param molecules 1, 2, 4 or 6 */
export const calciumChlorideHydrateGPerG = (molecules: number): GramsPerGram =>
  (molecules * MOLAR_MASS_WATER_G_PER_MOL) / MOLAR_MASS_CACL2_G_PER_MOL

/** Deliquescence of calcium chloride, % RH: the saturated brine's own, at this temperature. */
export const calciumChlorideDeliquescencePercent = (temperatureC: Celsius): PercentRh =>
  deliquescencePercent(TABULATED['calcium-chloride'], temperatureC)

/** Brine of x parts salt in a whole weighs about 1 + 0.86·x g/mL; from memory, within 3 % up to saturation. */
const BRINE_DENSITY_SLOPE = 0.86

/**
 * Water a crystal pack may take up before its brine fills the tray, g: from then on it spills.
 * @param trayMl what the tray holds, above the crystals' own volume
 */
export function waterUntilTrayFullG(dryMassG: number, trayMl: number): number {
  const brineMl = (waterG: number) => {
    const saltShare = dryMassG / (dryMassG + waterG)
    return (dryMassG + waterG) / (1 + BRINE_DENSITY_SLOPE * saltShare)
  }
  let low = 0
  let high = trayMl * 2 + 1
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (brineMl(middle) < trayMl) low = middle
    else high = middle
  }
  return low
}
