import type { Celsius } from '#units/quantity.ts'
import { celsiusFromFahrenheit, fahrenheitFromCelsius } from '#units/temperature.ts'

export type TemperatureScale = 'C' | 'F'

/** Kelvins a box may plausibly stand away from its last or its room's temperature. */
const PLAUSIBLE_K = 9

/**
 * Whether a number typed in one scale was meant in the other, judged by where the box and its room stood.
 * @returns both readings in °C, the typed one first, when the other is the likelier; null when there is nothing to ask
 */
export function scaleSlip(typed: {
  value: number
  scale: TemperatureScale
  nearC: readonly Celsius[]
}): { asTypedC: Celsius; otherwiseC: Celsius } | null {
  const asTypedC = typed.scale === 'C' ? typed.value : celsiusFromFahrenheit(typed.value)
  // the same digits read in the other scale
  const otherwiseC = typed.scale === 'C' ? celsiusFromFahrenheit(typed.value) : typed.value
  const away = (temperatureC: Celsius) => Math.min(...typed.nearC.map(near => Math.abs(temperatureC - near)))
  if (typed.nearC.length === 0) {
    const isHouse = (temperatureC: Celsius) => temperatureC >= -5 && temperatureC <= 40
    return !isHouse(asTypedC) && isHouse(otherwiseC) ? { asTypedC, otherwiseC } : null
  }
  return away(asTypedC) > PLAUSIBLE_K && away(otherwiseC) <= PLAUSIBLE_K ? { asTypedC, otherwiseC } : null
}

/** °C shown in the person's own scale. */
export const inScale = (temperatureC: Celsius, scale: TemperatureScale): number =>
  scale === 'C' ? temperatureC : fahrenheitFromCelsius(temperatureC)
