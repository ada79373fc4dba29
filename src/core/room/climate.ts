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

/** A thermometer's word, wherever in the room it stands. */
export interface RoomTemperature {
  readonly atS: Seconds
  readonly temperatureC: Celsius
}

/**
 * The room's air over a run: the monthly profile, bent to pass through the room's own readings, day by day.
 * @param readings in order of time; may be none
 * @param temperatures what displays in the boxes show, in order of time: a room that is always warmer than its profile
 * stays so; left out: the room's own readings alone tell, and their word fades
 */
export function roomCourse(room: {
  profile: MonthlyProfile
  readings: readonly RoomReading[]
  temperatures?: readonly RoomTemperature[]
  fromS: Seconds
  toS: Seconds
}): RoomCourse {
  const days = Math.ceil(daysFromSeconds(room.toS - room.fromS)) + 2
  const temperatureC = new Float64Array(days)
  const relativeHumidityPercent = new Float64Array(days)
  const usualAt = (atS: Seconds) => profileAt(room.profile, atS)
  const rhOff = departure(
    room.readings.map(({ atS, relativeHumidityPercent: rh }) => ({
      atS,
      off: rh - usualAt(atS).relativeHumidityPercent,
    })),
    0,
  )
  const told = room.temperatures?.length ? room.temperatures : room.readings
  const offsC = told.map(({ atS, temperatureC: c }) => ({ atS, off: c - usualAt(atS).temperatureC }))
  const cOff = departure(steadied(offsC), told === room.temperatures ? middleOf(offsC) : 0)
  for (let day = 0; day < days; day++) {
    const timeS = room.fromS + secondsFromDays(day)
    const usual = usualAt(timeS)
    temperatureC[day] = usual.temperatureC + cOff(timeS)
    relativeHumidityPercent[day] = usual.relativeHumidityPercent + rhOff(timeS)
  }
  return {
    fromS: room.fromS,
    temperatureC,
    relativeHumidityPercent,
    saturationGPerL: temperatureC.map(saturationDensityGPerL),
  }
}

interface Departure {
  readonly atS: Seconds
  readonly off: number
}

/** How far from its usual year a room is, straight between what is known; after the last it fades to what it usually is. */
function departure(known: readonly Departure[], usualOff: number): (timeS: Seconds) => number {
  let next = 0
  return timeS => {
    if (known.length === 0) return 0
    while (next < known.length && known[next]!.atS <= timeS) next++
    const before = known[next - 1]
    const after = known[next]
    if (!before) return after!.off
    if (!after) return usualOff + (before.off - usualOff) * Math.exp((before.atS - timeS) / RETURN_S)
    const share = (timeS - before.atS) / (after.atS - before.atS)
    return before.off * (1 - share) + after.off * share
  }
}

/** Each the middle of five in a row: one slip, °F for °C, moves nothing. Few are taken as they are, but none far off. */
const steadied = (offs: readonly Departure[]): Departure[] =>
  offs.map(({ atS }, i) => ({ atS, off: middleOf(offs.slice(Math.max(0, i - 2), i + 3)) }))

function middleOf(offs: readonly Departure[]): number {
  if (offs.length === 0) return 0
  const sorted = offs.map(({ off }) => off).sort((a, b) => a - b)
  return sorted[(sorted.length - 1) >> 1]!
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
    days: course,
    at(timeS, out) {
      const position = Math.min(Math.max(daysFromSeconds(timeS - fromS), 0), days - 1.001)
      const index = Math.floor(position)
      const share = position - index
      out.temperatureC = temperatureC[index]! * (1 - share) + temperatureC[index + 1]! * share
      out.vapourDensityGPerL = densityGPerL(index) * (1 - share) + densityGPerL(index + 1) * share
    },
  }
}
