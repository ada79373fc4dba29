import { expect, test } from '@jest/globals'
import ICAL from 'ical.js'
import { writeOvenDays } from '#formats/calendar/write-oven-days.ts'
import type { Keeping } from '#store/keeping.ts'
import { givenEvents, ovenEvents } from './calendar-days.ts'

const day = (iso: string, boxIds: string[], minutes = 170) => ({
  day: iso,
  boxIds,
  beginsMin: 600,
  minutes,
  summary: `Heat beads: ${boxIds.join(', ')}`,
  description: 'Bay oven; one batch,\nlids on',
})
type Days = readonly ReturnType<typeof day>[]
const TODAY = '2026-11-27'
/** Gives out one plan after another, as a person saves the file again and again. */
function saved(...plans: Days[]) {
  let given: Keeping['ovenDays'] = {}
  return plans.map(plan => {
    const events = ovenEvents(plan, given, TODAY)
    given = givenEvents(events, given)
    return events
  })
}
const marks = (events: ReturnType<typeof ovenEvents>) =>
  events.map(one => [one.uid, one.day, one.sequence, ...(one.isCancelled ? ['cancelled'] : [])])

test('nothing changed: the same marks, the same sequences', () => {
  const plan = [day('2026-11-28', ['a']), day('2027-01-16', ['b', 'c'])]
  const [first, again] = saved(plan, plan)
  expect(marks(first!)).toEqual([
    ['oven-2026-11-28', '2026-11-28', 0],
    ['oven-2027-01-16', '2027-01-16', 0],
  ])
  expect(again).toEqual(first)
})
test('a day that moved keeps its mark, by the boxes it has in common; its sequence rises', () => {
  const [, moved, back] = saved(
    [day('2026-11-28', ['a']), day('2027-01-16', ['b', 'c'])],
    [day('2026-11-28', ['a']), day('2027-01-30', ['b', 'c', 'd'])],
    [day('2026-11-28', ['a'], 200), day('2027-01-16', ['b', 'c'])],
  )
  expect(marks(moved!)).toEqual([
    ['oven-2026-11-28', '2026-11-28', 0],
    ['oven-2027-01-16', '2027-01-30', 1],
  ])
  expect(marks(back!)).toEqual([
    ['oven-2026-11-28', '2026-11-28', 1],
    ['oven-2027-01-16', '2027-01-16', 2],
  ])
})
test('planned no more: cancelled, once; a day long past is let be; a freed date gets a mark of its own', () => {
  const [, gone, still] = saved(
    [day('2026-11-28', ['a']), day('2026-12-05', ['b'])],
    [day('2026-12-12', ['a'])],
    [day('2026-12-12', ['a'])],
  )
  expect(marks(gone!)).toEqual([
    ['oven-2026-11-28', '2026-12-12', 1],
    ['oven-2026-12-05', '2026-12-05', 1, 'cancelled'],
  ])
  expect(marks(still!)).toEqual(marks(gone!))
  const past: Keeping['ovenDays'] = {
    'oven-2026-11-21': { day: '2026-11-21', boxIds: ['a'], says: '', sequence: 0 },
  }
  expect(marks(ovenEvents([day('2026-12-12', ['a'])], past, TODAY))).toEqual([
    ['oven-2026-12-12', '2026-12-12', 0],
  ])
  const elsewhere: Keeping['ovenDays'] = {
    'oven-2026-12-12': { day: '2026-12-19', boxIds: ['x'], says: '', sequence: 4 },
  }
  expect(marks(ovenEvents([day('2026-12-12', ['a']), day('2026-12-19', ['x'])], elsewhere, TODAY))).toEqual([
    ['oven-2026-12-12-2', '2026-12-12', 0],
    ['oven-2026-12-12', '2026-12-19', 5],
  ])
})
test('another program reads them: by the clock on the wall, an alarm the evening before, cancelled as such', () => {
  const [, events] = saved(
    [day('2026-11-28', ['a']), day('2026-12-05', ['b'])],
    [day('2026-11-28', ['a', 'c'])],
  )
  const text = writeOvenDays(events!, Date.UTC(2026, 10, 27))
  const read = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent')
  const [first, second] = read.map(one => new ICAL.Event(one))
  expect([first!.uid, first!.sequence, first!.startDate.toString(), first!.endDate.toString()]).toEqual([
    'oven-2026-11-28@veld',
    1,
    '2026-11-28T10:00:00',
    '2026-11-28T12:50:00',
  ])
  // in no zone: ten o'clock wherever one is
  expect(first!.startDate.zone.tzid).toBe('floating')
  expect(first!.description).toBe('Bay oven; one batch,\nlids on')
  const [alarm] = read[0]!.getAllSubcomponents('valarm')
  expect(String(alarm!.getFirstPropertyValue('trigger'))).toBe('-PT15H')
  expect([second!.uid, read[1]!.getFirstPropertyValue('status')]).toEqual([
    'oven-2026-12-05@veld',
    'CANCELLED',
  ])
  expect(text.split('\r\n').every(line => Buffer.byteLength(line) <= 75)).toBe(true)
})
