import type { Celsius, Litres, LitresPerHour } from '#units/quantity.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'

/**
 * A rigid box breathes: its air swells and shrinks with the day's warmth, and with the weather's pressure about as
 * much again. As a steady exchange: twice free air × ΔT/T a day. Bags give way instead and do not breathe.
 * @param dailySwingK warmest less coldest of a day, 0–40
 * @returns L/h. Common practice.
 */
export const breathingLPerH = (box: {
  freeAirL: Litres
  dailySwingK: number
  temperatureC: Celsius
  isBag?: boolean
}): LitresPerHour =>
  box.isBag ? 0 : (2 * box.freeAirL * box.dailySwingK) / kelvinFromCelsius(box.temperatureC) / 24
