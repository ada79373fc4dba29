import type { Celsius, PercentRh, WeightPercent } from '#units/quantity.ts'
import type { Provenance } from '../provenance.ts'

/** One filament material. Moistures are per cent of the dry weight. All values are typical; a person may override them. */
export interface Material {
  readonly id: MaterialId
  readonly name: string
  /** Highest RH at which it may be stored. */
  readonly targetRhPercent: PercentRh
  readonly moistureAt50Percent: WeightPercent
  readonly saturatedMoisturePercent: WeightPercent
  /** Moulding-grade dryness. */
  readonly cleanBelowPercent: WeightPercent
  /** Where prints usually suffer; null where they never do. */
  readonly troubleAbovePercent: WeightPercent | null
  readonly diffusivityAt23M2PerS: number
  readonly activationEnergyKJPerMol: number
  readonly densityKgPerM3: number
  readonly dryAtC: readonly [Celsius, Celsius]
  readonly dryForHours: readonly [number, number]
  readonly neverAboveC: Celsius
  readonly provenance: Provenance
}

export const MATERIAL_IDS = [
  'PLA',
  'PETG',
  'PET',
  'PET-CF',
  'ABS',
  'ASA',
  'HIPS',
  'PC',
  'TPU',
  'PA6',
  'PA66',
  'PA6-CF',
  'PA6-GF',
  'PA12',
  'PA11',
  'PVA',
  'BVOH',
  'PP',
  'PEEK',
  'PEI',
] as const
export type MaterialId = (typeof MATERIAL_IDS)[number]
