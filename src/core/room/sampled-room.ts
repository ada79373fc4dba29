import type { Celsius, PercentRh, Seconds } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { hoursFromSeconds, secondsFromHours } from '#units/time.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { Surroundings } from '../network/network.ts'
import { pressureAtAltitudePa } from './altitude.ts'
import { profileAt, type MonthlyProfile } from './climate.ts'
import { followLate } from './lag.ts'

/** A room known by samples at even steps: a logger's, a weather file's, or a profile's with its daily swing. */
export interface RoomSeries {
  readonly fromS: Seconds
  readonly everyS: Seconds
  readonly temperatureC: Float64Array
  /** Over water. */
  readonly relativeHumidityPercent: Float64Array
}

/** How late the box follows its room, and what stands in it follows the box; typical, from memory. */
export interface Lags {
  readonly boxS: Seconds
  readonly beadsS: Seconds
  readonly spoolsS: Seconds
}
export const USUAL_LAGS: Lags = {
  boxS: secondsFromHours(0.75),
  beadsS: secondsFromHours(1.5),
  spoolsS: secondsFromHours(3),
}

/** The surroundings of a box in such a room: straight between samples, the box and its contents following late. */
export function sampledSurroundings(
  series: RoomSeries,
  options: { lags?: Lags; altitudeM?: number } = {},
): Surroundings {
  const { fromS, everyS } = series
  const lags = options.lags ?? USUAL_LAGS
  const density = Float64Array.from(
    series.temperatureC,
    (temperatureC, i) =>
      fractionFromPercent(series.relativeHumidityPercent[i]!) * saturationDensityGPerL(temperatureC),
  )
  const box = followLate(series.temperatureC, everyS, lags.boxS)
  const beads = followLate(box, everyS, lags.beadsS)
  const spools = followLate(box, everyS, lags.spoolsS)
  const last = box.length - 1
  return {
    samples: { fromS, everyS },
    pressurePa: pressureAtAltitudePa(options.altitudeM ?? 0),
    at(timeS, out) {
      const position = Math.min(Math.max((timeS - fromS) / everyS, 0), last)
      const i = Math.min(position | 0, last - 1)
      const share = position - i
      out.temperatureC = box[i]! + share * (box[i + 1]! - box[i]!)
      out.beadTemperatureC = beads[i]! + share * (beads[i + 1]! - beads[i]!)
      out.spoolTemperatureC = spools[i]! + share * (spools[i + 1]! - spools[i]!)
      out.vapourDensityGPerL = density[i]! + share * (density[i + 1]! - density[i]!)
    },
  }
}

/** A series of one value, long enough for a run. */
export const constantSeries = (
  room: { temperatureC: Celsius; relativeHumidityPercent: PercentRh },
  fromS: Seconds,
  toS: Seconds,
): RoomSeries => ({
  fromS,
  everyS: Math.max(toS - fromS, 1),
  temperatureC: new Float64Array(2).fill(room.temperatureC),
  relativeHumidityPercent: new Float64Array(2).fill(room.relativeHumidityPercent),
})

/** Hour of the day at which a room is warmest. */
const WARMEST_HOUR = 15

/**
 * A monthly profile with a daily swing, sampled hourly: the vapour of the day's mean stays, so that RH falls by day.
 * @param dailySwingK warmest less coldest, 0–30
 */
export function profileSeries(
  profile: MonthlyProfile,
  dailySwingK: number,
  fromS: Seconds,
  toS: Seconds,
): RoomSeries {
  const everyS = secondsFromHours(1)
  const count = Math.ceil((toS - fromS) / everyS) + 2
  const temperatureC = new Float64Array(count)
  const relativeHumidityPercent = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const timeS = fromS + i * everyS
    const mean = profileAt(profile, timeS)
    const hour = hoursFromSeconds(timeS) % 24
    temperatureC[i] =
      mean.temperatureC + (dailySwingK / 2) * Math.cos(((hour - WARMEST_HOUR) * 2 * Math.PI) / 24)
    relativeHumidityPercent[i] = Math.min(
      100,
      (mean.relativeHumidityPercent * saturationDensityGPerL(mean.temperatureC)) /
        saturationDensityGPerL(temperatureC[i]!),
    )
  }
  return { fromS, everyS, temperatureC, relativeHumidityPercent }
}
