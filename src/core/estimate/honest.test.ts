import { describe, expect, test } from '@jest/globals'
import { syntheticBox } from '#testing/synthetic-box.ts'
import type { BoxFacts, ReadingFacts } from '../evidence/facts.ts'
import { estimateBox } from './estimate-box.ts'
import type { BoxReport } from './report.ts'
import { missesOf, observationsOf, throughFilter } from './likelihood.ts'
import { seededRandom } from './random.ts'

const DAY = 86_400
const { facts } = syntheticBox(seededRandom(11 * 7919), 90, 5)
const days = ({ leaves }: BoxReport) =>
  (['low', 'middle', 'high'] as const).map(end => (leaves!.spread[end] - facts.nowS) / DAY)
/** As it was told: what each wrong telling is held against. */
const plain = estimateBox(facts)
const [low, middle] = days(plain) as [number, number, number]
const last = facts.readings.at(-1)!
const withLast = (change: Partial<ReadingFacts>): BoxFacts => ({
  ...facts,
  readings: [...facts.readings.slice(0, -1), { ...last, ...change }],
})

describe('readings', () => {
  test('those of a day and a display are one observation, however many: the middle of them', () => {
    const hourly: BoxFacts = {
      ...facts,
      readings: facts.readings.flatMap(reading =>
        [-2, -1, 0, 1, 2].map(hours => ({
          ...reading,
          atS: Math.floor(reading.atS / DAY) * DAY + DAY / 2 + hours * 3600,
          relativeHumidityPercent: reading.relativeHumidityPercent + hours,
        })),
      ),
    }
    const [once, often] = [facts, hourly].map(observationsOf)
    expect(often!.map(one => one.value)).toEqual(once!.map(one => one.value))
    expect(often!.map(one => one.sigma)).toEqual(once!.map(one => one.sigma))
  })
  test('of two displays are two', () => {
    const two = facts.readings.flatMap(reading => [reading, { ...reading, displayId: 'other' }])
    expect(observationsOf({ ...facts, readings: two })).toHaveLength(2 * observationsOf(facts).length)
  })
  test('the model’s error is shared by neighbours: what one shows is not news in the next', () => {
    const observations = observationsOf(facts)
    const off = observations.map(one => one.value - 3)
    const innovations = missesOf(observations, off).innovation.filter((_, i) => !observations[i]!.censored)
    expect(Math.abs(innovations.at(-1)!)).toBeLessThan(Math.abs(innovations[0]!) * 0.8)
    // a shift of all predictions alike shows less and less
    const shift = throughFilter(
      observations,
      missesOf(observations, off),
      observations.map(() => 1),
    )
    expect(shift.at(-1)!).toBeLessThan(shift[0]!)
  })
})

describe('one slip must not rule', () => {
  test('80 typed for the last reading: no date of today, and it is said not to fit', () => {
    const report = estimateBox(withLast({ relativeHumidityPercent: 80 }))
    const [slippedLow, slippedMiddle] = days(report) as [number, number, number]
    expect(slippedMiddle).toBeGreaterThan(0.6 * middle)
    expect(slippedLow).toBeGreaterThan(0.4 * low - 1)
    expect(report.contradiction).toMatchObject({ where: 'last', worst: { seen: 80 } })
    expect(report.standing).toEqual({ is: 'withdrawn', why: 'contradiction' })
    // as it was told the date stands
    expect(plain.standing).not.toMatchObject({ is: 'withdrawn' })
  })
  test('°F typed as °C moves no date by a fifth: the room does not jump', () => {
    const [, hot] = days(estimateBox(withLast({ temperatureC: 64 }))) as [number, number, number]
    expect(Math.abs(hot / middle - 1)).toBeLessThan(0.2)
  })
})

test('a display that shows four more from a day on, named: it moves the date far less than unnamed', () => {
  const shifted = (displayId?: string): BoxFacts => ({
    ...facts,
    readings: facts.readings.map((reading, i) =>
      i < facts.readings.length - 4
        ? reading
        : {
            ...reading,
            relativeHumidityPercent: reading.relativeHumidityPercent + 4,
            ...(displayId ? { displayId } : {}),
          },
    ),
  })
  const moved = (of: BoxFacts) => Math.abs(Math.log(((days(estimateBox(of))[1] ?? 0) + 1) / (middle + 1)))
  const named = moved(shifted('other'))
  expect(named).toBeLessThan(moved(shifted()) + 0.02)
  expect(named).toBeLessThan(0.4)
})

test('told as it was: no other account is likelier, and nothing is wrong', () => {
  expect(plain.accounts[0]).toMatchObject({ kind: 'as told' })
  expect(plain.accounts.reduce((sum, account) => sum + account.share, 0)).toBeCloseTo(1, 6)
  expect(plain.ends).toBe('enough')
  expect(plain.wrong).toEqual([])
})
