import { expect, test } from '@jest/globals'
import ICAL from 'ical.js'
import { writeCalendar } from './write-calendar.ts'

const text = writeCalendar(
  [
    {
      boxId: 'thole',
      day: '2028-02-29',
      summary: 'Renew the beads of Thole, soon; really',
      description: 'One chance\nin ten',
      sequence: 3,
    },
    { boxId: 'ferry', day: '2025-12-31', summary: 'Renew the beads of Ferry', description: '', sequence: 0 },
  ],
  Date.UTC(2025, 10, 8),
)
const events = () =>
  new ICAL.Component(ICAL.parse(text) as unknown[])
    .getAllSubcomponents('vevent')
    .map(item => new ICAL.Event(item))

test('another program reads the days: whole days, stable ids, sequences, text with commas and lines', () => {
  expect(
    events().map(event => [
      event.uid,
      event.startDate.toString(),
      event.startDate.isDate,
      event.sequence,
      event.summary,
    ]),
  ).toEqual([
    ['renew-thole@veld', '2028-02-29', true, 3, 'Renew the beads of Thole, soon; really'],
    ['renew-ferry@veld', '2025-12-31', true, 0, 'Renew the beads of Ferry'],
  ])
  expect(events()[0]!.description).toBe('One chance\nin ten')
})
test('lines are folded and ended as RFC 5545 wants', () => {
  expect(text.split('\r\n').every(line => Buffer.byteLength(line) <= 75)).toBe(true)
  expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/)
})
