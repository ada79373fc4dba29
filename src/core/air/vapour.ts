import type { Celsius, GramsPerCubicMetre, Pascal, PercentRh } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { perLitreFromPerCubicMetre } from '#units/volume.ts'
import { dewPointC, saturationPressureIcePa, saturationPressureWaterPa } from './saturation.ts'

export const MOLAR_MASS_WATER_G_PER_MOL = 18.015268
export const GAS_CONSTANT_J_PER_MOL_K = 8.314462618
export const STANDARD_PRESSURE_PA = 101_325

/** Vapour density (absolute humidity) of vapour at a partial pressure, ideal gas: c = e·M_w/(R·T). g/m³. */
export const vapourDensityGPerM3 = (at: {
  vapourPressurePa: Pascal
  temperatureC: Celsius
}): GramsPerCubicMetre =>
  (at.vapourPressurePa * MOLAR_MASS_WATER_G_PER_MOL) /
  (GAS_CONSTANT_J_PER_MOL_K * kelvinFromCelsius(at.temperatureC))

/** The inverse: partial pressure, Pa, of a vapour density. */
export const vapourPressurePa = (at: {
  vapourDensityGPerM3: GramsPerCubicMetre
  temperatureC: Celsius
}): Pascal =>
  (at.vapourDensityGPerM3 * GAS_CONSTANT_J_PER_MOL_K * kelvinFromCelsius(at.temperatureC)) /
  MOLAR_MASS_WATER_G_PER_MOL

/** Relative humidity is over liquid water at every temperature, as hygrometers show it. */
export const vapourPressureOfRhPa = (at: {
  relativeHumidityPercent: PercentRh
  temperatureC: Celsius
}): Pascal => fractionFromPercent(at.relativeHumidityPercent) * saturationPressureWaterPa(at.temperatureC)

export const relativeHumidityPercent = (at: { vapourPressurePa: Pascal; temperatureC: Celsius }): PercentRh =>
  percentFromFraction(at.vapourPressurePa / saturationPressureWaterPa(at.temperatureC))

/** Vapour density, g/m³, of air at this relative humidity (0…100 %) and temperature (−40…200 °C). */
export const vapourDensityOfRhGPerM3 = (at: {
  relativeHumidityPercent: PercentRh
  temperatureC: Celsius
}): GramsPerCubicMetre =>
  vapourDensityGPerM3({ vapourPressurePa: vapourPressureOfRhPa(at), temperatureC: at.temperatureC })

/**
 * Most RH, % over water, that air can stand at: 100, below freezing what saturation over ice leaves (82.2 at −20 °C);
 * the rest settles as dew or frost.
 */
export const mostRhPercent = (temperatureC: Celsius): PercentRh =>
  temperatureC < 0
    ? percentFromFraction(saturationPressureIcePa(temperatureC) / saturationPressureWaterPa(temperatureC))
    : 100

/** Dew point, °C, of air at this relative humidity and temperature; NaN at 0 %. */
export const dewPointOfRhC = (at: { relativeHumidityPercent: PercentRh; temperatureC: Celsius }): Celsius =>
  dewPointC(vapourPressureOfRhPa(at))

/**
 * Relative humidity after a change of temperature in a box without buffer: the vapour density stays.
 * May exceed 100 %, which means dew.
 */
export const rhAtConstantVapourDensityPercent = (change: {
  relativeHumidityPercent: PercentRh
  fromTemperatureC: Celsius
  toTemperatureC: Celsius
}): PercentRh =>
  relativeHumidityPercent({
    vapourPressurePa: vapourPressurePa({
      vapourDensityGPerM3: vapourDensityOfRhGPerM3({
        relativeHumidityPercent: change.relativeHumidityPercent,
        temperatureC: change.fromTemperatureC,
      }),
      temperatureC: change.toTemperatureC,
    }),
    temperatureC: change.toTemperatureC,
  })

/** Saturation vapour density over water, g/L. */
export const saturationDensityGPerL = (temperatureC: Celsius): number =>
  perLitreFromPerCubicMetre(
    vapourDensityGPerM3({ vapourPressurePa: saturationPressureWaterPa(temperatureC), temperatureC }),
  )
