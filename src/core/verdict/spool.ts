import type { WeightPercent } from '#units/quantity.ts'
import type { Material } from '../filament/material.ts'

export type SpoolWord = 'clean' | 'usable' | 'expect trouble'

/**
 * The word for filament of this moisture.
 * Clean at or below the material's clean limit, trouble above its trouble limit, usable between.
 */
export function spoolWord(
  material: Pick<Material, 'cleanBelowPercent' | 'troubleAbovePercent'>,
  moisturePercent: WeightPercent,
): SpoolWord {
  if (moisturePercent <= material.cleanBelowPercent) return 'clean'
  if (material.troubleAbovePercent !== null && moisturePercent > material.troubleAbovePercent)
    return 'expect trouble'
  return 'usable'
}
