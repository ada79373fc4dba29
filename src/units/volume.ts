import type { Litres } from './quantity.ts'

const CUBIC_MM_PER_LITRE = 1e6
const LITRES_PER_CUBIC_METRE = 1000

export const litresFromCubicMm = (volumeMm3: number): Litres => volumeMm3 / CUBIC_MM_PER_LITRE
/** g/m³ to g/L and back: vapour densities are shown per cubic metre and reckoned per litre. */
export const perLitreFromPerCubicMetre = (perM3: number): number => perM3 / LITRES_PER_CUBIC_METRE
export const perCubicMetreFromPerLitre = (perL: number): number => perL * LITRES_PER_CUBIC_METRE

/** US liquid quart, exact. */
const LITRES_PER_QUART = 0.946352946
export const quartsFromLitres = (litres: Litres): number => litres / LITRES_PER_QUART
export const litresFromQuarts = (quarts: number): Litres => quarts * LITRES_PER_QUART
