import type { Celsius } from '#units/quantity.ts'
import { percentFromFraction, fractionFromPercent } from '#units/ratio.ts'
import { secondsFromHours } from '#units/time.ts'
import { perCubicMetreFromPerLitre, perLitreFromPerCubicMetre } from '#units/volume.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { MonthlyProfile } from './climate.ts'
import { followLate } from './lag.ts'
import type { RoomSeries } from './sampled-room.ts'

/** What a building makes of the weather: its warmth, and the vapour that people and their doings add. Typical, from memory. */
export const HEATINGS = {
  unheated: { name: 'unheated', leastC: null, addedGPerM3: 0, lagHours: 8 },
  partly: { name: 'partly heated', leastC: 12, addedGPerM3: 1, lagHours: 16 },
  heated: { name: 'fully heated', leastC: 20, addedGPerM3: 2, lagHours: 24 },
} as const
export type Heating = keyof typeof HEATINGS

/** RH that air in a building never passes for long: beyond it walls take the water. */
const WETTEST_PERCENT = 98

/**
 * The air of a room from the weather outside: it follows the outdoor temperature late and is never cooler than it is
 * heated to; its vapour is the outdoor air's and what is added inside.
 * @param weather outdoors, at even steps
 */
export function weatherRoom(weather: RoomSeries, heating: Heating): RoomSeries {
  const { leastC, addedGPerM3, lagHours } = HEATINGS[heating]
  const followed = followLate(weather.temperatureC, weather.everyS, secondsFromHours(lagHours))
  const temperatureC = followed.map(outside => (leastC === null ? outside : Math.max(outside, leastC)))
  const relativeHumidityPercent = temperatureC.map((insideC, i) => {
    const density =
      fractionFromPercent(weather.relativeHumidityPercent[i]!) *
        saturationDensityGPerL(weather.temperatureC[i]!) +
      perLitreFromPerCubicMetre(addedGPerM3)
    return Math.min(WETTEST_PERCENT, percentFromFraction(density / saturationDensityGPerL(insideC)))
  })
  return { ...weather, temperatureC, relativeHumidityPercent }
}

const DAYS_IN_MONTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/**
 * Twelve monthly means of a year of hourly samples that begins on 1 January: of temperature, and the RH that the mean
 * vapour has at it.
 * @throws Error where there are fewer than 8760 samples
 */
export function monthlyMeans(series: RoomSeries): MonthlyProfile {
  if (series.temperatureC.length < 8760) throw new Error('A year has 8760 hours.')
  const leap = series.temperatureC.length >= 8784
  let from = 0
  const means = DAYS_IN_MONTHS.map((days, month) => {
    const hours = 24 * (days + (leap && month === 1 ? 1 : 0))
    let sumC = 0
    let sumGPerM3 = 0
    for (let i = from; i < from + hours; i++) {
      sumC += series.temperatureC[i]!
      sumGPerM3 +=
        fractionFromPercent(series.relativeHumidityPercent[i]!) *
        perCubicMetreFromPerLitre(saturationDensityGPerL(series.temperatureC[i]!))
    }
    from += hours
    const temperatureC: Celsius = sumC / hours
    const saturated = perCubicMetreFromPerLitre(saturationDensityGPerL(temperatureC))
    return {
      temperatureC,
      relativeHumidityPercent: Math.min(
        WETTEST_PERCENT,
        Math.max(1, percentFromFraction(sumGPerM3 / hours / saturated)),
      ),
    }
  })
  return {
    temperatureC: means.map(mean => mean.temperatureC),
    relativeHumidityPercent: means.map(mean => mean.relativeHumidityPercent),
  }
}
