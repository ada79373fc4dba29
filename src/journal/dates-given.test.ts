import { describe, expect, test } from '@jest/globals'
import { makeAct, type Act, type Draft } from '#records/act.ts'
import type { EntryKind } from '#records/entry.ts'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'
import { VERSION_2 } from '#testing/fixtures/version-2.ts'
import { actsKnownAt, momentsOf, scoreOf, whatCame } from './dates-given.ts'
import { fold } from './fold.ts'

const START = Date.UTC(2025, 2, 3, 9)
const DAY = 86_400_000
const day = (n: number) => START + n * DAY
let ids = 0
const at = (n: number) => ({
  nowMs: () => day(n),
  zone: 'UTC',
  newId: () => `id${String(++ids).padStart(4, '0')}`,
})
const draft = (kind: EntryKind, change: object = {}, atMs = START) =>
  ({ kind, atMs, payload: { ...VERSION_2[kind], ...VERSION_1[kind], ...change } }) as unknown as Draft
const read = (n: number, rhPercent: number) =>
  makeAct(at(n), 'read', [
    draft('reading.taken', { place: { in: 'box', boxId: 'b1' }, relativeHumidityPercent: rhPercent }, day(n)),
  ])
const box = makeAct(at(0), 'a box', [
  draft('room.made'),
  draft('instrument.made', { accuracyPercentRh: 5, floorPercentRh: 10, boxId: null }),
  draft('box.made'),
  draft('charge.made'),
  draft('spool.made'),
])
const targetOf = (acts: readonly Act[]) => {
  const [spool] = fold(acts).spools.values()
  return fold(acts).materials[spool!.material].targetRhPercent
}
const TARGET = targetOf([box])
const came = (acts: readonly Act[], givenDay = 10) =>
  whatCame(fold(acts), { boxId: 'b1', givenMs: day(givenDay), targetRhPercent: TARGET }, day(100))

describe('what came of a date', () => {
  const under = [read(12, TARGET - 6), read(20, TARGET - 3)]
  test('the display passed the target between two readings', () =>
    expect(came([box, ...under, read(30, TARGET + 1), read(37, TARGET + 3)])).toEqual({
      is: 'left',
      afterMs: day(20),
      byMs: day(30),
    }))
  test('one odd reading is not the end; the last one is, where it is sure', () => {
    expect(came([box, ...under, read(30, TARGET + 1), read(37, TARGET - 2)])).toEqual({
      is: 'held',
      untilMs: day(37),
    })
    expect(came([box, ...under, read(30, TARGET + 1)])).toEqual({ is: 'held', untilMs: day(30) })
    expect(came([box, ...under, read(30, TARGET + 4)])).toMatchObject({ is: 'left', byMs: day(30) })
  })
  test('what was renewed or got another target held until then', () => {
    const heated = makeAct(at(25), 'renewed', [draft('charge.heated', {}, day(25))])
    const over = [read(30, TARGET + 9), read(37, TARGET + 9)]
    expect(came([box, ...under, heated, ...over])).toEqual({ is: 'held', untilMs: day(20) })
    const stricter = makeAct(at(22), 'a stricter spool', [
      draft('spool.made', { spoolId: 's2', material: 'PA6', where: { at: 'box', boxId: 'b1' } }, day(22)),
    ])
    expect(came([box, ...under, stricter, ...over])).toEqual({ is: 'held', untilMs: day(20) })
  })
  test('readings before it, and too soon after work on it, say nothing', () => {
    expect(came([box, read(5, TARGET + 9), ...under])).toEqual({ is: 'held', untilMs: day(20) })
    expect(came([box])).toEqual({ is: 'held', untilMs: day(10) })
    expect(
      whatCame(fold([box]), { boxId: 'nowhere', givenMs: day(1), targetRhPercent: 20 }, day(9)),
    ).toBeNull()
  })
})

describe('a date held against what came', () => {
  const given = { lowMs: day(20), highMs: day(40) }
  const left = (after: number, by: number) => ({ is: 'left', afterMs: day(after), byMs: day(by) }) as const
  test.each([
    ['it may have come within', left(15, 22), 'within'],
    ['before its range', left(10, 18), 'early'],
    ['after it', left(42, 50), 'late'],
    ['the range in between', left(19, 45), 'within'],
    ['held to the middle of it, then renewed', { is: 'held', untilMs: day(30) }, 'open'],
    ['held past its end', { is: 'held', untilMs: day(44) }, 'late'],
  ] as const)('%s', (_, what, score) => expect(scoreOf(given, what)).toBe(score))
  test('an end beyond the year is never passed', () =>
    expect(scoreOf({ ...given, highMs: null }, { is: 'held', untilMs: day(900) })).toBe('open'))
})

describe('when dates were given, and what was known then', () => {
  test('as the box was read, a fortnight apart', () =>
    expect(momentsOf([box, read(3, 12), read(10, 12), read(18, 13), read(40, 14)], 'b1')).toEqual([
      day(3),
      day(18),
      day(40),
    ]))
  test('a reading entered later was not known, whatever its day', () => {
    const late = makeAct(at(50), 'entered late', [
      draft('reading.taken', { place: { in: 'box', boxId: 'b1' }, relativeHumidityPercent: 90 }, day(5)),
    ])
    expect(actsKnownAt([box, read(3, 12), late], day(20))).toHaveLength(2)
    expect(momentsOf([late], 'b1')).toEqual([day(50)])
  })
})
