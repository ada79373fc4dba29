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
  placeId: 'thole',
  ...change,
})
const back = (text: string) => {
  const read = readReadings(text)
  return read.ok ? read.rows : read.problem
}

describe('a table that says something else than it seems to', () => {
  const HEAD = 'at (UTC),in,place,relative humidity (%),temperature (°C)'
  const read = (line: string) => readReadings(`${HEAD}\n2025-07-03T08:30:00Z,box,Thole,18,16.5\n${line}`)
  test.each([
    ['a time without its zone', '2025-07-03T08:30:00,box,Thole,18,16.5', 'at (UTC)', /with Z or its offset/],
    ['a day there is none of', '2025-02-30T08:30:00Z,box,Thole,18,16.5', 'at (UTC)', /one of the calendar/],
    ['the year nought', '0000-01-01T00:00:00+23:59,box,Thole,18,16.5', 'at (UTC)', /from 1970 to 2199/],
    ['an hour there is none of', '2025-07-03T25:30:00Z,box,Thole,18,16.5', 'at (UTC)', /A time reads like/],
    [
      'decimal commas without quotes',
      '2025-07-03T08:30:00Z,box,Thole,31,5,20,1',
      null,
      /7 cells, the first line 5: a decimal comma makes two of one, write a point/,
    ],
    ['a cell too few', '2025-07-03T08:30:00Z,box,Thole,18', null, /4 cells/],
  ])('%s is refused by its line: nothing is taken in', (_what, line, column, message) => {
    const found = read(line)
    expect(found).toMatchObject({ ok: false, problem: { line: 3, column } })
    expect(found.ok || found.problem.message).toMatch(message)
  })
  test('an offset is taken at its word', () => {
    expect(read('2025-07-03T10:30:00+02:00,box,Thole,31.5,20.1')).toMatchObject({
      ok: true,
      rows: [{}, { atMs: Date.UTC(2025, 6, 3, 8, 30), relativeHumidityPercent: 31.5, temperatureC: 20.1 }],
    })
  })
})

describe('readings as a table', () => {
  test('headings name the units, times stand in UTC and on the wall', () => {
    const [heading, first] = writeReadings([row()]).split('\r\n')
    expect(heading).toBe(
      'at (UTC),local time,in,place,relative humidity (%),temperature (°C),temperature known,hygrometer,put right (%),place id',
    )
    expect(first).toBe(
      '2025-07-03T08:30:00.000Z,2025-07-03 10:30,box,Thole,18,16.5,measured,Small round,,thole',
    )
  })
  // OWASP "CSV Injection" (from memory): = + - @, tab and return begin a formula
  test.each(['=1+1', '+cmd', '-2', '@x', '\tx', '=HYPERLINK("x")', '=HYPERLINK(1)\nx', "'=1", "''+x"])(
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
