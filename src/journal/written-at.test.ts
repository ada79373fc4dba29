import { describe, expect, test } from '@jest/globals'
import { makeAct, type Act } from '#records/act.ts'
import { undoSteps } from './undo.ts'
import { isAhead, lastWrittenMs, writtenAfter, writtenAhead } from './written-at.ts'
import { inForce } from './in-force.ts'

const NOW = Date.parse('2026-03-10T12:00:00.000Z')
const DAY = 86_400_000
let count = 0
const by = (nowMs: number, drafts: Parameters<typeof makeAct>[2] = [], what = 'x'): Act =>
  makeAct({ nowMs: () => nowMs, zone: 'UTC', newId: () => `w${++count}` }, what, drafts)
const own = (value: number, corrects?: string) => ({
  kind: 'value.overridden' as const,
  payload: { material: 'PLA' as const, field: 'targetRhPercent' as const, value },
  atMs: NOW - 9 * DAY,
  ...(corrects === undefined ? {} : { corrects }),
})

describe('a clock that went back a day', () => {
  test('a correction written then is still the later one', () => {
    const first = by(NOW, [own(20)])
    const right = by(NOW + 60_000, [own(21, first.entries[0]!.id)])
    const late = by(NOW - DAY, [own(22, first.entries[0]!.id)])
    const value = (acts: readonly Act[]) =>
      inForce(acts).map(one => (one.entry.payload as { value: number }).value)
    // as the clock had it the older one would win
    expect(value([first, right, late])).toEqual([21])
    expect(value([first, right, writtenAfter(late, [first, right])])).toEqual([22])
  })
  test('in order it is left as it is; of one moment it comes a millisecond later', () => {
    const first = by(NOW)
    expect(writtenAfter(by(NOW + 1), [first]).writtenAt).toBe(new Date(NOW + 1).toISOString())
    expect(writtenAfter(by(NOW), [first]).writtenAt).toBe(new Date(NOW + 1).toISOString())
    // a clock that went back a year and more is no longer told from an act that was ahead
    expect(writtenAfter(by(NOW - 400 * DAY), [first]).writtenAt).toBe(new Date(NOW - 400 * DAY).toISOString())
  })
})

test('what is written more than a day ahead is counted, with the last of it', () => {
  expect(writtenAhead([by(NOW), by(NOW + DAY)], NOW)).toBeNull()
  const two = [by(NOW + 3 * DAY), by(NOW - DAY), by(NOW + 2 * DAY)]
  expect(writtenAhead(two, NOW)).toEqual({ count: 2, lastMs: NOW + 3 * DAY })
})

describe('an act from ten years ahead', () => {
  const ahead = by(NOW + 3650 * DAY, [], 'from a clock that was wrong')
  test('has no say in when others were written, and drives no undo', () => {
    expect(isAhead(ahead, NOW)).toBe(true)
    expect(isAhead(by(NOW + 40 * DAY), NOW)).toBe(false)
    expect(lastWrittenMs([by(NOW - DAY), ahead], NOW)).toBe(NOW - DAY)
    expect(lastWrittenMs([ahead], NOW)).toBe(-Infinity)
    const mine = writtenAfter(by(NOW, [], 'mine'), [ahead])
    expect(mine.writtenAt).toBe(new Date(NOW).toISOString())
    expect(undoSteps([mine, ahead]).undo!.what).toBe('from a clock that was wrong')
    expect(undoSteps([mine, ahead], act => isAhead(act, NOW)).undo!.what).toBe('mine')
  })
})
