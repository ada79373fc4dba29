import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { fromWallClock, wallClock } from './wall-clock.ts'

test.each([
  ['Asia/Tokyo', '2026-11-27 23:30:00', '2026-11-27T14:30:00Z'],
  ['America/St_Johns', '2026-01-15 08:00:00', '2026-01-15T11:30:00Z'],
  ['Europe/Oslo', '2026-07-01 12:00:00', '2026-07-01T10:00:00Z'],
  ['Europe/Oslo', '2026-10-25 12:00:00', '2026-10-25T11:00:00Z'],
  ['Australia/Lord_Howe', '2026-12-01 06:00:00', '2026-11-30T19:00:00Z'],
  ['UTC', '2026-02-29 10:00:00', '2026-03-01T10:00:00Z'],
])('in %s the clock shows %s at %s', (zone, text, instant) => {
  expect(new Date(fromWallClock(text, zone)).toISOString()).toBe(instant.replace('Z', '.000Z'))
})

test('what is shown is read back as the same moment, whatever the zone; but for the hour a clock goes through twice', () => {
  const zones = ['UTC', 'Europe/Oslo', 'America/New_York', 'Asia/Kathmandu', 'Pacific/Apia']
  fc.assert(
    fc.property(
      fc.constantFrom(...zones),
      fc.integer({ min: Date.UTC(2020, 0), max: Date.UTC(2030, 0) }),
      (zone, raw) => {
        const ms = Math.floor(raw / 1000) * 1000
        const text = wallClock(ms, zone)
        const back = fromWallClock(text, zone)
        // the same words on the clock, always; the same moment unless those words come twice
        expect(wallClock(back, zone)).toBe(text)
        expect([0, 3_600_000]).toContain(Math.abs(back - ms))
      },
    ),
    { seed: 3, numRuns: 500 },
  )
})

test('no time is none', () => expect(fromWallClock('soon', 'UTC')).toBeNaN())
