import { beforeAll, describe, expect, test } from '@jest/globals'
import loadHighs from 'highs'
import { seededRandom } from '#core/estimate/random.ts'
import { exactPlan } from '#core/renewal/exact-plan.ts'
import { greedyPlan } from '#core/renewal/greedy-plan.ts'
import { asLpText, type Solver } from '#core/renewal/linear-model.ts'
import { fillingsFor, lapses, type OvenPlan, type OvenPlanAsked } from '#core/renewal/oven-days.ts'
import { highsSolver } from './highs-solver.ts'

let solve: Solver
beforeAll(async () => void (solve = highsSolver(await loadHighs())), 60_000)

const WEEK = 7
interface Size {
  readonly boxes: number
  readonly weeks: number
  readonly spareShare?: number
}
/** A shelf of boxes that last so long, in a house where somebody is there on Saturdays. */
function shelf(seed: number, { boxes, weeks, spareShare = 0 }: Size): OvenPlanAsked {
  const random = seededRandom(seed)
  const between = (low: number, high: number) => low + (high - low) * random.uniform()
  const days = Array.from({ length: weeks }, (_, week) => ({
    day: 2 + week * WEEK,
    presentMinutes: 330,
    wish: random.uniform() < 0.12 && week > 1 ? ('struck' as const) : null,
  }))
  return {
    days,
    horizon: weeks * WEEK,
    batchMinutes: 100,
    besideMinutes: 30,
    spareShare,
    seen: [],
    boxes: Array.from({ length: boxes }, (_, i) => {
      const lasts = between(20, 150)
      return {
        id: `b${i}`,
        share: between(0.15, 0.6),
        holdsUntil: Math.round(between(3, lasts)),
        freshHoldsUntil: days.map(({ day }) => Math.round(day + lasts * between(0.85, 1.15))),
        pinnedTo: null,
      }
    }),
  }
}

/** Nothing of the planner's own: every day lived through, every share carried by hand. */
function livesThrough(asked: OvenPlanAsked, plan: OvenPlan): string[] {
  const wrong: string[] = []
  const at = new Map(
    plan.sessions.map((session, i) => [session.at, { ...session, batches: plan.batches[i]! }]),
  )
  const holds = new Map(asked.boxes.map(box => [box.id, box.holdsUntil]))
  let used = 0
  asked.days.forEach(({ day, presentMinutes, wish }, i) => {
    const session = at.get(i)
    const nextDay =
      asked.days.slice(i + 1).find((one, n) => one.wish !== 'struck' && n >= 0)?.day ?? asked.horizon
    if (session) {
      if (wish === 'struck') wrong.push(`a session on day ${day}, which was struck out`)
      if (session.batches * asked.batchMinutes + asked.besideMinutes > presentMinutes)
        wrong.push(`day ${day} is too full`)
      const wanted = asked.boxes
        .filter(box => session.boxIds.includes(box.id))
        .reduce((sum, box) => sum + box.share, 0)
      // from ready spares as far as they go, the rest through the oven; what room is left takes what waits
      const swapped = Math.min(wanted, asked.spareShare - used)
      const mustHeat = wanted - swapped
      if (mustHeat > session.batches + 1e-6) wrong.push(`day ${day} heats ${mustHeat} in ${session.batches}`)
      used = used + swapped - Math.min(used + swapped, Math.max(0, session.batches - mustHeat))
      for (const id of session.boxIds)
        holds.set(id, asked.boxes.find(box => box.id === id)!.freshHoldsUntil[i]!)
    }
    for (const [id, until] of holds)
      if (until < Math.min(nextDay, asked.horizon) && until >= day) {
        // it will lapse before the next day: only where no day could have helped
        const box = asked.boxes.find(one => one.id === id)!
        const couldToday = wish !== 'struck' && box.freshHoldsUntil[i]! > until
        if (couldToday && !session?.boxIds.includes(id)) wrong.push(`${id} lapses after day ${day}`)
      }
  })
  return wrong
}

/** All subsets of (box, day), the fewest sessions that live through; small shelves only. */
function bruteForce(asked: OvenPlanAsked): { sessions: number; batches: number } | null {
  const cells = asked.boxes.flatMap((box, b) =>
    asked.days.flatMap((day, at) => (day.wish === 'struck' ? [] : [{ id: box.id, b, at }])),
  )
  let best: { sessions: number; batches: number } | null = null
  for (let mask = 0; mask < 1 << cells.length; mask++) {
    const byDay = new Map<number, string[]>()
    cells.forEach((cell, i) => {
      if (mask & (1 << i)) byDay.set(cell.at, [...(byDay.get(cell.at) ?? []), cell.id])
    })
    if (best && byDay.size > best.sessions) continue
    const sessions = [...byDay].sort((a, b) => a[0] - b[0]).map(([at, boxIds]) => ({ at, boxIds }))
    const batches = sessions.map(({ boxIds }) =>
      Math.ceil(
        asked.boxes.filter(box => boxIds.includes(box.id)).reduce((sum, box) => sum + box.share, 0) - 1e-9,
      ),
    )
    const total = batches.reduce((sum, n) => sum + n, 0)
    if (best && byDay.size === best.sessions && total >= best.batches) continue
    if (livesThrough(asked, { sessions, batches }).length > 0) continue
    if (lapses(asked, sessions).length > lapses(asked, greedyPlan(asked).sessions).length) continue
    best = { sessions: byDay.size, batches: total }
  }
  return best
}

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
    for (let seed = 1; seed <= 4; seed++) {
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
