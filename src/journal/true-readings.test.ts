import { describe, expect, test } from '@jest/globals'
import { makeAct, makeWithdrawal, type Act, type Draft } from '#records/act.ts'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'
import { VERSION_2 } from '#testing/fixtures/version-2.ts'
import type { EntryKind } from '#records/entry.ts'
import { boxFacts } from './box-facts.ts'
import { boxView } from './box-view.ts'
import { fold } from './fold.ts'

const START = Date.UTC(2025, 2, 3, 9)
const DAY = 86_400_000
let ids = 0
const maker = { nowMs: () => START, zone: 'UTC', newId: () => `id${String(++ids).padStart(4, '0')}` }
const draft = (kind: EntryKind, change: object = {}, atMs = START) =>
  ({ kind, atMs, payload: { ...VERSION_2[kind], ...VERSION_1[kind], ...change } }) as unknown as Draft
const read = (day: number, rhPercent: number, instrumentId = 'i1') =>
  draft(
    'reading.taken',
    { instrumentId, relativeHumidityPercent: rhPercent, place: { in: 'box', boxId: 'b1' } },
    START + day * DAY,
  )
const acts: Act[] = [
  makeAct(maker, 'a box read with two displays', [
    draft('room.made'),
    draft('instrument.made', { accuracyPercentRh: 5, floorPercentRh: 10, boxId: null }),
    draft('instrument.made', { instrumentId: 'i2', accuracyPercentRh: 3, floorPercentRh: 5, boxId: null }),
    draft('box.made'),
    draft('charge.made'),
    draft('spool.made'),
    read(3, 24),
    read(10, 25),
    read(17, 26, 'i2'),
    read(24, 10),
  ]),
]
const check = makeAct(maker, 'displays checked', [
  draft(
    'instrument.checked',
    {
      air: 'magnesium chloride',
      temperatureC: 20,
      waitedHours: 20,
      shown: [{ instrumentId: 'i1', relativeHumidityPercent: 37 }],
    },
    START + 20 * DAY,
  ),
])
const now = START + 30 * DAY
const factsOf = (list: readonly Act[]) => {
  const state = fold(list)
  return boxFacts(state, boxView(state, 'b1', now)!, now)!
}

describe('readings put right by checks', () => {
  test('those before the check as those after it, with what was shown beside', () => {
    const { readings } = fold([...acts, check])
    const mine = readings.filter(one => one.instrumentId === 'i1')
    expect(mine.map(one => one.putRight?.shownRhPercent)).toEqual([24, 25, 10])
    for (const one of mine)
      expect(one.putRight!.shownRhPercent - one.relativeHumidityPercent).toBeGreaterThan(2.5)
    expect(readings.find(one => one.instrumentId === 'i2')!.putRight).toBeUndefined()
  })
  test('taking the check back gives back every figure', () => {
    const before = fold(acts).readings
    expect(fold([...acts, check, makeWithdrawal(maker, check)]).readings).toEqual(before)
    expect(before.map(one => one.relativeHumidityPercent)).toEqual([24, 25, 26, 10])
  })
  test('what is left to be off goes into the facts, and the floor is the air’s', () => {
    const plain = factsOf(acts)
    // of another make than the one that is carried: its own error and floor, checked or not
    expect(plain.displays?.map(one => [one.id, one.floorPercentRh])).toEqual([['i2', 5]])
    const [first, second] = factsOf([...acts, check]).displays!
    expect([first!.id, second!.id]).toEqual(['i1', 'i2'])
    expect(first!.offsetSpreadRh).toBeLessThan(1)
    expect(first!.newEachTimeRh).toBeCloseTo(1.5, 6)
    expect(first!.floorPercentRh).toBeLessThan(8)
  })
  test('a reading that is believed more nearly is judged so', () => {
    const word = (list: readonly Act[], index: number) => {
      const state = fold(list)
      return boxView(state, 'b1', now)!.readings[index]!.word
    }
    const target = boxView(fold(acts), 'b1', now)!.target!.rhPercent
    const close = makeAct(maker, 'one more', [read(26, target + 3)])
    expect(word([...acts, close], 4)).toBe('over')
    // it shows three too much: on the target it is
    expect(word([...acts, check, close], 4)).toBe('near')
  })
  test('a check that names a display nobody entered waits as a contradiction', () => {
    const stray = makeAct(maker, 'stray', [
      draft('instrument.checked', { shown: [{ instrumentId: 'nobody', relativeHumidityPercent: 30 }] }),
    ])
    const state = fold([...acts, stray])
    expect(state.checks).toEqual([])
    expect(state.contradictions).toHaveLength(1)
  })
})
