import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { readReadings } from './read-readings.ts'
import { writeReadings, type ReadingRow } from './write-readings.ts'

const row = (change: Partial<ReadingRow> = {}): ReadingRow => ({
  atMs: Date.UTC(2025, 6, 3, 8, 30),
  zone: 'Europe/Oslo',
  in: 'box',
  place: 'Thole',
  relativeHumidityPercent: 18,
  temperatureC: 16.5,
  temperatureKnown: 'measured',
  hygrometer: 'Small round',
  ...change,
})
const back = (text: string) => {
  const read = readReadings(text)
  return read.ok ? read.rows : read.problem
}

describe('readings as a table', () => {
  test('headings name the units, times stand in UTC and on the wall', () => {
    const [heading, first] = writeReadings([row()]).split('\r\n')
    expect(heading).toBe(
      'at (UTC),local time,in,place,relative humidity (%),temperature (°C),temperature known,hygrometer,put right (%)',
    )
    expect(first).toBe('2025-07-03T08:30:00.000Z,2025-07-03 10:30,box,Thole,18,16.5,measured,Small round,')
  })
  // OWASP "CSV Injection" (from memory): = + - @, tab and return begin a formula
  test.each(['=1+1', '+cmd', '-2', '@x', '\tx', '=HYPERLINK("x")'])(
    '%j does not run in a spreadsheet',
    place => {
      const text = writeReadings([row({ place })])
      const cell = /box,("?)(.*?)\1,18/s.exec(text)![2]!
      expect(cell.startsWith("'")).toBe(true)
      expect(back(text)).toMatchObject([{ place }])
    },
  )
  test('any readings come back', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            atMs: fc.integer({ min: Date.UTC(2020, 0, 1), max: Date.UTC(2035, 0, 1) }),
            place: fc
              .string({ minLength: 1, maxLength: 30 })
              .filter(text => text.trim() === text && !text.startsWith("'")),
            relativeHumidityPercent: fc.integer({ min: 0, max: 100 }),
            temperatureC: fc.integer({ min: -30, max: 60 }),
          }),
          { maxLength: 8 },
        ),
        list => {
          const rows = list.map(item => row(item))
          expect(back(writeReadings(rows))).toMatchObject(
            rows.map(({ atMs, place, relativeHumidityPercent, temperatureC }) => ({
              atMs,
              place,
              relativeHumidityPercent,
              temperatureC,
            })),
          )
        },
      ),
      { seed: 7, numRuns: 200 },
    )
  })
  const good = writeReadings([row(), row({ place: 'Ferry' })])
  test.each([
    ['', { line: 1 }],
    ['a,b\r\n1,2', { line: 1, column: 'at (UTC)' }],
    [good.replace('relative humidity (%)', 'RH'), { line: 1, column: 'relative humidity (%)' }],
    [
      good.replace('2025-07-03T08:30:00.000Z,2025-07-03 10:30,box,Ferry', '3.7.2025,x,box,Ferry'),
      { line: 3, column: 'at (UTC)' },
    ],
    [good.replace('box,Thole', 'shed,Thole'), { line: 2, column: 'in' }],
    [good.replace('Thole,18', 'Thole,180'), { line: 2, column: 'relative humidity (%)' }],
    [good.replace('Thole,18,16.5', 'Thole,18,"16,5"'), { line: 2, column: 'temperature (°C)' }],
    [good.replace('box,Thole', 'box,'), { line: 2, column: 'place' }],
  ])('refuses %j naming line and column', (text, problem) => expect(back(text)).toMatchObject(problem))
})
