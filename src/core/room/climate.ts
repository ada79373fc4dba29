import type { Celsius, PercentRh, Seconds } from '#units/quantity.ts'
import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { Surroundings } from '../network/network.ts'

/** Twelve values, January first, each for the middle of its month. */
export interface MonthlyProfile {
  readonly temperatureC: readonly number[]
  readonly relativeHumidityPercent: readonly number[]
}

export const CLIMATE_KINDS = ['heated', 'mild', 'damp', 'hot'] as const
export type ClimateKind = (typeof CLIMATE_KINDS)[number]

/** Plain answers for a room nobody has measured; typical, from memory; northern seasons. */
export const CLIMATES: Readonly<Record<ClimateKind, { name: string; profile: MonthlyProfile }>> = {
  heated: {
    name: 'heated, dry in winter',
    profile: {
      temperatureC: [20, 20, 20, 20.5, 21.5, 23, 24, 24, 22, 21, 20, 20],
      relativeHumidityPercent: [34, 33, 36, 40, 45, 50, 53, 54, 52, 48, 42, 36],
    },
  },
  mild: {
    name: 'mild',
    profile: {
      temperatureC: [15, 15, 16, 18, 19, 21, 23, 23, 21, 19, 17, 15],
      relativeHumidityPercent: [55, 54, 53, 52, 53, 55, 56, 57, 58, 59, 58, 56],
    },
  },
  damp: {
    name: 'damp cellar or garage',
    profile: {
      temperatureC: [8, 8, 9, 11, 13, 15, 17, 17, 16, 13, 10, 9],
      relativeHumidityPercent: [74, 73, 71, 70, 72, 75, 77, 78, 78, 77, 76, 75],
    },
  },
  hot: {
    name: 'hot and humid',
    profile: {
      temperatureC: [25, 26, 27, 28, 29, 29, 29, 29, 29, 28, 27, 26],
      relativeHumidityPercent: [66, 66, 66, 67, 70, 73, 74, 75, 75, 73, 70, 68],
    },
  },
}

const DAYS_PER_YEAR = 365.2425
const DAYS_PER_MONTH = DAYS_PER_YEAR / 12
const MID_JANUARY_DAYS = DAYS_PER_MONTH / 2

/** The profile at an instant, straight between the middles of the months; the date is UTC, half a day is nothing here. */
export function profileAt(
  profile: MonthlyProfile,
  timeS: Seconds,
): { temperatureC: Celsius; relativeHumidityPercent: PercentRh } {
  const months = (daysFromSeconds(timeS) - MID_JANUARY_DAYS) / DAYS_PER_MONTH
  const wrapped = ((months % 12) + 12) % 12
  const index = Math.floor(wrapped)
  const share = wrapped - index
  const between = (values: readonly number[]) =>
    values[index]! * (1 - share) + values[(index + 1) % 12]! * share
  return {
    temperatureC: between(profile.temperatureC),
    relativeHumidityPercent: between(profile.relativeHumidityPercent),
  }
}

export interface RoomReading {
  readonly atS: Seconds
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
}

/** After the last reading the room drifts back to its usual climate with this time constant. */
const RETURN_S = secondsFromDays(30)

/** The room's air day by day, before any draw bends its humidity. */
export interface RoomCourse {
  readonly fromS: Seconds
  readonly temperatureC: Float64Array
  readonly relativeHumidityPercent: Float64Array
  readonly saturationGPerL: Float64Array
}

/**
 * The room's air over a run: the monthly profile, bent to pass through the room's own readings, day by day.
 * @param readings in order of time; may be none
 */
export function roomCourse(room: {
  profile: MonthlyProfile
  readings: readonly RoomReading[]
  fromS: Seconds
  toS: Seconds
}): RoomCourse {
  const days = Math.ceil(daysFromSeconds(room.toS - room.fromS)) + 2
  const temperatureC = new Float64Array(days)
  const relativeHumidityPercent = new Float64Array(days)
  const departures = room.readings.map(reading => {
    const usual = profileAt(room.profile, reading.atS)
    return {
      atS: reading.atS,
      temperatureC: reading.temperatureC - usual.temperatureC,
      rhPercent: reading.relativeHumidityPercent - usual.relativeHumidityPercent,
    }
  })
  let next = 0
  for (let day = 0; day < days; day++) {
    const timeS = room.fromS + secondsFromDays(day)
    while (next < departures.length && departures[next]!.atS <= timeS) next++
    const before = departures[next - 1]
    const after = departures[next]
    let share = 0
    let fade = 1
    if (before && after) share = (timeS - before.atS) / (after.atS - before.atS)
    else if (before) fade = Math.exp(-(timeS - before.atS) / RETURN_S)
    const from = before ?? after
    const to = after ?? before
    const usual = profileAt(room.profile, timeS)
    const offC = from && to ? fade * (from.temperatureC * (1 - share) + to.temperatureC * share) : 0
    const offRh = from && to ? fade * (from.rhPercent * (1 - share) + to.rhPercent * share) : 0
    temperatureC[day] = usual.temperatureC + offC
    relativeHumidityPercent[day] = usual.relativeHumidityPercent + offRh
  }
  return {
    fromS: room.fromS,
    temperatureC,
    relativeHumidityPercent,
    saturationGPerL: temperatureC.map(saturationDensityGPerL),
  }
}

/**
 * The surroundings such a course makes.
 * @param humidityFactor scales the room's RH: how wrong the profile or the room's hygrometer may be
 * @param ahead scales it once more from a time on: the weather to come
 */
export function courseSurroundings(
  course: RoomCourse,
  humidityFactor: number,
  ahead: { readonly fromS: Seconds; readonly factor: number } = { fromS: Infinity, factor: 1 },
): Surroundings {
  const { fromS, temperatureC, relativeHumidityPercent, saturationGPerL } = course
  const days = temperatureC.length
  const aheadDay = daysFromSeconds(ahead.fromS - fromS)
  // as it is asked for: a draw asks for a part of the days only
  const densityGPerL = (day: number): number => {
    const factor = day > aheadDay ? humidityFactor * ahead.factor : humidityFactor
    const rh = Math.min(98, Math.max(3, relativeHumidityPercent[day]! * factor))
    return fractionFromPercent(rh) * saturationGPerL[day]!
  }
  return {
    at(timeS, out) {
      const position = Math.min(Math.max(daysFromSeconds(timeS - fromS), 0), days - 1.001)
      const index = Math.floor(position)
      const share = position - index
      out.temperatureC = temperatureC[index]! * (1 - share) + temperatureC[index + 1]! * share
      out.vapourDensityGPerL = densityGPerL(index) * (1 - share) + densityGPerL(index + 1) * share
    },
  }
}
