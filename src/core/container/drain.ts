import type { Celsius, LitresPerHour, Millimetres, Pascal } from '#units/quantity.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { GAS_CONSTANT_J_PER_MOL_K, STANDARD_PRESSURE_PA } from '../air/vapour.ts'

const GRAVITY_M_PER_S2 = 9.80665
const MOLAR_MASS_AIR_KG_PER_MOL = 0.028965
const VISCOSITY_PA_S = 1.82e-5
const DISCHARGE = 0.6
/** 1 − M_water/M_air: how much lighter vapour is than air. */
const LIGHTNESS = 0.378

/**
 * Air that drains through two equal openings, one above the other: heavy dry air runs out below, room air in above.
 * Δp = ρ·g·h·(ΔT/T + 0.378·Δe/P), then the lesser of orifice and tube flow, half the pressure over each opening.
 * @param vapourPressureDifferencePa room's less the box's @param temperatureDifferenceK room's less the box's
 * @returns L/h of air exchanged, 0 where nothing drives it
 */
export function drainLPerH(openings: {
  diameterMm: Millimetres
  wallMm: Millimetres
  heightMm: Millimetres
  vapourPressureDifferencePa: Pascal
  temperatureDifferenceK: number
  temperatureC: Celsius
}): LitresPerHour {
  const temperatureK = kelvinFromCelsius(openings.temperatureC)
  const densityKgPerM3 =
    (STANDARD_PRESSURE_PA * MOLAR_MASS_AIR_KG_PER_MOL) / (GAS_CONSTANT_J_PER_MOL_K * temperatureK)
  const lighter =
    openings.temperatureDifferenceK / temperatureK +
    (LIGHTNESS * openings.vapourPressureDifferencePa) / STANDARD_PRESSURE_PA
  const drivePa = Math.abs(densityKgPerM3 * GRAVITY_M_PER_S2 * (openings.heightMm / 1000) * lighter)
  const radiusM = openings.diameterMm / 2000
  const orificeM3PerS = DISCHARGE * Math.PI * radiusM ** 2 * Math.sqrt(drivePa / densityKgPerM3)
  const lengthM = Math.max(openings.wallMm, 1e-3) / 1000
  const tubeM3PerS = (Math.PI * radiusM ** 4 * (drivePa / 2)) / (8 * VISCOSITY_PA_S * lengthM)
  return Math.min(orificeM3PerS, tubeM3PerS) * 3600 * 1000
}
