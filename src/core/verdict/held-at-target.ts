import type { PercentRh, WeightPercent } from '#units/quantity.ts'
import { spoolWord, type SpoolWord } from './spool.ts'
import type { Material } from '../filament/material.ts'
import { equilibriumMoisturePercent, rhHoldingMoisturePercent } from '../filament/sorption.ts'

export interface HeldAtTarget {
  readonly moisturePercent: WeightPercent
  readonly word: SpoolWord
  readonly cleanHoldingRhPercent: PercentRh
  readonly troubleHoldingRhPercent: PercentRh | null
}

/**
 * Where a material ends if it stays at its target for good, and the RH that would hold each limit.
 * A target may only slow the uptake: the word says so, and the screen must not contradict it.
 */
export function heldAtTarget(material: Material): HeldAtTarget {
  const moisturePercent = equilibriumMoisturePercent(material, material.targetRhPercent)
  return {
    moisturePercent,
    word: spoolWord(material, moisturePercent),
    cleanHoldingRhPercent: rhHoldingMoisturePercent(material, material.cleanBelowPercent),
    troubleHoldingRhPercent:
      material.troubleAbovePercent === null
        ? null
        : rhHoldingMoisturePercent(material, material.troubleAbovePercent),
  }
}
