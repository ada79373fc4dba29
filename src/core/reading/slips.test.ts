import { describe, expect, test } from '@jest/globals'
import { slipOf, type Expectation, type Typed } from './slips.ts'

const expected: Expectation = {
  rhPercent: { low: 21, middle: 24, high: 27 },
  nearC: [11, 12],
  accuracyPercentRh: 5,
  lastRhPercent: 23,
}
const typed = (change: Partial<Typed>): Typed => ({
  rhPercent: 24,
  temperature: 11,
  scale: 'C',
  opened: false,
  ...change,
})
const slip = (change: Partial<Typed>, at: Partial<Expectation> = {}) =>
  slipOf(typed(change), { ...expected, ...at })

// common practice: about half of all spoken settings name no scale, and digits are turned round in haste
describe('slips', () => {
  test('nothing is asked of what was expected', () => {
    for (const rhPercent of [21, 24, 30, 34]) expect(slip({ rhPercent })).toBeNull()
    expect(slip({ temperature: 17 })).toBeNull()
    expect(slip({ temperature: null })).toBeNull()
  })
  test('°F typed as °C, and the reverse', () => {
    expect(slip({ temperature: 52 })).toMatchObject({ kind: 'scale', otherwiseC: expect.closeTo(11.1, 1) })
    expect(slip({ temperature: 12, scale: 'F' })).toMatchObject({ kind: 'scale', otherwiseC: 12 })
    expect(slip({ temperature: 53, scale: 'F' })).toBeNull()
  })
  test('RH and temperature in each other’s field, in either scale', () => {
    expect(
      slip({ rhPercent: 11, temperature: 25 }, { rhPercent: { low: 24, middle: 27, high: 30 } }),
    ).toEqual({
      kind: 'swapped',
      rhPercent: 25,
      temperature: 11,
    })
    expect(slip({ rhPercent: 52, temperature: 24, scale: 'F' })).toEqual({
      kind: 'swapped',
      rhPercent: 24,
      temperature: 52,
    })
  })
  test('digits turned round', () => {
    expect(slip({ rhPercent: 42 })).toEqual({ kind: 'turned round', rhPercent: 24 })
    expect(slip({ rhPercent: 44 })).toMatchObject({ kind: 'jump' })
  })
  test('a jump with the lid shut; not when it was opened, nor back to where it was', () => {
    expect(slip({ rhPercent: 60 })).toEqual({ kind: 'jump', lowRhPercent: 13.5, highRhPercent: 34.5 })
    expect(slip({ rhPercent: 60, opened: true })).toBeNull()
    expect(slip({ rhPercent: 60 }, { lastRhPercent: 61 })).toBeNull()
    expect(slip({ rhPercent: 60 }, { rhPercent: null })).toBeNull()
  })
})
