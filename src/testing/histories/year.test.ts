import { describe, expect, test } from '@jest/globals'
import { DEVELOPED } from './sets.ts'
import { RULES, yearOf } from './year.ts'

// a box of the seeds for tuning, so that nothing measured is looked at here
const SEED = DEVELOPED.years + 5

describe('a year of one box under a rule', () => {
  const knowing = yearOf(SEED, RULES['all-knowing'])
  test('who knows the week ahead is off its target less than who waits for two readings over', () => {
    const waiting = yearOf(SEED, RULES['two readings over'])
    expect(knowing.offDays).toBeLessThan(waiting.offDays)
    expect(knowing.renewals).toBeGreaterThan(0)
  })
  test('on the first of each month is eleven times a year', () =>
    expect(yearOf(SEED, RULES['first of the month']).renewals).toBe(11))
  test('the same year again', () => expect(yearOf(SEED, RULES['all-knowing'])).toEqual(knowing))
  test('never renewing is off for as long as the beads are spent', () => {
    const never = yearOf(SEED, () => () => false)
    expect(never.renewals).toBe(0)
    expect(never.offDays).toBeGreaterThan(knowing.offDays)
  })
})
