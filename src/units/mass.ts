import type { Grams } from './quantity.ts'

/** Avoirdupois ounce, exact. */
const GRAMS_PER_OUNCE = 28.349523125

export const gramsFromOunces = (ounces: number): Grams => ounces * GRAMS_PER_OUNCE
export const ouncesFromGrams = (grams: Grams): number => grams / GRAMS_PER_OUNCE
