import { describe, expect, test } from '@jest/globals'
import { secondsFromDays } from '#units/time.ts'
import { untoldSource } from './heat-source.ts'
import { dayAtOven } from './day-at-oven.ts'
import {
  freshBeadsHold,
  freshHeldDays,
  lastHeatedS,
  lastDayFreshHeld,
  lastDayHeld,
  shareThatMayLeave,
} from './hold-dates.ts'
import { greedyPlan } from './greedy-plan.ts'
import { lapses, type OvenPlanAsked, type OvenSession } from './oven-days.ts'
import { sparesRound, suitingSpares, type RoundCharge } from './spares-round.ts'
import { moveBox, moveSession, newLapses, whyDay } from './why-day.ts'

const holding = (day: number, tenth: number, middle: number) => ({
  dayS: secondsFromDays(day),
  heldS: [
    { share: 0.1, heldS: secondsFromDays(tenth) },
    { share: 0.5, heldS: secondsFromDays(middle) },
  ],
})

describe('until when a box holds', () => {
  test('between two days of renewal in a straight line, beyond them the nearest', () => {
    const holds = [holding(0, 40, 60), holding(20, 80, 90)]
    expect([-5, 0, 5, 10, 20, 90].map(day => freshHeldDays(holds, secondsFromDays(day), 0.1))).toEqual([
      40, 40, 50, 60, 80, 80,
    ])
  })
  test('sure for four weeks: as asked; less: the middle', () => {
    expect(shareThatMayLeave([holding(0, 28, 60)], 0.9)).toBe(0.1)
    expect(shareThatMayLeave([holding(0, 27, 60)], 0.9)).toBe(0.5)
    const summer = [holding(0, 60, 90), holding(100, 10, 35)]
    expect(lastDayFreshHeld(summer, { day: 99, todayS: 0, share: 0.1 })).toBe(134)
  })
  test('a day counts as held when the box holds at its noon', () => {
    expect([0.4, 0.6, 1.4, 1.6, -3].map(days => lastDayHeld(secondsFromDays(days), 0, -Infinity))).toEqual([
      -1, 0, 0, 1, -1,
    ])
  })
  test('beads heated three days ago wait out their fortnight, whatever a reading makes of their date', () => {
    expect(lastDayHeld(secondsFromDays(2), 0, secondsFromDays(-3))).toBe(11)
    expect(lastDayHeld(secondsFromDays(40), 0, secondsFromDays(-3))).toBe(39)
    expect(lastDayHeld(secondsFromDays(2), 0, secondsFromDays(-30))).toBe(1)
    expect(lastHeatedS([{ heatings: [{ atS: 5 }, { atS: 9 }] }, { heatings: [] }])).toBe(9)
    expect(lastHeatedS([{ heatings: [] }])).toBe(-Infinity)
  })
  test('fresh beads hold a box unless four draws of five give it up in three days', () => {
    const holding5 = (...days: readonly number[]) => [
      {
        dayS: 0,
        heldS: days.map((one, i) => ({ share: [0.1, 0.5, 0.8][i]!, heldS: secondsFromDays(one) })),
      },
    ]
    expect(freshBeadsHold(holding5(1, 2, 30))).toBe(true)
    expect(freshBeadsHold(holding5(1, 2, 2.5))).toBe(false)
  })
})

describe('a day at the oven', () => {
  test('two batches and cooling alone: never hot while nobody is there', () => {
    const day = dayAtOven([85, 60], 90)
    expect(day.hot).toEqual([
      { from: 15, to: 100 },
      { from: 110, to: 170 },
    ])
    // 15 before, 85 + 10, 60 + 10, 45 of cooling, 15 after
    expect([day.minutes, day.presentMinutes, day.aloneMinutes]).toEqual([240, 195, 45])
    for (const { is, from, to } of day.spans)
      if (is === 'alone') for (const hot of day.hot) expect(hot.to <= from || hot.from >= to).toBe(true)
  })
  test('nobody may leave: cooling is waited for; nothing hot: no cooling', () => {
    expect(dayAtOven([85], 0)).toMatchObject({ presentMinutes: 170, aloneMinutes: 0, minutes: 170 })
    expect(dayAtOven([], 90)).toMatchObject({ presentMinutes: 30, hot: [], minutes: 30 })
  })
})

const asked: OvenPlanAsked = {
  days: [2, 9, 16, 23, 30].map(day => ({ day, presentMinutes: 300, wish: null })),
  horizon: 35,
  batchMinutes: 100,
  besideMinutes: 30,
  spareShare: 0,
  seen: [],
  boxes: [
    { id: 'a', share: 0.2, holdsUntil: 12, freshHoldsUntil: [60, 60, 60, 60, 60], pinnedTo: null },
    { id: 'b', share: 0.2, holdsUntil: 20, freshHoldsUntil: [60, 60, 60, 60, 60], pinnedTo: null },
  ],
}
const both: OvenSession[] = [{ at: 1, boxIds: ['a', 'b'] }]

