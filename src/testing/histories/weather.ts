import type { Seconds } from '#units/quantity.ts'
import { secondsFromDays, secondsFromHours } from '#units/time.ts'
import { saturationDensityGPerL } from '#core/air/vapour.ts'
import type { RandomSource } from '#core/estimate/random.ts'
import { profileAt, type MonthlyProfile } from '#core/room/climate.ts'
import type { RoomSeries } from '#core/room/sampled-room.ts'

export const WEATHER_STEP_S = secondsFromHours(3)
const WARMEST_HOUR = 15

/** A wandering value that forgets where it was: variance and memory stated. */
function wander(random: RandomSource, deviation: number, memoryS: Seconds): () => number {
  const kept = Math.exp((-1 * WEATHER_STEP_S) / memoryS)
  let at = deviation * random.normal()
  return () => {
    const now = at
    at = kept * at + deviation * Math.sqrt(1 - kept ** 2) * random.normal()
    return now
  }
}

/**
 * The air a true room has: its usual year, bent by days and weeks of weather that nobody is told of, and by the hours
 * of a day. What people know is the usual year alone, or what their display shows when they look.
 */
export function roomWeather(
  random: RandomSource,
  profile: MonthlyProfile,
  span: { readonly fromS: Seconds; readonly toS: Seconds },
  warmerK: number,
): RoomSeries {
  const count = Math.ceil((span.toS - span.fromS) / WEATHER_STEP_S) + 2
  const swingK = 6 * random.uniform()
  const everDamper = 0.05 * random.normal()
  const spell = wander(random, 1.3, secondsFromDays(4))
  const season = wander(random, 1, secondsFromDays(30))
  const damp = wander(random, 0.09, secondsFromDays(3))
  const dampSeason = wander(random, 0.06, secondsFromDays(30))
  const temperatureC = new Float64Array(count)
  const relativeHumidityPercent = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const timeS = span.fromS + i * WEATHER_STEP_S
    const usual = profileAt(profile, timeS)
    const hour = (timeS / 3600) % 24
    const meanC = usual.temperatureC + warmerK + spell() + season()
    const meanRh = usual.relativeHumidityPercent * Math.exp(everDamper + damp() + dampSeason())
    const hereC = meanC + (swingK / 2) * Math.cos(((hour - WARMEST_HOUR) * 2 * Math.PI) / 24)
    temperatureC[i] = hereC
    const rh = (meanRh * saturationDensityGPerL(meanC)) / saturationDensityGPerL(hereC)
    relativeHumidityPercent[i] = Math.min(96, Math.max(6, rh))
  }
  return { fromS: span.fromS, everyS: WEATHER_STEP_S, temperatureC, relativeHumidityPercent }
}
