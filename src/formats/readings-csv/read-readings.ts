import Papa from 'papaparse'
import * as v from 'valibot'
import { bounds, rhField, temperatureField } from '#records/fields.ts'
import { COLUMNS } from './write-readings.ts'

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
}

export interface CsvProblem {
  readonly line: number
  readonly column: string | null
  readonly message: string
}

export const MOST_CSV_BYTES = 16 * 1024 * 1024
const MOST_ROWS = 5000
const NEEDED = ['at (UTC)', 'in', 'place', 'relative humidity (%)', 'temperature (°C)'] as const

/** Reads a table of readings: every row, or none and why. Never throws. */
export function readReadings(
  text: string,
): { ok: true; rows: readonly ReadRow[] } | { ok: false; problem: CsvProblem } {
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
    const cell = (name: string): string => (cells[at(name)] ?? '').trim()
    const atMs = Date.parse(cell('at (UTC)'))
    if (!/^\d{4}-\d\d-\d\dT/.test(cell('at (UTC)')) || Number.isNaN(atMs))
      return no(line, 'at (UTC)', 'A time reads like 2025-11-08T10:00:00Z.')
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
    })
  }
  return { ok: true, rows }
}

/** Without the apostrophe that keeps a spreadsheet from running a name. */
const plain = (name: string): string => name.replace(/^'(?=[=+\-@\t\r])/, '')

/** A plain number with a point; nothing else, so that a comma is never misread. */
const number = (text: string): number => (/^-?\d{1,6}(\.\d{1,10})?$/.test(text) ? Number(text) : Number.NaN)
