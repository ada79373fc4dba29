import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { saturationDensityGPerL } from '#core/air/vapour.ts'
import { monthlyMeans, weatherRoom } from '#core/room/weather-room.ts'
import { readEpw } from './read-epw.ts'
import { madeUpEpw } from '#testing/made-up-epw.ts'

const text = madeUpEpw()
const lines = text.split('\n')
const withLine = (n: number, line: string) => lines.map((old, i) => (i === n - 1 ? line : old)).join('\n')
const problem = (of: string) => {
  const read = readEpw(of)
  if (read.ok) throw new Error('It was read.')
  return read.problem
}

describe('a weather file', () => {
  const read = readEpw(text)
  if (!read.ok) throw new Error(read.problem.message)
  const { weather } = read
  test('gives its place, altitude and every hour', () => {
    expect(weather.place).toBe('Nowhere Fell')
    expect(weather.altitudeM).toBe(340)
    expect(weather.series.temperatureC).toHaveLength(8760)
  })
  test('an hour not measured is like the one before', () => {
    const cells = lines[100]!.split(',')
    cells[6] = '99.9'
    cells[8] = '999'
    const again = readEpw(withLine(101, cells.join(',')))
    if (!again.ok) throw new Error(again.problem.message)
    expect(again.weather.series.temperatureC[92]).toBe(weather.series.temperatureC[91])
  })
  test.each([
    ['another file', 'a,b,c\n1,2,3', 1, /first line begins with LOCATION/],
    ['half a year', lines.slice(0, 4000).join('\n'), 4000, /whole year/],
    ['too hot', withLine(500, lines[499]!.replace(/^((?:[^,]*,){6})[^,]*/, '$1120')), 500, /−70 to 70/],
    ['no number', withLine(600, lines[599]!.replace(/^((?:[^,]*,){8})[^,]*/, '$1wet')), 600, /0 to 110/],
    ['cut short', withLine(700, '2001,1,2,3,60'), 700, /cut short/],
  ])('%s is refused with its line and what to do', (_name, of, line, message) => {
    expect(problem(of)).toMatchObject({ line })
    expect(problem(of).message).toMatch(message)
  })
  test('anything at all is read or refused, never thrown', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), fc.nat(9000), (junk, at) => {
        readEpw(junk)
        readEpw(text.slice(0, at) + junk + text.slice(at + junk.length))
      }),
      { seed: 2, numRuns: 30 },
    ))
})

describe('the room it makes', () => {
  const read = readEpw(text)
  if (!read.ok) throw new Error(read.problem.message)
  const { series } = read.weather
  const [cold, partly, warm] = (['unheated', 'partly', 'heated'] as const).map(heating =>
    weatherRoom(series, heating),
  )
  test('heating warms and dries it in winter, and leaves the summer', () => {
    const january = [cold, partly, warm].map(room => monthlyMeans(room!))
    const t = january.map(profile => profile.temperatureC[0]!)
    const rh = january.map(profile => profile.relativeHumidityPercent[0]!)
    expect(t[0]).toBeLessThan(3)
    expect(t[1]).toBeCloseTo(12, 1)
    expect(t[2]).toBeCloseTo(20, 1)
    expect(rh[0]!).toBeGreaterThan(rh[1]!)
    expect(rh[1]!).toBeGreaterThan(rh[2]!)
  })
  test('an unheated room keeps the vapour of the weather; a day’s swing is halved or more', () => {
    const density = (room: typeof series) =>
      room.temperatureC.reduce(
        (sum, t, i) => sum + room.relativeHumidityPercent[i]! * saturationDensityGPerL(t),
        0,
      )
    expect(density(cold!) / density(series)).toBeGreaterThan(0.97)
    expect(density(cold!) / density(series)).toBeLessThan(1.001)
    const swing = (values: Float64Array) => {
      const day = values.slice(24 * 180, 24 * 181)
      return Math.max(...day) - Math.min(...day)
    }
    expect(swing(cold!.temperatureC)).toBeLessThan(0.5 * swing(series.temperatureC))
  })
  test('monthly means of a steady year are that year', () => {
    const steady = {
      fromS: 0,
      everyS: 3600,
      temperatureC: new Float64Array(8784).fill(11),
      relativeHumidityPercent: new Float64Array(8784).fill(63),
    }
    const means = monthlyMeans(steady)
    expect(means.temperatureC.every(t => Math.abs(t - 11) < 1e-9)).toBe(true)
    expect(means.relativeHumidityPercent.every(rh => Math.abs(rh - 63) < 1e-9)).toBe(true)
  })
})
