import { expect, test } from '@jest/globals'
import { checkHours, type HoursTyped } from './hours-form.ts'

const typed: HoursTyped = {
  weekdays: [6, 5],
  present: '4.5',
  alone: '1,5',
  heatSourceId: 'oven',
  sure: 0.9,
  away: [{ from: '2026-12-24', to: '2027-01-06' }],
}
const errors = (part: Partial<HoursTyped>) => {
  const checked = checkHours({ ...typed, ...part }, 2.2)
  return checked.ok ? {} : checked.errors
}

test('what is kept: minutes, weekdays in their order, either decimal sign', () => {
  expect(checkHours(typed, 2.2)).toEqual({
    ok: true,
    kept: {
      weekdays: [5, 6],
      presentMinutes: 270,
      unattendedMinutes: 90,
      heatSourceId: 'oven',
      sure: 0.9,
      away: typed.away,
    },
  })
})
test('no source of the kit: none is named', () => {
  const checked = checkHours({ ...typed, heatSourceId: '' }, 2.2)
  expect(checked.ok && 'heatSourceId' in checked.kept).toBe(false)
})
test.each([
  ['weekdays', { weekdays: [] }, /at least one weekday/],
  ['present', { present: 'long' }, /number from 0.5 to 24/],
  ['present', { present: '30' }, /number from 0.5 to 24/],
  ['present', { present: '2' }, /One filling takes 2.2 hours.*more|One filling takes 2.2 hours/],
  ['alone', { alone: '-1' }, /number from 0 to 24/],
  ['away', { away: [{ from: '2027-01-06', to: '2026-12-24' }] }, /lies before the first/],
  ['away', { away: [{ from: '', to: '2026-12-24' }] }, /first and its last day/],
  ['away', { away: [{ from: '2026-02-31', to: '2026-13-40' }] }, /not a date of the calendar/],
] as const)('%s: %o is refused with its remedy', (field, part, message) => {
  expect(errors(part as Partial<HoursTyped>)[field]).toMatch(message)
})
