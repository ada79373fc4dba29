import { expect, test } from '@jest/globals'
import {
  celsiusFromFahrenheit,
  celsiusFromKelvin,
  fahrenheitFromCelsius,
  kelvinFromCelsius,
} from './temperature.ts'
import type { Celsius, Pascal } from './quantity.ts'
import { daysFromSeconds, hoursFromSeconds, secondsFromDays, secondsFromHours } from './time.ts'

test('temperatures go there and back', () => {
  for (const t of [-40, 0, 23, 100])
    expect(celsiusFromFahrenheit(fahrenheitFromCelsius(t))).toBeCloseTo(t, 12)
  expect(fahrenheitFromCelsius(100)).toBe(212)
  expect(celsiusFromFahrenheit(-40)).toBe(-40)
  expect(celsiusFromKelvin(kelvinFromCelsius(25))).toBeCloseTo(25, 12)
})

test('times go there and back', () => {
  expect(daysFromSeconds(secondsFromDays(3))).toBe(3)
  expect(hoursFromSeconds(secondsFromHours(5))).toBe(5)
})

test('the compiler keeps quantities apart', () => {
  const pressurePa = 1000 as Pascal
  // @ts-expect-error a pressure is not a temperature
  const wrong: Celsius = pressurePa
  expect(wrong).toBe(1000)
})
