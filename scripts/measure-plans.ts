// One process's share of the plans: random shelves solved and checked, and shelves of made-up boxes lived through.
// Arguments: which share, of how many, 'shelves' or 'lived', and the numbers; left out: all of them.
import loadHighs from 'highs'
import { ensembleOf } from '../src/core/estimate/estimate-box.ts'
import { freshHolds } from '../src/core/estimate/fresh-holds.ts'
import { exactPlan } from '../src/core/renewal/exact-plan.ts'
import { greedyPlan } from '../src/core/renewal/greedy-plan.ts'
import {
  freshHeldDays,
  lastDayFreshHeld,
  lastDayHeld,
  mayLeave,
  shareThatMayLeave,
  valueAtShare,
} from '../src/core/renewal/hold-dates.ts'
import { lapses, type OvenPlanAsked } from '../src/core/renewal/oven-days.ts'
import type { Solver } from '../src/core/renewal/linear-model.ts'
import { boxLife, AHEAD_DAYS } from '../src/testing/histories/half-year.ts'
import { bruteForce, livesThrough, shelf } from '../src/testing/oven-shelves.ts'
import { secondsFromDays } from '../src/units/time.ts'
import { highsSolver } from '../src/workers/highs-solver.ts'

export const SHELVES = 100
export const LIVED = 100
const SMALL = 20
const LIVED_BOXES = 5
const SURE = 0.9
const FRESH_DAYS = [0, 26, 52, 78, 104, 130, 156, 182]
/** A filling with its turn, and what a day takes beside: as usual in the app. */
const FILLING_MINUTES = 100
const BESIDE_MINUTES = 30

export interface MeasuredShelf {
  readonly kind: 'shelf'
  readonly shelf: number
  readonly boxes: number
  readonly weeks: number
  readonly seconds: number
  readonly proven: boolean
  readonly sessions: number
  readonly leastSessions: number
  readonly greedySessions: number
  readonly wrong: readonly string[]
}

/** The first twenty are small enough to try every plan; the rest have up to fourteen boxes and half a year. */
function sizeOf(number: number) {
  if (number < SMALL) return { boxes: 3, weeks: 5 }
  return {
    boxes: 4 + (number % 11),
    weeks: 10 + ((number * 7) % 17),
    spareShare: [0, 0.5, 1][number % 3]!,
  }
}

async function measuredShelf(number: number, solve: Solver): Promise<MeasuredShelf> {
  const size = sizeOf(number)
  const asked = shelf(1000 + number * 37, size)
  const began = performance.now()
  const exact = (await exactPlan(asked, solve))!
  const seconds = (performance.now() - began) / 1000
  const quick = greedyPlan(asked)
  const wrong = [
    ...livesThrough(asked, exact.plan),
    ...livesThrough(asked, quick).map(one => `quick plan: ${one}`),
  ]
  const { sessions } = exact.plan
  if (lapses(asked, sessions).length > lapses(asked, quick.sessions).length)
    wrong.push('the quick plan lets fewer lapse')
  if (exact.proven && sessions.length !== exact.leastSessions) wrong.push('proven, but not at its own bound')
  if (number < SMALL) {
    const best = bruteForce(asked)!
    const fillings = exact.plan.batches.reduce((sum, one) => sum + one, 0)
    if (sessions.length !== best.sessions || fillings !== best.batches)
      wrong.push(`brute force finds ${best.sessions} days and ${best.batches} fillings`)
  } else if (number % 5 === 0 && exact.proven) {
    const free = asked.days.map(day => ({ ...day, wish: null }))
    for (const [name, other] of [
      ['more spares', { ...asked, spareShare: asked.spareShare + 0.5 }],
      ['more days', { ...asked, days: free }],
    ] as const) {
      const more = (await exactPlan(other, solve))!
      if (more.proven && more.plan.sessions.length > sessions.length) wrong.push(`${name} need more days`)
    }
  }
  return {
    kind: 'shelf',
    shelf: number,
    boxes: size.boxes,
    weeks: size.weeks,
    seconds: Math.round(seconds * 100) / 100,
    proven: exact.proven,
    sessions: sessions.length,
    leastSessions: exact.leastSessions,
    greedySessions: quick.sessions.length,
    wrong: wrong.map(one => `shelf ${number}: ${one}`),
  }
}

