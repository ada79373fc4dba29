import { describe, expect, test } from '@jest/globals'
import type { Account } from './accounts.ts'
import { dateStanding, readAgainS } from './date-standing.ts'
import { evidenceBetween } from './wrong-evidence.ts'
import { findWrong, testBetween, type WrongCause } from './wrong.ts'

const DAY = 86_400
const account = (kind: Account['kind'], share: number, expected: readonly number[] = []): Account => ({
  kind,
  share,
  amiss: kind === 'as told' ? null : { kind: 'leak', atS: 0, factor: 6 },
  expectedRhPercent: expected,
})
const held = (waterG: number) =>
  ({ waterG, notchG: 10 }) as unknown as Parameters<typeof findWrong>[0]['held']
const report = (accounts: readonly Account[], waterG = 9, floorOver = 0) => ({
  accounts,
  held: held(waterG),
  floor: { probabilityAboveTarget: floorOver } as never,
  streams: [
    { way: { by: 'lid' as const }, mgPerDay: 30 },
    { way: { by: 'spool' as const, id: 's' }, mgPerDay: 80 },
  ] as never,
  targetRhPercent: 20,
})
const causes = (...of: Parameters<typeof findWrong>) => findWrong(...of).map(one => one.cause)

describe('what is wrong', () => {
  test('nothing, while the target is held and all may be as told', () => {
    expect(causes(report([account('as told', 0.9), account('leak', 0.1)]), false)).toEqual([])
  })
  test('a cause that nearly all accounts share is said before the target is lost', () => {
    expect(causes(report([account('as told', 0.2), account('leak', 0.8)]), false)).toEqual(['leak'])
  })
  test('over its target as told: spent beads, a damp spool while they have room, or a lid beyond them', () => {
    expect(causes(report([account('as told', 1)], 9), true)).toEqual(['spent'])
    expect(causes(report([account('as told', 1)], 4), true)).toEqual(['damp'])
    expect(causes(report([account('as told', 1)], 9, 0.95), true)).toEqual(['too few beads'])
  })
  test('the likeliest first; beads renewed without a word are nothing wrong', () => {
    const accounts = [account('as told', 0.3), account('opened', 0.5), account('renewed', 0.2)]
    expect(causes(report(accounts), true)).toEqual(['opened', 'spent'])
  })
  test('a test parts two causes, or nothing would change', () => {
    const between = (a: WrongCause, b: WrongCause) => [testBetween(a, b), testBetween(b, a)]
    expect(between('leak', 'spent')).toEqual(['weigh the beads', 'weigh the beads'])
    expect(between('leak', 'opened')).toEqual(['read again', 'read again'])
    expect(between('display', 'damp')).toEqual(['bag', 'bag'])
    expect(between('spent', 'opened')).toEqual([null, null])
  })
  test('the readings that part two causes most, each day once', () => {
    const accounts = [
      account('as told', 0.1, [12, 14, 20, 21, 30]),
      account('leak', 0.9, [12, 19, 20, 27, 30]),
    ]
    const seen = [12, 18, 20, 26, 31].map((rhPercent, i) => ({ atS: i * 5 * DAY, rhPercent }))
    const [first, second] = findWrong(report(accounts), true) as [never, never]
    const between = evidenceBetween({ accounts, seen }, first, second)
    expect(between.forIt.map(one => one.atS / DAY)).toEqual([5, 15])
    expect(between.against).toEqual([])
    expect(evidenceBetween({ accounts, seen }, second, first).against).toHaveLength(2)
  })
})

describe('whether a date may be shown', () => {
  const leaves = (low: number, middle: number, high: number) => ({
    spread: { low: low * DAY, middle: middle * DAY, high: high * DAY },
  })
  const standing = (low: number, middle: number, high: number) =>
    dateStanding(leaves(low, middle, high), 0, null, []).is
  test('late within four times early, or nothing to do for two months', () => {
    expect(standing(20, 40, 80)).toBe('shown')
    expect(standing(18, 90, 301)).toBe('not known yet')
    expect(standing(61, 200, 400)).toBe('shown')
    expect(standing(0, 0, 0)).toBe('shown')
  })
  test('withdrawn on a contradiction, or where the display is thought wrong', () => {
    const contradiction = { where: 'all' } as never
    expect(dateStanding(leaves(20, 30, 40), 0, contradiction, [])).toEqual({
      is: 'withdrawn',
      why: 'contradiction',
    })
    const display = [{ cause: 'display' as const, share: 0.7, amiss: null }]
    expect(dateStanding(leaves(20, 30, 40), 0, null, display)).toMatchObject({ why: 'display' })
  })
  test('read again a quarter of the way to the middle date, three to fourteen days off', () => {
    expect([4, 20, 400].map(days => readAgainS(days * DAY, 0) / DAY)).toEqual([3, 5, 14])
  })
})
