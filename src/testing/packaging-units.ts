/** The packaging standards' own sizing, to stand beside Veld's: they size for a shipment, not for a box that is opened. */

const LITRES_PER_CUBIC_FOOT = 28.316846592
const GRAMS_PER_POUND = 453.59237

/** Units per pound of dunnage, MIL-STD-2073-1 (from memory). */
export const MIL_DUNNAGE = { wood: 8, 'bound fibre': 6, 'glass fibre': 2, foam: 0.5 } as const

/**
 * Desiccant units of MIL-D-3464E for a rigid closed metal container: U = 1.2·V(ft³) + X·D(lb). A plastic box is none:
 * its walls and lid are not in the formula.
 * Source: MIL-STD-2073-1 (from memory).
 */
export const milUnits = (
  volumeL: number,
  dunnage: { readonly kind: keyof typeof MIL_DUNNAGE; readonly massG: number } | null,
): number =>
  (1.2 * volumeL) / LITRES_PER_CUBIC_FOOT +
  (dunnage ? (MIL_DUNNAGE[dunnage.kind] * dunnage.massG) / GRAMS_PER_POUND : 0)

/** g of water a DIN unit takes, and the share of the 85 % drive that is left, by the humidity allowed. DIN 55474 (from memory). */
const DIN_BY_FINAL_RH = {
  20: { unitTakesG: 3, driveShare: 0.9 },
  40: { unitTakesG: 6, driveShare: 0.7 },
  50: { unitTakesG: 7, driveShare: 0.6 },
  60: { unitTakesG: 8, driveShare: 0.5 },
} as const

/**
 * Desiccant units of DIN 55473 by DIN 55474: n = (V·b + m·c + A·e·WVTR·t)/a, rounded up.
 * @param airGPerM3 b, water in the air shut in @param packingGPerKg c, water the packing gives off
 * @param wvtrGPerM2Day of the wall at 23 °C / 85 %
 */
export function dinUnits(pack: {
  volumeL: number
  airGPerM3: number
  packingG: number
  packingGPerKg: number
  areaM2: number
  wvtrGPerM2Day: number
  days: number
  finalRhPercent: keyof typeof DIN_BY_FINAL_RH
}): number {
  const { unitTakesG, driveShare } = DIN_BY_FINAL_RH[pack.finalRhPercent]
  const waterG =
    (pack.volumeL / 1000) * pack.airGPerM3 +
    (pack.packingG / 1000) * pack.packingGPerKg +
    pack.areaM2 * driveShare * pack.wvtrGPerM2Day * pack.days
  return Math.ceil(waterG / unitTakesG)
}
