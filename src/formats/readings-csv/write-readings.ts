import Papa from 'papaparse'

/** One reading as a row of a table; units stand in the headings. */
export interface ReadingRow {
  readonly atMs: number
  readonly zone: string
  readonly in: 'box' | 'room'
  readonly place: string
  readonly relativeHumidityPercent: number
  readonly temperatureC: number
  readonly temperatureKnown: 'assumed' | 'measured'
  readonly hygrometer: string
  /** Which box or room it is, whatever others have its name. */
  readonly placeId: string
  /** By the checks of its display; left out: taken as it was shown. */
  readonly putRightPercent?: number
}

export const COLUMNS = [
  'at (UTC)',
  'local time',
  'in',
  'place',
  'relative humidity (%)',
  'temperature (°C)',
  'temperature known',
  'hygrometer',
  'put right (%)',
  'place id',
] as const

/**
 * What a spreadsheet would run: a sign at the beginning, after control characters too, whatever lines follow. With apostrophes before it,
 * so that one more or less is told apart. OWASP "CSV Injection" (from memory).
 */
export const FORMULA = /^'*[\p{Cc} ]*[=+\-@\t\r]/u

/** "2025-11-08 11:00" in a zone. */
const localTime = (ms: number, zone: string): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' }).format(ms)

/**
 * Readings as comma-separated values (RFC 4180), oldest first. A name a spreadsheet would take for a formula is
 * written with an apostrophe before it.
 */
export const writeReadings = (rows: readonly ReadingRow[]): string =>
  `${Papa.unparse(
    {
      fields: [...COLUMNS],
      data: rows.map(row => [
        new Date(row.atMs).toISOString(),
        localTime(row.atMs, row.zone),
        row.in,
        row.place,
        row.relativeHumidityPercent,
        row.temperatureC,
        row.temperatureKnown,
        row.hygrometer,
        row.putRightPercent ?? '',
        row.placeId,
      ]),
    },
    { escapeFormulae: FORMULA, newline: '\r\n' },
  )}\r\n`
