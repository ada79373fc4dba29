import type { Celsius, Pascal } from '#units/quantity.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { STANDARD_PRESSURE_PA } from './vapour.ts'

/**
 * Diffusivity of water vapour in air, m²/s; grows with altitude.
 * @param temperatureC −40…200 °C
 * Source: Massman 1998, Atmos. Environ. 32, 1111: 2.178e-5·(T/273.15)^1.81 at 101 325 Pa (from memory).
 */
export const vapourDiffusivityM2PerS = (
  temperatureC: Celsius,
  pressurePa: Pascal = STANDARD_PRESSURE_PA,
): number =>
  2.178e-5 *
  (kelvinFromCelsius(temperatureC) / kelvinFromCelsius(0)) ** 1.81 *
  (STANDARD_PRESSURE_PA / pressurePa)
