import type { Grams } from '#units/quantity.ts'
import type { Knowledge } from '../answer.ts'

/** Beads on a scale. */
export interface Weighing {
  readonly grossG: Grams
  /** Holder and packaging. */
  readonly tareG: Grams
  /** The scale's own: its step, or what its maker states. */
  readonly scaleErrorG: Grams
}

/** Water a weighing found: gross less holder less dry beads. */
export const weighedWaterG = (dryMassG: Grams, weighing: Weighing): Grams =>
  weighing.grossG - weighing.tareG - dryMassG

/** One standard deviation of what differs from weighing to weighing: the scale's, for gross and tare. */
export const scaleSigmaG = (weighing: Weighing): Grams => Math.SQRT2 * weighing.scaleErrorG

/**
 * How well the dry mass is known, as a spread of ln(grams): an error that every weighing of these beads shares.
 * Told: as printed on the packet; assumed: nobody weighed or read it. Common practice.
 */
export const DRY_MASS_SPREAD: Readonly<Record<Knowledge, number>> = {
  measured: 0,
  told: 0.03,
  assumed: 0.4,
  computed: 0,
}

/** One standard deviation of the water a single weighing found, the dry mass's error with it. */
export const weighedSigmaG = (dryMassG: Grams, known: Knowledge, weighing: Weighing): Grams =>
  Math.hypot(scaleSigmaG(weighing), DRY_MASS_SPREAD[known] * dryMassG)
