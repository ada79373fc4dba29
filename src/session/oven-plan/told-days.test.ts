import { expect, test } from '@jest/globals'
import { addDays, daysBetween, weekdayOf } from '#units/calendar-day.ts'
import { ovenDaysFrom, toldDays, type ToldDays } from './told-days.ts'

const nothing = { days: {}, dayWishes: new Map(), boxWishes: new Map(), seen: null, plansSeen: [] }
const told: ToldDays = { ...toldDays({ ovenPlan: nothing }), weekdays: [5] }
const isos = (...asked: Parameters<typeof ovenDaysFrom>) => ovenDaysFrom(...asked).map(day => day.iso)

test('a calendar without clocks: over months, years and a leap day', () => {
  expect([addDays('2027-12-31', 1), addDays('2028-02-28', 1), addDays('2026-03-28', 2)]).toEqual([
    '2028-01-01',
    '2028-02-29',
    '2026-03-30',
  ])
  expect(daysBetween('2026-10-20', '2026-11-03')).toBe(14)
  expect(['2026-11-30', '2026-12-05', '2026-12-06'].map(weekdayOf)).toEqual([0, 5, 6])
})
test('nothing said: Saturdays, assumed; anything said: told', () => {
  expect(toldDays({ ovenPlan: nothing })).toMatchObject({ weekdays: [5], sure: 0.9, isAssumed: true })
  expect(toldDays({ ovenPlan: { ...nothing, days: { sure: 0.8 } } })).toMatchObject({
    sure: 0.8,
    presentMinutes: 300,
    isAssumed: false,
  })
})
test('weekdays from today on, today itself included, those away left out', () => {
  expect(isos(told, new Map(), [], '2026-11-28', 28)).toEqual([
    '2026-11-28',
    '2026-12-05',
    '2026-12-12',
    '2026-12-19',
    '2026-12-26',
  ])
  const away = [{ from: '2026-12-05', to: '2026-12-12' }]
  expect(isos({ ...told, away }, new Map(), [], '2026-11-28', 28)).toEqual([
    '2026-11-28',
    '2026-12-19',
    '2026-12-26',
  ])
})
test('a wished day may be any day to come, once; past ones and days away are none', () => {
  const wishes = new Map<string, 'pinned' | 'struck'>([
    ['2026-12-02', 'pinned'],
    ['2026-12-05', 'struck'],
    ['2026-11-01', 'pinned'],
  ])
  const days = ovenDaysFrom(told, wishes, ['2026-12-02', '2026-12-08'], '2026-11-28', 10)
  expect(days).toEqual([
    { iso: '2026-11-28', day: 0, wish: null },
    { iso: '2026-12-02', day: 4, wish: 'pinned' },
    { iso: '2026-12-05', day: 7, wish: 'struck' },
    { iso: '2026-12-08', day: 10, wish: null },
  ])
})
