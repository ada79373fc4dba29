// One process's share of the plans: random shelves solved and checked, and shelves of made-up boxes lived through.
// Arguments: which share, of how many, 'shelves', 'lived' or 'lived by two' boxes of five, and the numbers; left out: all.
import loadHighs from 'highs'
import { ensembleOf } from '../src/core/estimate/estimate-box.ts'
import { freshHolds } from '../src/core/estimate/fresh-holds.ts'
import { exactPlan } from '../src/core/renewal/exact-plan.ts'
import { greedyPlan } from '../src/core/renewal/greedy-plan.ts'
import {
  freshBeadsHold,
  LEAST_DAYS,
  lastDayFreshHeld,
  lastDayHeld,
  lastHeatedS,
  mayLeave,
  restsUntilDay,
  shareThatMayLeave,
  valueAtShare,
} from '../src/core/renewal/hold-dates.ts'
import { lapses, type BoxToRenew, type OvenPlanAsked } from '../src/core/renewal/oven-days.ts'
import { readingWord } from '../src/core/verdict/reading.ts'
import type { Solver } from '../src/core/renewal/linear-model.ts'
import { AHEAD_DAYS, boxLife, type BoxLife } from '../src/testing/histories/half-year.ts'
import { bruteForce, livesThrough, shelf } from '../src/testing/oven-shelves.ts'
import { secondsFromDays } from '../src/units/time.ts'
import { highsSolver } from '../src/workers/highs-solver.ts'

export const SHELVES = 100
export const LIVED = 100
const SMALL = 20
const LIVED_BOXES = 5
const FEWER_BOXES = 2
const SURE = 0.9
const FRESH_DAYS = [0, 52, 104, 156]
/** A filling with its turn, and what a day takes beside: as usual in the app. */
const FILLING_MINUTES = 100
const BESIDE_MINUTES = 30
const WEEKS = 26
/** The plan always looks half a year ahead: on the last of the days that are lived through as on the first. */
const ALL_SATURDAYS = Array.from({ length: 2 * WEEKS }, (_, week) => 2 + 7 * week)
const SATURDAYS = ALL_SATURDAYS.slice(0, WEEKS)
const RECKONED_EVERY_DAYS = 42
const WEEK_DAYS = 7
/** Fewer than the app throws: each box is reckoned some ten times. */
const DRAWS_PER_ROUND = 60

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
  /** Box-days on which the plan left a box out, and named it: fresh beads would not hold it. They count for no rule. */
  readonly leftOutDays: number
  readonly plan: Lived
  /** All of them on the first of each month. */
  readonly monthly: Lived
  /** All of them every fourth Saturday: one day more in half a year, and the first of them at once. */
  readonly fourth: Lived
  readonly dark: Lived
}

/** What is known of one box on a day: until when it holds, and until when fresh beads would, Saturday by Saturday. */
interface Known {
  readonly onDay: number
  readonly box: BoxToRenew
  readonly holdsAtAll: boolean
}

function knownOf(life: BoxLife, box: number, day: number, renewals: readonly number[]): Known | null {
  const facts = life.factsOn(day, renewals)
  const ensemble = ensembleOf(facts, { drawsPerRound: DRAWS_PER_ROUND })
  const fresh = freshHolds(
    facts,
    ensemble,
    FRESH_DAYS.map(one => facts.nowS + secondsFromDays(one)),
  )
  const { leaves } = ensemble.report
  const heatedS = lastHeatedS(facts.charges)
  if (!fresh || !leaves) return null
  const leavesS = valueAtShare(leaves.sharesOfDates, shareThatMayLeave(fresh, SURE)).atS
  return {
    onDay: day,
    holdsAtAll: freshBeadsHold(fresh),
    box: {
      id: String(box),
      share: 0.2,
      holdsUntil: day + (isOver(life, day, renewals) ? -1 : lastDayHeld(leavesS, facts.nowS, heatedS)),
      restsUntil: day + restsUntilDay(heatedS, facts.nowS),
      freshHoldsUntil: ALL_SATURDAYS.map(
        saturday =>
          day +
          lastDayFreshHeld(fresh, {
            day: Math.max(0, saturday - day),
            todayS: facts.nowS,
            share: mayLeave(SURE),
          }),
      ),
      pinnedTo: null,
    },
  }
}

/** A box's life, and what is known of it on the first day. */
interface KeptLife {
  readonly life: BoxLife
  readonly known: Known
}

/**
 * Five boxes of one house, each with a display that is read once a week. Every Saturday the plan is asked; a box is reckoned
 * anew each sixth week, and when its display shows it over. What the plan wants today is done today.
 */
