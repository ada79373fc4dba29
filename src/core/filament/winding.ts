import type { Celsius, Grams, Litres, LitresPerHour, Millimetres } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import { GAS_CONSTANT_J_PER_MOL_K } from '../air/vapour.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { Material } from './material.ts'
import { equilibriumMoisturePercent } from './sorption.ts'

export interface SpoolSize {
  readonly rimDiameterMm: Millimetres
  readonly widthMm: Millimetres
  /** Over the bare core. */
  readonly coreDiameterMm: Millimetres
  readonly fullFilamentG: Grams
}

/** The common kilogram spool; to be measured by the person. */
export const USUAL_SPOOL: SpoolSize = {
  rimDiameterMm: 200,
  widthMm: 66,
  coreDiameterMm: 90,
  fullFilamentG: 1000,
}

export const FLANGE_MM = 4.5
const STRAND_RADIUS_M = 0.875e-3
/** Slit transport along the winding: share of the diffusivity in free air; range 0.03–0.15. */
export const DEFAULT_SLIT_SHARE = 0.07

/** Outer radius of what is wound: the area between core and winding follows the grams left. */
export function windingRadiusMm(size: SpoolSize, filamentG: Grams): Millimetres {
  const core = size.coreDiameterMm / 2
  const full = size.rimDiameterMm / 2 - 4
  const share = Math.min(1, Math.max(0, filamentG / size.fullFilamentG))
  return Math.sqrt(core * core + share * (full * full - core * core))
}

/**
 * Conductance between a lumped spool and the air: vapour creeps in from the open outer face (flanges closed),
 * then diffuses into the strand. Linear driving force: 3·D_eff·V/L² for the winding, 8·D/a² for the strand.
 * Stands in for the rings of a full model; right in the mean within some days, slow in the first hours.
 * @param slitShare 0.03–0.15 of free-air diffusivity
 * @returns L/h
 */
export function spoolConductanceLPerH(spool: {
  material: Material
  size: SpoolSize
  filamentG: Grams
  slitShare: number
  temperatureC: Celsius
}): LitresPerHour {
  const { material, size, filamentG, temperatureC } = spool
  const outerM = windingRadiusMm(size, filamentG) / 1000
  const coreM = size.coreDiameterMm / 2000
  const widthM = Math.max(size.widthMm - 2 * FLANGE_MM, 5) / 1000
  const thicknessM = Math.max(outerM - coreM, 0.002)
  const volumeM3 = Math.PI * Math.max(outerM ** 2 - coreM ** 2, 1e-6) * widthM
  const slitM2PerS = spool.slitShare * vapourDiffusivityM2PerS(temperatureC)
  const windingLPerH = lPerH((3 * slitM2PerS * volumeM3) / thicknessM ** 2)
  // what the strand holds per g/L of vapour, by the chord of its isotherm up to 30 % RH
  const chordRhPercent = 30
  const heldG =
    fractionFromPercent(equilibriumMoisturePercent(material, chordRhPercent)) * Math.max(filamentG, 1)
  const capacityL = heldG / (fractionFromPercent(chordRhPercent) * saturationDensityGPerL(temperatureC))
  const strandPerS = (8 * strandDiffusivityM2PerS(material, temperatureC)) / STRAND_RADIUS_M ** 2
  const strandLPerH = strandPerS * 3600 * capacityL
  return 1 / (1 / windingLPerH + 1 / strandLPerH)
}

const lPerH = (m3PerS: number): LitresPerHour => m3PerS * 3600 * 1000

/** Diffusivity of water in the filament, m²/s, Arrhenius about 23 °C. */
export const strandDiffusivityM2PerS = (material: Material, temperatureC: Celsius): number =>
  material.diffusivityAt23M2PerS *
  Math.exp(
    ((-material.activationEnergyKJPerMol * 1000) / GAS_CONSTANT_J_PER_MOL_K) *
      (1 / kelvinFromCelsius(temperatureC) - 1 / kelvinFromCelsius(23)),
  )

const PLASTIC_DENSITY_G_PER_ML = 1.05

/** Litres of solid in a spool: its filament and the empty spool. */
export const spoolSolidsL = (material: Material, filamentG: Grams, emptySpoolG: Grams): Litres =>
  filamentG / material.densityKgPerM3 + emptySpoolG / PLASTIC_DENSITY_G_PER_ML / 1000

/** Whether a spool of this size goes into a box at all, in any of its three stances. */
export function spoolFits(
  spool: Pick<SpoolSize, 'rimDiameterMm' | 'widthMm'>,
  inside: { widthMm: Millimetres; depthMm: Millimetres; heightMm: Millimetres },
): boolean {
  const needs = [spool.rimDiameterMm, spool.rimDiameterMm, spool.widthMm].sort((a, b) => a - b)
  const has = [inside.widthMm, inside.depthMm, inside.heightMm].sort((a, b) => a - b)
  return needs.every((need, i) => need <= has[i]!)
}
