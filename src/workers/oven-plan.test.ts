import { beforeAll, describe, expect, test } from '@jest/globals'
import loadHighs from 'highs'
import { exactPlan } from '#core/renewal/exact-plan.ts'
import { greedyPlan } from '#core/renewal/greedy-plan.ts'
import { asLpText, type Solver } from '#core/renewal/linear-model.ts'
import { fillingsFor, lapses, type OvenPlanAsked } from '#core/renewal/oven-days.ts'
import { bruteForce, livesThrough, shelf } from '#testing/oven-shelves.ts'
import { highsSolver } from './highs-solver.ts'

let solve: Solver
beforeAll(async () => void (solve = highsSolver(await loadHighs())), 60_000)

describe('the plan of renewals', () => {
  test('small shelves: as few sessions and fillings as any plan at all has', async () => {
    for (let seed = 1; seed <= 8; seed++) {
      const asked = shelf(seed, { boxes: 3, weeks: 5 })
      const exact = (await exactPlan(asked, solve))!
      const best = bruteForce(asked)!
      expect([seed, exact.proven]).toEqual([seed, true])
      expect([seed, exact.plan.sessions.length]).toEqual([seed, best.sessions])
      expect([seed, exact.plan.batches.reduce((a, b) => a + b, 0)]).toEqual([seed, best.batches])
    }
  }, 120_000)
  test('eight boxes, sixteen weeks: lives through, proven, never more sessions than the quick plan', async () => {
    for (let seed = 1; seed <= 2; seed++) {
      const asked = shelf(seed * 31, { boxes: 8, weeks: 16 })
      const quick = greedyPlan(asked)
      const exact = (await exactPlan(asked, solve))!
      expect(livesThrough(asked, quick)).toEqual([])
      expect(livesThrough(asked, exact.plan)).toEqual([])
      expect(lapses(asked, exact.plan.sessions)).toEqual([])
      expect(exact.plan.sessions.length).toBeLessThanOrEqual(quick.sessions.length)
      expect(exact.proven).toBe(true)
      expect(exact.leastSessions).toBe(exact.plan.sessions.length)
    }
  }, 240_000)
  test('more spares or more days never ask for more sessions', async () => {
    for (let seed = 1; seed <= 4; seed++) {
      const asked = shelf(seed * 17, { boxes: 6, weeks: 12 })
      const sessionsOf = async (one: OvenPlanAsked) => (await exactPlan(one, solve))!.plan.sessions.length
      const plain = await sessionsOf(asked)
      expect(await sessionsOf({ ...asked, spareShare: 1 })).toBeLessThanOrEqual(plain)
      const free = asked.days.map(day => ({ ...day, wish: null }))
      expect(await sessionsOf({ ...asked, days: free })).toBeLessThanOrEqual(plain)
    }
  }, 120_000)
  test('where the oven is hot anyway, a box comes along before its last days, and no sooner than that', async () => {
    const days = Array.from({ length: 11 }, (_, week) => ({
      day: 2 + 7 * week,
      presentMinutes: 330,
      wish: null,
    }))
    const box = (id: string, holdsUntil: number, freshDays: number) => ({
      id,
      share: 0.2,
      holdsUntil,
      freshHoldsUntil: days.map(({ day }) => day + freshDays),
      pinnedTo: null,
    })
    const weekly = shelf(1, { boxes: 1, weeks: 11 })
    // one that is wanted every second Saturday; one on the 23rd day with 45 in hand; one that twice would do for, with a day
    // in hand
    const boxes = [box('often', 12, 14), box('once', 68, 100), box('along', 26, 29)]
    const asked = { ...weekly, days, boxes, horizon: 74 }
    const { proven, plan } = (await exactPlan(asked, solve))!
    const daysOf = (id: string) =>
      plan.sessions.filter(one => one.boxIds.includes(id)).map(one => days[one.at]!.day)
    expect(proven).toBe(true)
    expect([daysOf('often'), daysOf('once'), daysOf('along')]).toEqual([
      [9, 23, 37, 51, 65],
      [23],
      [9, 23, 37, 51],
    ])
    expect(plan.batches).toEqual([1, 1, 1, 1, 1])
  }, 60_000)
  test('beads heated of late rest their fortnight, though an earlier day would leave more in hand', async () => {
    const days = [2, 9, 16, 23, 30].map(day => ({ day, presentMinutes: 330, wish: null }))
    const weekly = shelf(1, { boxes: 1, weeks: 5 })
    const box = {
      id: 'late',
      share: 0.2,
      holdsUntil: 16,
      freshHoldsUntil: days.map(one => one.day + 14),
      pinnedTo: null,
    }
    const sessionsOf = async (restsUntil: number) =>
      (await exactPlan(
        { ...weekly, days, boxes: [{ ...box, restsUntil }], horizon: 37 },
        solve,
      ))!.plan.sessions.map(one => days[one.at]!.day)
    expect(await sessionsOf(-1)).toEqual([9, 23])
    expect(await sessionsOf(16)).toEqual([16, 30])
  }, 60_000)
  test('a plan seen before is changed no more than it must be', async () => {
    const asked = shelf(5, { boxes: 6, weeks: 12 })
    const first = (await exactPlan(asked, solve))!.plan
    const again = (await exactPlan({ ...asked, seen: first.sessions }, solve))!.plan
    expect(again.sessions).toEqual(first.sessions)
  }, 60_000)
  test('a pinned day has its session, a struck one has none; a box wanted on a day is there', async () => {
    const asked = shelf(9, { boxes: 5, weeks: 10 })
    const days = asked.days.map((day, i) => ({
      ...day,
      wish: i === 3 ? ('pinned' as const) : i === 5 ? ('struck' as const) : null,
    }))
    const boxes = asked.boxes.map((box, i) => (i === 2 ? { ...box, pinnedTo: 4 } : box))
    for (const plan of [
      greedyPlan({ ...asked, days, boxes }),
      (await exactPlan({ ...asked, days, boxes }, solve))!.plan,
    ]) {
      const on = plan.sessions.map(session => session.at)
      expect(on).toContain(3)
      expect(on).not.toContain(5)
      expect(plan.sessions.find(session => session.at === 4)?.boxIds).toContain('b2')
    }
  }, 60_000)
  test('a day too short for what it must heat: no plan keeps to the hours', async () => {
    const asked = shelf(3, { boxes: 8, weeks: 4 })
    const boxes = asked.boxes.map(box => ({ ...box, share: 1, holdsUntil: 3 }))
    expect(await exactPlan({ ...asked, boxes }, solve)).toBeNull()
  })
  test('spares go in at once, and what came out is heated before they are wanted again', () => {
    const asked = { ...shelf(1, { boxes: 3, weeks: 3, spareShare: 1 }), batchMinutes: 300 }
    const boxes = asked.boxes.map(box => ({ ...box, share: 1 }))
    const sessions = [
      { at: 0, boxIds: ['b0', 'b1'] },
      { at: 1, boxIds: ['b2'] },
    ]
    // one filling a day: the first day one is swapped and one heated; the second has the filling for both turns
    expect(fillingsFor({ ...asked, boxes }, sessions)).toEqual([1, 1])
    expect(fillingsFor({ ...asked, boxes, spareShare: 0 }, sessions)).toBeNull()
  })
  test('the same question, the same plan', async () => {
    const asked = shelf(77, { boxes: 8, weeks: 16 })
    expect(await exactPlan(asked, solve)).toEqual(await exactPlan(asked, solve))
  }, 60_000)
  test('the text a solver reads names every number once', () => {
    const text = asLpText({
      minimize: [[1, 'a']],
      rows: [
        {
          terms: [
            [1, 'a'],
            [-2, 'b'],
            [1, 'c'],
          ],
          is: '>=',
          to: 1,
        },
      ],
      whole: new Map([
        ['a', { most: 1 }],
        ['b', { most: 4 }],
      ]),
      any: new Set(['c']),
    })
    expect(text).toMatch(/obj: \+ 1 a\n.*r0: \+ 1 a - 2 b \+ 1 c >= 1/s)
    expect(text).toMatch(/0 <= b <= 4.*General\n b\nBinary\n a\nEnd$/s)
  })
})
