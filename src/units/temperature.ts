import type { Celsius, Kelvin, Quantity } from './quantity.ts'

export type Fahrenheit = Quantity<'degF'>

const ZERO_CELSIUS_K = 273.15

export const kelvinFromCelsius = (temperatureC: Celsius): Kelvin => temperatureC + ZERO_CELSIUS_K
export const celsiusFromKelvin = (temperatureK: Kelvin): Celsius => temperatureK - ZERO_CELSIUS_K
export const celsiusFromFahrenheit = (temperatureF: Fahrenheit): Celsius => ((temperatureF - 32) * 5) / 9
export const fahrenheitFromCelsius = (temperatureC: Celsius): Fahrenheit => (temperatureC * 9) / 5 + 32
