import { describe, expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { makeAct, type Draft, type Maker } from '#records/act.ts'
import { capacitySeen, trendOf } from './capacity-seen.ts'
import { pastHeats, plannedDays } from './look-back.ts'

const NOW = Date.parse('2026-05-20T12:00:00Z')
const DAY = 86_400_000
const HOUR = 3_600_000
let ids = 0
const maker: Maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `x${String(++ids).padStart(5, '0')}` }
const loft = boathouseLoft(NOW, 'UTC')
const withMore = (...drafts: Draft[]) => fold([...loft, makeAct(maker, 'more', drafts)])
const isoOf = (ms: number) => new Date(ms).toISOString().slice(0, 10)
const weighed = (chargeId: string, atMs: number, grossG: number): Draft => ({
  kind: 'charge.weighed',
  atMs,
  payload: { chargeId, grossG, tareG: 0, scaleErrorG: 0.5 },
})
const heated = (chargeId: string, atMs: number, heatSourceId?: string): Draft => ({
  kind: 'charge.heated',
  atMs,
  payload: {
    chargeId,
    temperatureC: 110,
    hours: 2,
    oven: 'electric',
    roomId: 'loft',
    ...(heatSourceId === undefined ? {} : { heatSourceId }),
  },
})

describe('what was heated', () => {
  test('two charges of one filling are one heat, with the water the scale saw and the energy once', () => {
    const atMs = NOW - 2 * DAY
    const state = withMore(
      weighed('stroke-beads', atMs - 3 * HOUR, 136),
      weighed('cox-beads', atMs - 3 * HOUR, 50),
      heated('stroke-beads', atMs, 'bay-oven'),
      heated('cox-beads', atMs + 60_000, 'bay-oven'),
      weighed('stroke-beads', atMs + HOUR, 121),
      weighed('cox-beads', atMs + HOUR, 45),
    )
    const heat = pastHeats(state).at(-1)!
    expect(heat.charges.map(one => one.charge.chargeId)).toEqual(['stroke-beads', 'cox-beads'])
    // 18 g in, 3 g left; 6 g in, 1 g left
    expect(heat.charges.map(one => one.waterG)).toEqual([15, 5])
    expect(heat.waterG).toBe(20)
    // two hours of an oven of 1.9 kW that holds 110 °C: well under its whole power, more than a bulb
    expect(heat.kWh).toBeGreaterThan(0.5)
    expect(heat.kWh).toBeLessThan(3.8)
    expect(heat.money).toBeCloseTo(heat.kWh * 0.34, 10)
    expect(heat.sourceName).toBe('Bay oven')
  })
  test('not weighed on both sides: no water is claimed; no price told: no money', () => {
    const state = withMore(heated('stroke-beads', NOW - DAY))
    expect(pastHeats(state).at(-1)).toMatchObject({ waterG: 0, money: null, charges: [{ waterG: null }] })
  })
  test('heavier afterwards is no water taken out', () => {
    const atMs = NOW - DAY
    const state = withMore(
      weighed('stroke-beads', atMs - 3 * HOUR, 121),
      heated('stroke-beads', atMs),
      weighed('stroke-beads', atMs + HOUR, 125),
    )
    expect(pastHeats(state).at(-1)!.waterG).toBe(0)
  })
})

describe('days that were planned', () => {
  const plan = (atMs: number, ...days: string[]) => ({
    atMs,
    sessions: days.map(day => ({ day, boxIds: ['a'] })),
  })
  const on = (day: string) => ({ atMs: Date.parse(`${day}T15:00:00Z`) })
  test('kept on the day or the next; what a later plan dropped was no promise; the future is open', () => {
    const plansSeen = [
      plan(Date.parse('2026-04-01'), '2026-04-04', '2026-04-11', '2026-04-18', '2026-05-30'),
      plan(Date.parse('2026-04-12'), '2026-04-25', '2026-05-30'),
    ]
    expect(plannedDays({ plansSeen }, [on('2026-04-04'), on('2026-04-26')], '2026-05-20', isoOf)).toEqual([
      { day: '2026-04-04', isKept: true },
      { day: '2026-04-11', isKept: false },
      { day: '2026-04-25', isKept: true },
    ])
  })
  test('the demonstration: two kept, one missed', () => {
    const state = fold(loft)
    const days = plannedDays(state.ovenPlan, pastHeats(state), isoOf(NOW), isoOf)
    expect(days.map(day => day.isKept)).toEqual([true, false, true])
  })
})

describe('the capacity a charge was seen to have', () => {
  test('weighed beside a reading, long enough after its heat: what it holds over what new beads would', () => {
    const reading = (atMs: number, relativeHumidityPercent: number): Draft => ({
      kind: 'reading.taken',
      atMs,
      payload: {
        place: { in: 'box', boxId: 'stroke' },
        instrumentId: 'round-display',
        relativeHumidityPercent,
        temperatureC: 15,
        temperatureKnown: 'measured',
      },
    })
    const seenAt = (grossG: number) => {
      const state = withMore(reading(NOW - HOUR, 22), weighed('stroke-beads', NOW, grossG))
      const charge = state.charges.get('stroke-beads')!
      return { seen: capacitySeen(state, charge).at(-1)!, trend: trendOf(state, charge, NOW) }
    }
    const full = seenAt(134)
    const poor = seenAt(126)
    expect(full.seen.share / poor.seen.share).toBeCloseTo(16 / 8, 5)
    expect(poor.trend.now.middle).toBeLessThan(full.trend.now.middle)
  })
  test('too soon after a heat nothing is told', () => {
    const state = withMore(heated('stroke-beads', NOW - 2 * DAY), weighed('stroke-beads', NOW, 130))
    const { length } = capacitySeen(state, state.charges.get('stroke-beads')!)
    expect(length).toBe(0)
  })
})
