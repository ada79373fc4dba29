import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { seededRandom } from '../estimate/random.ts'
import {
  displayErrors,
  leftAccuracyRh,
  shownPercent,
  truePercent,
  waitHours,
  type DisplayCheck,
} from './display-check.ts'
import { saltRhPercent, type SaltId } from '../air/salts.ts'

const DAY = 86_400
const of = (...ids: readonly string[]) => new Map(ids.map(id => [id, 5]))
const check = (change: Partial<DisplayCheck> = {}): DisplayCheck => ({
  atS: 100 * DAY,
  air: 'magnesium chloride',
  temperatureC: 20,
  waitedHours: 14,
  shown: [{ displayId: 'a', rhPercent: 36 }],
  ...change,
})
const bag = (a: number, b: number, change: Partial<DisplayCheck> = {}) =>
  check({
    air: 'bag',
    waitedHours: 1.5,
    shown: [
      { displayId: 'a', rhPercent: a },
      { displayId: 'b', rhPercent: b },
    ],
    ...change,
  })

describe('what checks tell of displays', () => {
  test('planted offsets come back within 1 % where targets lie, from two salts about them', () => {
    const random = seededRandom(11)
    const misses: number[] = []
    for (let run = 0; run < 60; run++) {
      const offset = 2 * random.normal()
      const slope = 0.03 * random.normal()
      const shownAt = (salt: SaltId, temperatureC: number) => {
        const rhPercent = saltRhPercent(salt, temperatureC)!
        return Math.round(rhPercent + offset + slope * (rhPercent - 25) + 0.4 * random.normal())
      }
      const checks = ([15, 20, 25] as const).flatMap(temperatureC =>
        (['lithium chloride', 'magnesium chloride', 'table salt'] as const).map(air =>
          check({ air, temperatureC, shown: [{ displayId: 'a', rhPercent: shownAt(air, temperatureC) }] }),
        ),
      )
      const error = displayErrors(of('a'), checks)('a', 100 * DAY)!
      misses.push(Math.abs(error.offsetRh - offset))
      expect(error.sigmaRh).toBeLessThan(0.6)
    }
    expect(Math.max(...misses)).toBeLessThan(1)
  })
  test('one jar of table salt tells of 75 %, and less of 25', () => {
    const near = displayErrors(of('a'), [check()])('a', 100 * DAY)!
    const far = displayErrors(of('a'), [
      check({ air: 'table salt', shown: [{ displayId: 'a', rhPercent: 78 }] }),
    ])('a', 100 * DAY)!
    expect(near.offsetRh).toBeGreaterThan(2)
    expect(far.offsetRh).toBeGreaterThan(1)
    expect(far.sigmaRh).toBeGreaterThan(1.5 * near.sigmaRh)
    // the two together, before it is rounded: what was shown is explained
    expect(shownPercent(75.47, far)).toBeCloseTo(78, 0)
  })
  test('two in one bag that differ by four are each half as far off, and neither is believed blindly', () => {
    const errorAt = displayErrors(of('a', 'b'), [bag(38, 34)])
    const [a, b] = [errorAt('a', 100 * DAY)!, errorAt('b', 100 * DAY)!]
    expect(a.offsetRh - b.offsetRh).toBeGreaterThan(3)
    expect(a.offsetRh).toBeCloseTo(-b.offsetRh, 6)
    expect(a.sigmaRh).toBeGreaterThan(1)
  })
  test('a spare that is known better pulls the other to itself', () => {
    const errorAt = displayErrors(
      new Map([
        ['a', 5],
        ['b', 1],
      ]),
      [bag(38, 34)],
    )
    expect(errorAt('a', 100 * DAY)!.offsetRh).toBeGreaterThan(3)
    expect(Math.abs(errorAt('b', 100 * DAY)!.offsetRh)).toBeLessThan(0.3)
  })
  test('what is learned of one display in a salt jar helps the other it shared a bag with', () => {
    const alone = displayErrors(of('a', 'b'), [bag(38, 34)])('b', 100 * DAY)!
    const helped = displayErrors(of('a', 'b'), [bag(38, 34), check()])('b', 100 * DAY)!
    expect(helped.sigmaRh).toBeLessThan(alone.sigmaRh)
  })
  test('too short a wait tells little, and what was long ago less', () => {
    const offsetAfter = (waitedHours: number) =>
      displayErrors(of('a'), [check({ waitedHours })])('a', 100 * DAY)!
    expect(offsetAfter(1).sigmaRh).toBeGreaterThan(1.8)
    expect(offsetAfter(waitHours('magnesium chloride')).sigmaRh).toBeLessThan(0.9)
    const errorAt = displayErrors(of('a'), [check()])
    expect(errorAt('a', 2000 * DAY)!.sigmaRh).toBeGreaterThan(errorAt('a', 110 * DAY)!.sigmaRh + 0.5)
    // and before the check as after it
    expect(errorAt('a', 90 * DAY)!.offsetRh).toBeCloseTo(errorAt('a', 110 * DAY)!.offsetRh, 9)
  })
  test('one that was never checked is not told of', () => {
    const errorAt = displayErrors(of('a', 'b'), [check()])
    expect(errorAt('b', 0)).toBeNull()
    expect(displayErrors(of('a'), [])('a', 0)).toBeNull()
  })
  test('there and back, and what is left is never wider than its maker says', () => {
    fc.assert(
      fc.property(
        fc.record({
          offsetRh: fc.double({ min: -8, max: 8, noNaN: true }),
          perRh: fc.double({ min: -0.1, max: 0.1, noNaN: true }),
          sigmaRh: fc.double({ min: 0, max: 5, noNaN: true }),
        }),
        fc.double({ min: 15, max: 80, noNaN: true }),
        (error, rhPercent) => {
          expect(truePercent(shownPercent(rhPercent, error), error)).toBeCloseTo(rhPercent, 9)
          expect(leftAccuracyRh(5, error)).toBeLessThanOrEqual(5)
        },
      ),
    )
  })
})
