import { describe, expect, test } from '@jest/globals'
import { againText, agoText, calendarDays, dayText, isoDay, lengthText, monthStarts } from './dates.ts'
import { inFull, inTenths, inWhole, roundedGrams, signed } from './format.ts'

const OSLO = 'Europe/Oslo'
const at = (text: string) => Date.parse(text)

describe('days', () => {
  test('a day is the zone’s own', () => {
    expect(isoDay(at('2025-12-05T23:30:00Z'), OSLO)).toBe('2025-12-06')
    expect(dayText(at('2025-12-05T23:30:00Z'), at('2025-11-01T00:00:00Z'), OSLO)).toBe('Sat 6 Dec')
    expect(dayText(at('2026-09-05T12:00:00Z'), at('2025-11-01T00:00:00Z'), OSLO)).toBe('Sat 5 Sep 2026')
  })
  test('29 February', () => {
    const leapDay = at('2028-02-29T08:00:00Z')
    expect(dayText(leapDay, leapDay, OSLO)).toBe('Tue 29 Feb')
    expect(calendarDays(leapDay, at('2028-03-01T08:00:00Z'), OSLO)).toBe(1)
    expect(agoText(at('2027-02-28T08:00:00Z'), leapDay, OSLO)).toBe('366 days ago')
  })
  test('both daylight-saving days: 23 and 25 hours are a day each', () => {
    expect(calendarDays(at('2026-03-28T12:00:00Z'), at('2026-03-29T11:00:00Z'), OSLO)).toBe(1)
    expect(calendarDays(at('2026-10-24T22:30:00Z'), at('2026-10-25T22:30:00Z'), OSLO)).toBe(0)
    expect(againText(at('2026-10-26T07:00:00Z'), at('2026-10-25T12:00:00Z'), OSLO)).toBe('tomorrow at 08:00')
  })
  test('months that begin in a span', () =>
    expect(
      monthStarts(at('2025-11-20T00:00:00Z'), at('2026-02-10T00:00:00Z')).map(ms =>
        new Date(ms).getUTCMonth(),
      ),
    ).toEqual([11, 0, 1]))
  test('lengths in plain words', () =>
    expect([1, 9, 30, 150, 500].map(days => lengthText(days * 86_400_000))).toEqual([
      '1 day',
      '9 days',
      '4 weeks',
      '5 months',
      'over a year',
    ]))
})

test('numbers', () => {
  expect(inWhole(-3.4)).toBe('−3')
  expect(inWhole(-0.2)).toBe('0')
  expect(inTenths(2.345)).toBe('2.3')
  expect(signed('4')).toBe('+4')
  expect(signed('−4')).toBe('−4')
  expect(inFull(0.000_012_345_67)).toBe('1.2346e−5')
  expect(inFull(12.345_678)).toBe('12.3457')
  expect([7.2, 33, 141].map(roundedGrams)).toEqual([8, 35, 150])
})