interface Lived {
  readonly days: number
  readonly renewals: number
  readonly hours: number
  readonly offDays: number
}
export interface MeasuredLife {
  readonly kind: 'lived'
  readonly shelf: number
  readonly boxes: number
  readonly plan: Lived
  readonly monthly: Lived
  readonly dark: Lived
}

/** Five boxes of one house: planned by what is known of them today, and lived through half a year. */
async function measuredLife(number: number, solve: Solver): Promise<MeasuredLife> {
  const lives = Array.from({ length: LIVED_BOXES }, (_, box) => boxLife(number, box))
  const saturdays = Array.from({ length: 26 }, (_, week) => 2 + 7 * week)
  const planned = lives.flatMap(({ facts }, box) => {
    const ensemble = ensembleOf(facts)
    const fresh = freshHolds(
      facts,
      ensemble,
      FRESH_DAYS.map(day => facts.nowS + secondsFromDays(day)),
    )!
    // boxes that even fresh beads would not hold are left out of the plan, and of what is compared
    if (!ensemble.report.leaves || freshHeldDays(fresh, fresh[0]!.dayS, 0.5) < 3) return []
    const leavesS = valueAtShare(ensemble.report.leaves.sharesOfDates, shareThatMayLeave(fresh, SURE)).atS
    return [
      {
        box,
        holdsUntil: lastDayHeld(leavesS, facts.nowS),
        freshHoldsUntil: saturdays.map(day =>
          lastDayFreshHeld(fresh, { day, todayS: facts.nowS, share: mayLeave(SURE) }),
        ),
      },
    ]
  })
  const asked: OvenPlanAsked = {
    days: saturdays.map(day => ({ day, presentMinutes: 330, wish: null })),
    horizon: AHEAD_DAYS,
    batchMinutes: FILLING_MINUTES,
    besideMinutes: BESIDE_MINUTES,
    spareShare: 0,
    seen: [],
    boxes: planned.map(one => ({
      id: String(one.box),
      share: 0.2,
      holdsUntil: one.holdsUntil,
      freshHoldsUntil: one.freshHoldsUntil,
      pinnedTo: null,
    })),
  }
  const { sessions } = ((await exactPlan(asked, solve)) ?? { plan: greedyPlan(asked) }).plan
  const lived = (daysOf: (box: number) => readonly number[]): Lived => {
    const days = new Map<number, number>()
    let renewals = 0
    let offDays = 0
    for (const { box } of planned) {
      const own = daysOf(box)
      renewals += own.length
      offDays += lives[box]!.offDays(own)
      for (const day of own) days.set(day, (days.get(day) ?? 0) + 1)
    }
    const minutes = [...days.values()].reduce(
      (sum, boxes) => sum + BESIDE_MINUTES + FILLING_MINUTES * Math.ceil(boxes / 5),
      0,
    )
    return { days: days.size, renewals, hours: Math.round(minutes / 6) / 10, offDays }
  }
  const firsts = saturdays.filter((_, week) => week % 4 === 0)
  return {
    kind: 'lived',
    shelf: number,
    boxes: planned.length,
    plan: lived(box =>
      sessions.filter(one => one.boxIds.includes(String(box))).map(one => saturdays[one.at]!),
    ),
    monthly: lived(() => firsts),
    dark: lived(box => lives[box]!.darkDays(saturdays)),
  }
}

const [share, of, what, ...some] = process.argv.slice(2)
if (what !== undefined) {
  const solve = highsSolver(await loadHighs())
  const count = what === 'shelves' ? SHELVES : LIVED
  const numbers = some.length > 0 ? some.map(Number) : Array.from({ length: count }, (_, i) => i)
  for (const [i, number] of numbers.entries())
    if (i % Number(of) === Number(share))
      console.log(
        JSON.stringify(
          what === 'shelves' ? await measuredShelf(number, solve) : await measuredLife(number, solve),
        ),
      )
}
