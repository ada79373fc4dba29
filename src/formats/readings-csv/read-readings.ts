import Papa from 'papaparse'
import * as v from 'valibot'
import { bounds, rhField, temperatureField } from '#records/fields.ts'
import { COLUMNS, FORMULA } from './write-readings.ts'

/** One row read back; places stay names until they are matched. */
export interface ReadRow {
  readonly line: number
  readonly atMs: number
  readonly in: 'box' | 'room'
  readonly place: string
  readonly relativeHumidityPercent: number
  readonly temperatureC: number
  readonly temperatureKnown: 'assumed' | 'measured'
  /** As the table names it; empty where it does not. */
  readonly hygrometer: string
  /** As the table has it; empty where it does not. */
  readonly placeId: string
}

export interface CsvProblem {
  readonly line: number
  readonly column: string | null
  readonly message: string
}

export const MOST_CSV_BYTES = 16 * 1024 * 1024
const MOST_ROWS = 5000
const INSTANT = /^(\d{4})-(\d\d)-(\d\d)T\d\d:\d\d(?::\d\d(?:\.\d{1,3})?)?(?:Z|[+-]\d\d:\d\d)$/
/** NaN where it is no time of day on a real day, or says nothing of its zone: it would be taken for another. */
function instantMs(text: string): number {
  const parts = INSTANT.exec(text)
  if (!parts) return Number.NaN
  const [year, month, day] = parts.slice(1, 4).map(Number)
  const onDay = new Date(Date.UTC(year!, month! - 1, day))
  const isReal = onDay.getUTCMonth() === month! - 1 && onDay.getUTCDate() === day
  return isReal && year! >= 1970 && year! < 2200 ? Date.parse(text) : Number.NaN
}
const NEEDED = ['at (UTC)', 'in', 'place', 'relative humidity (%)', 'temperature (°C)'] as const

export type ReadingsRead =
  | { readonly ok: true; readonly rows: readonly ReadRow[] }
  | { readonly ok: false; readonly problem: CsvProblem }

const TELL_EVERY = 200

/**
 * Reads a table of readings: every row, or none and why. Never throws.
 * @param tell how much of it is read, 0 to 1
 */
export function readReadings(text: string, tell: (share: number) => void = () => {}): ReadingsRead {
  const no = (line: number, column: string | null, message: string) => ({
    ok: false as const,
    problem: { line, column, message },
  })
  if (text.length > MOST_CSV_BYTES) return no(1, null, 'The file is larger than any table of readings.')
  const table = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [heading, ...body] = table.data
  if (!heading) return no(1, null, 'The file is empty.')
  const at = (name: string) => heading.findIndex(cell => cell.trim() === name)
  const missing = NEEDED.find(name => at(name) < 0)
  if (missing !== undefined)
    return no(1, missing, `This column is missing: the first line names ${COLUMNS.join(', ')}.`)
  if (body.length > MOST_ROWS)
    return no(
      MOST_ROWS + 2,
      null,
      `More than ${MOST_ROWS} readings: split the file and bring in one part after the other.`,
    )
  const rows: ReadRow[] = []
  for (const [index, cells] of body.entries()) {
    const line = index + 2
    if (index % TELL_EVERY === 0) tell(index / body.length)
    const cell = (name: string): string => (cells[at(name)] ?? '').trim()
    if (cells.length !== heading.length)
      return no(
        line,
        null,
        `It has ${cells.length} cells, the first line ${heading.length}: a decimal comma makes two of one, write a point.`,
      )
    const atMs = instantMs(cell('at (UTC)'))
    if (Number.isNaN(atMs))
      return no(
        line,
        'at (UTC)',
        'A time reads like 2025-11-08T10:00:00Z, with Z or its offset; the day is one of the calendar, from 1970 to 2199.',
      )
    const where = cell('in')
    if (where !== 'box' && where !== 'room') return no(line, 'in', 'This is either box or room.')
    const relativeHumidityPercent = number(cell('relative humidity (%)'))
    if (!v.is(rhField, relativeHumidityPercent))
      return no(line, 'relative humidity (%)', 'Relative humidity is a number from 0 to 100.')
    const temperatureC = number(cell('temperature (°C)'))
    const { min, max } = bounds.temperatureC
    if (!v.is(temperatureField, temperatureC))
      return no(line, 'temperature (°C)', `Temperature is a number from ${min} to ${max}.`)
    const place = plain(cell('place'))
    if (place === '') return no(line, 'place', 'The name of the box or the room is missing.')
    rows.push({
      line,
      atMs,
      in: where,
      place,
      relativeHumidityPercent,
      temperatureC,
      temperatureKnown: cell('temperature known') === 'assumed' ? 'assumed' : 'measured',
      hygrometer: plain(cell('hygrometer')),
      placeId: plain(cell('place id')),
    })
  }
  return { ok: true, rows }
}

/** Without the apostrophe that keeps a spreadsheet from running a name. */
const plain = (name: string): string =>
  name.startsWith("'") && FORMULA.test(name.slice(1)) ? name.slice(1) : name

/** A plain number with a point; nothing else, so that a comma is never misread. */
const number = (text: string): number => (/^-?\d{1,6}(\.\d{1,10})?$/.test(text) ? Number(text) : Number.NaN)
