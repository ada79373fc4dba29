import type { PercentRh, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'
import type { Material } from './material.ts'

/** Sorption isotherm c(a) = A·a / (1 − K²a²): GAB with C = 2, through the 50 % and the saturated value. */
export interface SorptionIsotherm {
  readonly slopeAtZeroPercent: number
  readonly curvature: number
  /** False where c_sat/c_50 < 2, which GAB cannot bend to: then a straight line through the 50 % value. */
  readonly isGab: boolean
}

/**
 * @param material moistures in per cent of dry weight, both above 0
 * Source: Guggenheim–Anderson–de Boer with C = 2. Temperature at equal RH is neglected.
 */
export function sorptionIsotherm(
  material: Pick<Material, 'moistureAt50Percent' | 'saturatedMoisturePercent'>,
): SorptionIsotherm {
  const ratio = material.saturatedMoisturePercent / material.moistureAt50Percent
  if (ratio < 2) return { slopeAtZeroPercent: 2 * material.moistureAt50Percent, curvature: 0, isGab: false }
  const curvature = (ratio - 2) / (ratio - 0.5)
  return {
    slopeAtZeroPercent: material.saturatedMoisturePercent * (1 - curvature),
    curvature,
    isGab: true,
  }
}

/** Equilibrium moisture, wt %, at an activity a = RH as a fraction, 0…1. */
export const moistureAtActivityPercent = (isotherm: SorptionIsotherm, activity: number): WeightPercent =>
  (isotherm.slopeAtZeroPercent * activity) / (1 - isotherm.curvature * activity * activity)

/** The inverse: activity of a moisture, from A·a + c·K²·a² − c = 0, written so that small c lose no digits. */
export function activityOfMoisture(isotherm: SorptionIsotherm, moisturePercent: WeightPercent): number {
  const { slopeAtZeroPercent: slope, curvature } = isotherm
  const bend = 4 * curvature * moisturePercent * moisturePercent
  return (2 * moisturePercent) / (slope + Math.sqrt(slope * slope + bend))
}

/** Equilibrium moisture, wt %, of a material in air of this RH, 0…100 %. */
export const equilibriumMoisturePercent = (
  material: Pick<Material, 'moistureAt50Percent' | 'saturatedMoisturePercent'>,
  rhPercent: PercentRh,
): WeightPercent => moistureAtActivityPercent(sorptionIsotherm(material), fractionFromPercent(rhPercent))

/** The RH, %, that would hold this moisture; above 100 where no air could wet the material that far. */
export const rhHoldingMoisturePercent = (
  material: Pick<Material, 'moistureAt50Percent' | 'saturatedMoisturePercent'>,
  moisturePercent: WeightPercent,
): PercentRh => percentFromFraction(activityOfMoisture(sorptionIsotherm(material), moisturePercent))

/** A filament as a sorbent: the curve is its activity over loading. */
export function filamentSorbent(material: SorbingMaterial): Sorbent {
  const before = sorbents.get(material)
  if (before) return before
  const sorbent = sorbentOf(material)
  sorbents.set(material, sorbent)
  return sorbent
}
/** One for each material: a box's every draw asks for it. */
const sorbents = new WeakMap<SorbingMaterial, Sorbent>()

type SorbingMaterial = Pick<
  Material,
  'name' | 'moistureAt50Percent' | 'saturatedMoisturePercent' | 'provenance'
>

function sorbentOf(material: SorbingMaterial): Sorbent {
  const isotherm = sorptionIsotherm(material)
  const { slopeAtZeroPercent: slope, curvature } = isotherm
  const valueAt = (loadingGPerG: number) => activityOfMoisture(isotherm, percentFromFraction(loadingGPerG))
  const curve = {
    valueAt,
    slopeAt(loadingGPerG: number) {
      const bend = curvature * valueAt(loadingGPerG) ** 2
      return percentFromFraction((1 - bend) ** 2 / (slope * (1 + bend)))
    },
  }
  return {
    name: material.name,
    source: 'Guggenheim–Anderson–de Boer with C = 2; values typical, from memory',
    provenance: material.provenance,
    measuredC: [23, 23],
    mostGPerG: 1,
    curveAt: () => curve,
    perUnitGPerL: saturationDensityGPerL,
    loadingAtUnit: activity =>
      fractionFromPercent(moistureAtActivityPercent(isotherm, Math.min(activity, 1))),
  }
}
