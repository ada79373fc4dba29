import type { Celsius, PercentRh } from '#units/quantity.ts'
import { relativeHumidityPercent, vapourPressureOfRhPa } from '../air/vapour.ts'
import { henryConstantPerPa, type TothConstants } from './silica-gel.ts'

/**
 * Relative humidity at another temperature with the same water on the gel: the loading fixes K(T)·p.
 * For a box buffered by its charge; an empty box keeps its vapour density instead.
 * @returns % over water at the new temperature
 */
export function rhAtConstantLoadingPercent(
  gel: TothConstants,
  change: { relativeHumidityPercent: PercentRh; fromTemperatureC: Celsius; toTemperatureC: Celsius },
): PercentRh {
  const fromPressurePa = vapourPressureOfRhPa({
    relativeHumidityPercent: change.relativeHumidityPercent,
    temperatureC: change.fromTemperatureC,
  })
  const pressureRatio =
    henryConstantPerPa(gel, change.fromTemperatureC) / henryConstantPerPa(gel, change.toTemperatureC)
  return relativeHumidityPercent({
    vapourPressurePa: fromPressurePa * pressureRatio,
    temperatureC: change.toTemperatureC,
  })
}
