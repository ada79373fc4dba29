import { describe, expect, test } from '@jest/globals'
import { fileURLToPath } from 'node:url'
import { frozenHistories } from './frozen.ts'
import { packed, unpacked } from './packed.ts'
import {
  asRanges,
  biasOf,
  isEarly,
  isHeld,
  isOpen,
  pinballDays,
  straightLineDays,
  winklerDays,
} from './scores.ts'
import { toldTruly, toldWrongly, WRONGS } from './sets.ts'

const all = frozenHistories(
  fileURLToPath(new URL('../../../docs/validation/histories.json.gz', import.meta.url)),
)
const said = (lowDays: number, middleDays: number, highDays: number, cameDays: number) => ({
  lowDays,
  middleDays,
  highDays,
  cameDays,
})

describe('the frozen histories', () => {
  test('300 told truly, 40 of each told wrongly, 40 clear cases of each cause', () => {
    expect(all.truly).toHaveLength(300)
    for (const wrong of WRONGS) expect(all[wrong]).toHaveLength(40)
    for (const cause of ['spent', 'leak', 'damp', 'display', 'opened'] as const)
      expect(all[cause]).toHaveLength(40)
  })
  // the truth comes from the engine's network: what moves it moves this, and the file stays what was frozen
  test('are what the programme makes, to what rounding leaves', () => {
    for (const [kept, made] of [
      [all.truly[7]!, toldTruly(7)],
      [all.drift[3]!, toldWrongly('drift', 3)],
    ] as const) {
      expect(made.facts.readings.map(one => one.relativeHumidityPercent)).toEqual(
        kept.facts.readings.map(one => one.relativeHumidityPercent),
      )
      expect(made.leftS).toBe(kept.leftS)
    }
  })
  test('come back from the file as they went in', () => {
    const [history] = all['display changed']
    expect(unpacked(JSON.parse(JSON.stringify(packed(history!))) as never)).toEqual(history)
  })
})

describe('scores', () => {
  test('open, held, early, by half a day', () => {
    expect(isOpen(said(10, 20, 30, 0))).toBe(true)
    expect(isOpen(said(0, 0, 0.5, 0))).toBe(false)
    expect(isHeld(said(10, 20, 30, 9.6))).toBe(true)
    expect(isHeld(said(10, 20, 30, 31))).toBe(false)
    expect(isHeld(said(10, 20, 400, 400))).toBe(true)
    expect(isEarly(said(10, 20, 30, 9))).toBe(true)
  })
  test('a perfect date loses nothing, a late one more the later it is', () => {
    expect(pinballDays([said(20, 20, 20, 20)])).toBe(0)
    expect(winklerDays([said(10, 20, 30, 25)])).toBe(20)
    expect(winklerDays([said(10, 20, 30, 33)])).toBe(50)
    expect(biasOf([said(0, 9, 0, 19)])).toBe(2)
  })
  test('a date alone gets the factor with which it holds eight in ten', () => {
    const dates = [10, 20, 30, 40, 50].map(days => ({ days, cameDays: days === 50 ? 400 : days * 1.2 }))
    expect(asRanges(dates).filter(isHeld)).toHaveLength(5)
    expect(straightLineDays({ ...all.truly[1]!.facts, readings: [] })).toBeNull()
  })
})
