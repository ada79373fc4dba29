import Papa from 'papaparse'
import * as v from 'valibot'
import type { WarmedReading } from '#core/spool/warm-up.ts'
import { MOST_WARMED, warmedField } from '#records/kinds/spool-test.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'

export type WarmedRead =
  | { readonly ok: true; readonly readings: readonly WarmedReading[]; readonly leftOut: number }
  | { readonly ok: false; readonly message: string }

const MOST_CHARACTERS = 2_000_000
const TEMPERATURE = /temp|°\s*[cf]|^[cf]$|celsius|fahrenheit/i
const HUMIDITY = /hum|r\.?h|%/i

/**
 * Readings of a chamber as somebody typed or a logger wrote them: a line each, temperature and relative humidity; with more
 * columns a first line names them, else the last two are taken. Never throws.
 * @param scale of temperatures whose column does not say it
 */
export function readWarmed(text: string, scale: 'C' | 'F'): WarmedRead {
  const no = (message: string): WarmedRead => ({ ok: false, message })
  if (text.length > MOST_CHARACTERS)
    return no('That is more than a warming is long: cut it to the warming itself.')
  const { plain, delimiter } = parted(text)
  const table = Papa.parse<string[]>(plain, { skipEmptyLines: 'greedy', delimiter })
  const rows = table.data
  const [first] = rows
  if (!first) return no('Type a reading a line: the temperature, then the humidity, as 43 18.')
  const names = first.some(cell => Number.isNaN(numberOf(cell)) && /\p{L}|%/u.test(cell)) ? first : null
  const temperatureAt = names ? names.findIndex(cell => TEMPERATURE.test(cell) && !HUMIDITY.test(cell)) : -1
  const humidityAt = names ? names.findIndex(cell => HUMIDITY.test(cell)) : -1
  if (names && (temperatureAt < 0 || humidityAt < 0))
    return no('The first line names the columns: one for the temperature, one for the humidity (RH).')
  const namedScale =
    names && /°?\s*f\b|fahrenheit/i.test(names[temperatureAt]!)
      ? 'F'
      : names && /°?\s*c\b|celsius/i.test(names[temperatureAt]!)
        ? 'C'
        : scale
  const found: WarmedReading[] = []
  for (const [index, cells] of rows.entries()) {
    if (names && index === 0) continue
    const line = index + 1
    const [temperature, humidity] = names
      ? [cells[temperatureAt], cells[humidityAt]]
      : cells.filter(cell => cell.trim() !== '').slice(-2)
    if (temperature === undefined || humidity === undefined)
      return no(`Line ${line}: type the temperature, then the humidity, as 43 18.`)
    const shown = numberOf(temperature)
    const reading = {
      temperatureC: namedScale === 'F' ? celsiusFromFahrenheit(shown) : shown,
      relativeHumidityPercent: numberOf(humidity),
    }
    if (!v.is(warmedField, reading))
      return no(
        `Line ${line}: “${cells.join(' ').slice(0, 40)}” is no temperature and humidity; humidity is 0 to 100 %.`,
      )
    found.push(reading)
  }
  if (found.length < 2) return no('One reading is no warming: type two at the least, from cool to hot.')
  const readings = thinned(found)
  return { ok: true, readings, leftOut: found.length - readings.length }
}

/** A logger's thousands, evenly; first and last stay. */
const thinned = (all: readonly WarmedReading[]): readonly WarmedReading[] =>
  all.length <= MOST_WARMED
    ? all
    : Array.from(
        { length: MOST_WARMED },
        (_, i) => all[Math.round((i * (all.length - 1)) / (MOST_WARMED - 1))]!,
      )

/** How its cells are parted: as a table is; where two numbers stand with a space between them, typed by hand, by that. */
function parted(text: string): { readonly plain: string; readonly delimiter: string } {
  const plain = text.replace(/^\uFEFF/, '').replace(/[\u2006\u00a0]/g, ' ')
  if (plain.includes('\t')) return { plain, delimiter: '\t' }
  if (plain.includes(';')) return { plain, delimiter: ';' }
  if (!/^ *-?\d[\d.,]* *(?:°? *[CF])? +-?\d/im.test(plain)) return { plain, delimiter: ',' }
  const bare = plain.replace(/ *(?:° *[CF]\b|%)/gi, '').replace(/(\d),(\d)/g, '$1.$2')
  return { plain: bare.replace(/^ +| +$/gm, '').replace(/ +/g, '\t'), delimiter: '\t' }
}

const numberOf = (cell: string): number => {
  const bare = cell
    .trim()
    .replace(/\s*(?:°\s*[CF]|%(?:\s*RH)?|[CF])$/i, '')
    .replace(',', '.')
  return bare === '' ? Number.NaN : Number(bare)
}
