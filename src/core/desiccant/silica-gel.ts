import type { Celsius, GramsPerGram } from '#units/quantity.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { perLitreFromPerCubicMetre } from '#units/volume.ts'
import { GAS_CONSTANT_J_PER_MOL_K, MOLAR_MASS_WATER_G_PER_MOL, vapourDensityGPerM3 } from '../air/vapour.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'

/** Constants of a Tóth isotherm of water on silica gel. */
export interface TothConstants {
  readonly k0PerKPa: number
  readonly adsorptionHeatJPerKg: number
  readonly monolayerLoadingGPerG: GramsPerGram
  /** Tóth exponent; an even whole number, so that powers are products. */
  readonly exponent: 10 | 12
}

export type SilicaGelType = 'silica-a' | 'silica-rd'

/**
 * Ng et al. 2001, Appl. Therm. Eng. 21, 1631 (from memory); measured at about 30–65 °C, beyond is extrapolation.
 * Type A is the regular-density gel of most beads, type RD holds about 39 % more at the same humidity.
 */
export const SILICA_GEL: Readonly<Record<SilicaGelType, TothConstants>> = {
  'silica-a': { k0PerKPa: 4.65e-10, adsorptionHeatJPerKg: 2.71e6, monolayerLoadingGPerG: 0.4, exponent: 10 },
  'silica-rd': {
    k0PerKPa: 7.3e-10,
    adsorptionHeatJPerKg: 2.693e6,
    monolayerLoadingGPerG: 0.45,
    exponent: 12,
  },
}

/** Henry constant K(T) of the isotherm, (g/g)/Pa: once per temperature, not once per pressure. */
export function henryConstantPerPa(gel: TothConstants, temperatureC: Celsius): number {
  const molarHeatJPerMol = (gel.adsorptionHeatJPerKg * MOLAR_MASS_WATER_G_PER_MOL) / 1000
  const perKPa =
    gel.k0PerKPa * Math.exp(molarHeatJPerMol / (GAS_CONSTANT_J_PER_MOL_K * kelvinFromCelsius(temperatureC)))
  return perKPa / 1000
}

function evenPower(base: number, exponent: 10 | 12): number {
  const square = base * base
  const fourth = square * square
  return fourth * fourth * (exponent === 10 ? square : fourth)
}

/** Loading over K·p: q = K·p / [1 + (K·p/q_m)^t]^(1/t), 0…q_m. @param linear K·p, g/g, 0 or more */
function tothLoadingGPerG(gel: TothConstants, linear: number): GramsPerGram {
  const crowding = evenPower(linear / gel.monolayerLoadingGPerG, gel.exponent)
  return linear / (1 + crowding) ** (1 / gel.exponent)
}

/** K·p as a function of q: q / [1 − (q/q_m)^t]^(1/t). Held finite near q_m, where the solver may overshoot by a step. */
function linearisedLoading(gel: TothConstants, loadingGPerG: GramsPerGram): number {
  const share = Math.min(loadingGPerG / gel.monolayerLoadingGPerG, NEARLY_FULL)
  return loadingGPerG / (1 - evenPower(share, gel.exponent)) ** (1 / gel.exponent)
}

/** d(K·p)/dq, for the solver's Jacobian. */
function linearisedLoadingSlope(gel: TothConstants, loadingGPerG: GramsPerGram): number {
  const share = Math.min(loadingGPerG / gel.monolayerLoadingGPerG, NEARLY_FULL)
  return (1 - evenPower(share, gel.exponent)) ** (-1 / gel.exponent - 1)
}

const NEARLY_FULL = 0.999

/** Silica gel as a sorbent: the curve is K·p over loading. */
export function silicaSorbent(name: string, gel: TothConstants): Sorbent {
  const curve = {
    valueAt: (loadingGPerG: GramsPerGram) => linearisedLoading(gel, loadingGPerG),
    slopeAt: (loadingGPerG: GramsPerGram) => linearisedLoadingSlope(gel, loadingGPerG),
  }
  return {
    name,
    source: 'Ng et al. 2001, Tóth isotherm (from memory)',
    provenance: 'source',
    measuredC: [30, 65],
    mostGPerG: gel.monolayerLoadingGPerG,
    curveAt: () => curve,
    perUnitGPerL: temperatureC =>
      perLitreFromPerCubicMetre(vapourDensityGPerM3({ vapourPressurePa: 1, temperatureC })) /
      henryConstantPerPa(gel, temperatureC),
    loadingAtUnit: unit => tothLoadingGPerG(gel, unit),
  }
}
