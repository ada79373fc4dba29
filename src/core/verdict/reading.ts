import type { PercentRh } from '#units/quantity.ts'
import { normalCdf } from '../normal.ts'
import type { Hygrometer } from '../reading/hygrometer.ts'

export type ReadingWord = 'holds' | 'near' | 'over' | 'too early' | 'blind'

const HOLDS_BELOW = 0.2
const OVER_ABOVE = 0.8

/** Probability that the true RH is above the target, the instrument's ± taken as two standard deviations. */
export const probabilityOverTarget = (
  hygrometer: Hygrometer,
  relativeHumidityPercent: PercentRh,
  targetRhPercent: PercentRh,
): number => normalCdf((relativeHumidityPercent - targetRhPercent) / (hygrometer.accuracyPercentRh / 2))

/**
 * What a reading says of its target. A display at its floor with the target at or below that floor says nothing;
 * an unsettled one says nothing yet.
 */
export function readingWord(
  hygrometer: Hygrometer,
  reading: { relativeHumidityPercent: PercentRh; settled: boolean },
  targetRhPercent: PercentRh,
): ReadingWord {
  const atFloor = reading.relativeHumidityPercent <= hygrometer.floorPercentRh
  if (atFloor && hygrometer.floorPercentRh >= targetRhPercent) return 'blind'
  if (!reading.settled) return 'too early'
  const over = probabilityOverTarget(hygrometer, reading.relativeHumidityPercent, targetRhPercent)
  if (over < HOLDS_BELOW) return 'holds'
  return over > OVER_ABOVE ? 'over' : 'near'
}