async function plannedDays(kept: readonly KeptLife[], solve: Solver) {
  const done = new Map(kept.map((_, box) => [box, [] as number[]]))
  const known = new Map(
    kept.map((one, box) => [box, { ...one.known, box: { ...one.known.box, id: String(box) } }]),
  )
  const leftOut = new Map(kept.map((_, box) => [box, new Set<number>()]))
  for (const [at, today] of SATURDAYS.entries()) {
    for (const [box, { life }] of kept.entries()) {
      const before = known.get(box)!
      const renewals = done.get(box)!
      if (
        before.onDay < today &&
        (today - before.onDay >= RECKONED_EVERY_DAYS ||
          before.box.holdsUntil - today < RECKONED_EVERY_DAYS ||
          isOver(life, today, renewals))
      ) {
        const now = knownOf(life, box, today, renewals)
        if (now) known.set(box, now)
      }
    }
    for (const [box, { holdsAtAll }] of known)
      if (!holdsAtAll) for (let day = 0; day < WEEK_DAYS; day++) leftOut.get(box)!.add(today + day)
    const planned = [...known.values()].filter(one => one.holdsAtAll)
    const asked: OvenPlanAsked = {
      days: ALL_SATURDAYS.slice(at, at + WEEKS).map(day => ({
        day: day - today,
        presentMinutes: 330,
        wish: null,
      })),
      horizon: AHEAD_DAYS,
      batchMinutes: FILLING_MINUTES,
      besideMinutes: BESIDE_MINUTES,
      spareShare: 0,
      seen: [],
      boxes: planned.map(({ box }) => ({
        ...box,
        holdsUntil: box.holdsUntil - today,
        restsUntil: box.restsUntil! - today,
        freshHoldsUntil: box.freshHoldsUntil.slice(at, at + WEEKS).map(day => day - today),
      })),
    }
    const quick = greedyPlan(asked)
    // nothing is due for weeks: no plan would have a day now
    if (quick.sessions.length === 0 || quick.sessions[0]!.at > 1) continue
    const { sessions } = ((await exactPlan(asked, solve)) ?? { plan: quick }).plan
    const [first] = sessions
    if (first?.at !== 0) continue
    for (const id of first.boxIds) {
      const box = Number(id)
      const days = done.get(box)!
      days.push(today)
      const before = known.get(box)!
      known.set(box, {
        ...before,
        box: { ...before.box, holdsUntil: before.box.freshHoldsUntil[at]!, restsUntil: today + LEAST_DAYS },
      })
    }
  }
  return { done, leftOut }
}

/** Its display shows it over; what a heat did not help a fortnight ago, another does not. */
function isOver(life: BoxLife, day: number, renewals: readonly number[]): boolean {
  if (day - (renewals.at(-1) ?? -Infinity) < LEAST_DAYS) return false
  const facts = life.factsOn(day, renewals)
  const last = facts.readings.at(-1)!
  return last.settled && readingWord(facts.hygrometer, last, facts.targetRhPercent!) === 'over'
}

/** The first of each month, in days from today. */
function firstsOfMonths(todayS: number): number[] {
  const days = Array.from({ length: AHEAD_DAYS }, (_, day) => day)
  return days.filter(day => new Date((todayS + secondsFromDays(day)) * 1000).getUTCDate() === 1)
}

async function measuredLife(number: number, boxes: number, solve: Solver): Promise<MeasuredLife> {
  const all = Array.from({ length: boxes }, (_, box) => boxLife(number, box))
  // boxes that even fresh beads would not hold are left out of the plan, and of what is compared
  const kept = all.flatMap((life, box) => {
    const known = knownOf(life, box, 0, [])
    return known?.holdsAtAll ? [{ life, known }] : []
  })
  const lives = kept.map(one => one.life)
  const { done, leftOut } = await plannedDays(kept, solve)
  const lived = (daysOf: (box: number) => readonly number[]): Lived => {
    const days = new Map<number, number>()
    let renewals = 0
    let offDays = 0
    lives.forEach((life, box) => {
      const own = daysOf(box)
      renewals += own.length
      offDays += life.offDays(own, leftOut.get(box)!)
      for (const day of own) days.set(day, (days.get(day) ?? 0) + 1)
    })
    const minutes = [...days.values()].reduce(
      (sum, boxes) => sum + BESIDE_MINUTES + FILLING_MINUTES * Math.ceil(boxes / 5),
      0,
    )
    return { days: days.size, renewals, hours: Math.round(minutes / 6) / 10, offDays }
  }
  const firsts = firstsOfMonths(lives[0]?.todayS ?? 0)
  const fourths = SATURDAYS.filter((_, week) => week % 4 === 0)
  return {
    kind: 'lived',
    shelf: number,
    boxes: lives.length,
    leftOutDays: [...leftOut.values()].reduce((sum, days) => sum + days.size, 0),
    plan: lived(box => done.get(box)!),
    monthly: lived(() => firsts),
    fourth: lived(() => fourths),
    dark: lived(box => lives[box]!.darkDays(SATURDAYS)),
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
          what === 'shelves'
            ? await measuredShelf(number, solve)
            : await measuredLife(number, what === 'lived' ? LIVED_BOXES : FEWER_BOXES, solve),
        ),
      )
}