describe('why that day', () => {
  test('the next would be too late for one of them; the other comes along', () => {
    expect(whyDay(asked, both, 1)).toEqual({
      next: 2,
      late: [{ boxId: 'a', from: 13, to: 16 }],
      couldWait: null,
    })
  })
  test('it could wait: until when, and what is too late then', () => {
    expect(whyDay(asked, [{ at: 0, boxIds: ['a', 'b'] }], 0)).toEqual({
      next: 2,
      late: [{ boxId: 'a', from: 13, to: 16 }],
      couldWait: 1,
    })
  })
  test('the last day there is', () => {
    expect(whyDay(asked, [{ at: 4, boxIds: ['b'] }], 4)).toEqual({ next: null, late: [], couldWait: null })
  })
  test('moved onto another session the two become one; a box moved alone leaves the rest', () => {
    const two: OvenSession[] = [
      { at: 1, boxIds: ['a'] },
      { at: 2, boxIds: ['b'] },
    ]
    expect(moveSession(two, 1, 2)).toEqual([{ at: 2, boxIds: ['b', 'a'] }])
    expect(moveSession(two, 3, 4)).toEqual(two)
    expect(moveBox(both, 'a', 1, 0)).toEqual([
      { at: 0, boxIds: ['a'] },
      { at: 1, boxIds: ['b'] },
    ])
  })
  test('only what lapses anew is told', () => {
    const late: OvenSession[] = [{ at: 2, boxIds: ['a', 'b'] }]
    expect(newLapses(asked, both, late).map(one => one.boxId)).toEqual(['a'])
    expect(newLapses(asked, late, late)).toEqual([])
    expect(lapses(asked, greedyPlan(asked).sessions)).toEqual([])
  })
})

describe('spares go round', () => {
  const oven = { ...untoldSource('electric'), trays: 1, trayAreaCm2: 1000 }
  const beads = (id: string, dryMassG: number, boxId: string | null, isDamp = false): RoundCharge => ({
    id,
    dryMassG,
    boxId,
    isDamp,
    desiccant: 'silica-a',
  })
  test('a spare goes in at once, its beads are heated and stand in for the next', () => {
    const days = sparesRound(
      [beads('a', 100, 'A'), beads('b', 105, 'B'), beads('jar', 100, null)],
      [
        { boxIds: ['A'], mostBatches: 1 },
        { boxIds: ['B'], mostBatches: 1 },
        { boxIds: ['A'], mostBatches: 1 },
      ],
      oven,
    )
    expect(days.map(day => day.swaps)).toEqual([
      [{ boxId: 'A', outId: 'a', inId: 'jar' }],
      [{ boxId: 'B', outId: 'b', inId: 'a' }],
      [{ boxId: 'A', outId: 'jar', inId: 'b' }],
    ])
    expect(days.map(day => day.batches)).toEqual([[['a']], [['b']], [['jar']]])
    expect(days[2]!.whereabouts).toEqual(
      new Map([
        ['a', 'B'],
        ['b', 'A'],
        ['jar', null],
      ]),
    )
  })
  test('too small, too large, of another kind: no spare; a damp one is heated first', () => {
    const box = beads('a', 100, 'A')
    const suits = (one: RoundCharge) => suitingSpares([box, one]).length === 1
    expect([89, 90, 140, 141].map(grams => suits(beads('s', grams, null)))).toEqual([
      false,
      true,
      true,
      false,
    ])
    expect(suits({ ...beads('s', 100, null), desiccant: 'sieve-4a' })).toBe(false)
    const [day] = sparesRound([box, beads('s', 100, null, true)], [{ boxIds: ['A'], mostBatches: 2 }], oven)
    expect(day!.swaps).toEqual([])
    expect(day!.back).toEqual([{ boxId: 'A', chargeId: 'a' }])
    expect(day!.batches.flat().sort()).toEqual(['a', 's'])
  })
  test('a day too full for what came out: it waits, and is heated on the next', () => {
    const days = sparesRound(
      [beads('a', 650, 'A'), beads('b', 700, 'B'), beads('jar', 650, null)],
      [
        { boxIds: ['A', 'B'], mostBatches: 1 },
        { boxIds: [], mostBatches: 1 },
      ],
      oven,
    )
    // a spare may be a tenth smaller: the larger box gets it, the other is heated itself
    expect(days[0]!.swaps).toEqual([{ boxId: 'B', outId: 'b', inId: 'jar' }])
    expect(days[0]!.batches).toEqual([['a']])
    expect(days[0]!.waiting).toEqual(['b'])
    expect(days[1]!.batches).toEqual([['b']])
  })
})
