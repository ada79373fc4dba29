import { expect, test } from '@jest/globals'
import { stuckSinceS } from './stuck.ts'

const DAY = 86_400
const looks = (...shown: readonly (readonly [day: number, rh: number, c: number, place?: string])[]) =>
  shown.map(([day, rhPercent, temperatureC, place = 'a']) => ({
    atS: day * DAY,
    rhPercent,
    temperatureC,
    place,
  }))

test('the same two figures for a week are a stuck display', () =>
  expect(stuckSinceS(looks([0, 20, 15], [7, 18, 14.5], [9, 18, 14.5], [12, 18, 14.5], [15, 18, 14.5]))).toBe(
    7 * DAY,
  ))
test('in three places within the hour too', () =>
  expect(
    stuckSinceS(looks([0, 18, 14, 'a'], [0.01, 18, 14, 'b'], [0.02, 18, 14, 'c'], [0.03, 18, 14, 'd'])),
  ).toBe(0))
test.each([
  ['its temperature moves', looks([0, 18, 14], [3, 18, 14.5], [6, 18, 14], [9, 18, 14.5])],
  ['three looks only', looks([0, 18, 14], [7, 18, 14], [14, 18, 14])],
  ['four looks of one day in one place', looks([0, 18, 14], [0.1, 18, 14], [0.2, 18, 14], [0.3, 18, 14])],
  ['it moved at the last', looks([0, 18, 14], [7, 18, 14], [14, 18, 14], [21, 18, 14], [22, 19, 14])],
  ['never read', looks()],
])('%s: not stuck', (_, list) => expect(stuckSinceS(list)).toBeNull())
