import { expect, test } from '@jest/globals'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { ByDay } from './by-day.ts'

const DAY_S = 86_400
const temperatureC = Float64Array.from([14, 15, 17, 16.5, 12])
const days = { fromS: 1000, temperatureC }
const twice = (c: number) => 2 * c
const read = (timeS: number, fresh = false) => {
  const room = fresh ? { ...days, temperatureC: temperatureC.slice() } : days
  const out = new Float64Array(2)
  new ByDay(room, [saturationDensityGPerL, twice]).read(timeS, out)
  return [...out] as [number, number]
}

test('on a day it is the function itself, between days straight', () => {
  expect(read(1000 + 2 * DAY_S)).toEqual([saturationDensityGPerL(17), 34])
  expect(read(1000 + 1.25 * DAY_S)[1]).toBeCloseTo(2 * 15.5, 12)
})
test('a day that warms by 2 K bends saturation by 0.2 % at its middle, no more', () => {
  const [straight] = read(1000 + 1.5 * DAY_S)
  const off = straight / saturationDensityGPerL(16) - 1
  expect(off).toBeGreaterThan(0)
  expect(off).toBeLessThan(0.002)
})
test('before the first day and after the last it stands still, as the room does', () => {
  expect(read(-5 * DAY_S)).toEqual(read(1000))
  expect(read(90 * DAY_S)[1]).toBeCloseTo(24, 1)
})
test('whoever asks first gets what the next one gets, to the last digit', () => {
  for (const share of [0, 0.3, 1.7, 3.9]) {
    const timeS = 1000 + share * DAY_S
    expect(read(timeS, true)).toEqual(read(timeS))
  }
})
