import Papa from 'papaparse'
import * as v from 'valibot'
import type { RoomSeries } from '#core/room/sampled-room.ts'
import { bounds, finite } from '#records/fields.ts'

/** A year of weather, hour by hour, and where it is from. */
export interface Weather {
  readonly place: string
  readonly altitudeM: number
  readonly series: RoomSeries
}
export interface WeatherProblem {
  readonly line: number
  readonly message: string
}

export const MOST_EPW_BYTES = 8 * 1024 * 1024
const HEADINGS = 8
const FIELDS = 35
const HOURS_OF_A_YEAR = [8760, 8784]
/** Columns of a data line. */
const COLUMN = { dryBulb: 6, relativeHumidity: 8 } as const
/** What stands where nothing was measured. */
const MISSING = { dryBulb: 99.9, relativeHumidity: 999 } as const

const dryBulbField = finite(bounds.climateC.min, bounds.climateC.max)
const humidityField = finite(0, 110)
const altitudeField = finite(-500, 5000)

/**
 * Reads a weather file in the EPW format: every hour of its year, or none and why. Never throws.
 * Source: the published EPW format, 8 heading lines, then 35 fields an hour (from memory).
 */
export function readEpw(
  text: string,
):
  | { readonly ok: true; readonly weather: Weather }
  | { readonly ok: false; readonly problem: WeatherProblem } {
  const no = (line: number, message: string) => ({ ok: false as const, problem: { line, message } })
  if (text.length > MOST_EPW_BYTES)
    return no(1, 'The file is larger than a year of weather: is it the right one?')
  const lines = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimiter: ',',
  }).data
  const [heading] = lines
  if (heading?.[0]?.trim().toUpperCase() !== 'LOCATION')
    return no(1, 'This is no EPW weather file: its first line begins with LOCATION.')
  const altitudeM = Number(heading[9])
  if (!v.is(altitudeField, altitudeM))
    return no(1, 'The altitude, last on this line, is a number of metres from −500 to 5000.')
  const hours = lines.slice(HEADINGS)
  if (!HOURS_OF_A_YEAR.includes(hours.length))
    return no(
      HEADINGS + Math.max(1, hours.length),
      `A year has 8760 hours, or 8784: here are ${hours.length}. Take the file of a whole year.`,
    )
  const temperatureC = new Float64Array(hours.length)
  const relativeHumidityPercent = new Float64Array(hours.length)
  for (const [i, cells] of hours.entries()) {
    const line = HEADINGS + 1 + i
    if (cells.length < FIELDS - 3)
      return no(line, `An hour has ${FIELDS} fields, here are ${cells.length}: the line is cut short.`)
    const dryBulb = number(cells[COLUMN.dryBulb])
    const humidity = number(cells[COLUMN.relativeHumidity])
    const kept = { dryBulb: temperatureC[i - 1], humidity: relativeHumidityPercent[i - 1] }
    // a missing hour is taken like the one before it; the first may not be missing
    const t = dryBulb === MISSING.dryBulb ? kept.dryBulb : dryBulb
    const rh = humidity === MISSING.relativeHumidity ? kept.humidity : humidity
    if (!v.is(dryBulbField, t))
      return no(
        line,
        `The dry-bulb temperature (field 7) is a number from −70 to 70 °C, not “${cells[6] ?? ''}”.`,
      )
    if (!v.is(humidityField, rh))
      return no(line, `The relative humidity (field 9) is a number from 0 to 110 %, not “${cells[8] ?? ''}”.`)
    temperatureC[i] = t
    relativeHumidityPercent[i] = Math.min(rh, 100)
  }
  return {
    ok: true,
    weather: {
      place: (heading[1] ?? '').trim().slice(0, 60) || 'a place without a name',
      altitudeM,
      series: { fromS: 0, everyS: 3600, temperatureC, relativeHumidityPercent },
    },
  }
}

const number = (text: string | undefined): number =>
  /^\s*-?\d{1,6}(\.\d{1,6})?\s*$/.test(text ?? '') ? Number(text) : Number.NaN
