import { LEAST_DAYS } from './hold-dates.ts'
import type { LinearModel, Solved, Solver, Term } from './linear-model.ts'
import {
  daysDue,
  mostBatches,
  openDays,
  type OvenPlan,
  type OvenPlanAsked,
  type OvenSession,
} from './oven-days.ts'

export interface ExactPlan {
  readonly plan: OvenPlan
  /** Nothing has fewer sessions, then fewer fillings, then fewer changes, then better days. */
  readonly proven: boolean
  /** No plan has fewer sessions than this. */
  readonly leastSessions: number
}

/** Damp spares are left at the end: they want a filling yet. */
const LEFT = 'left'

const session = (at: number) => `y${at}`
const fillings = (at: number) => `n${at}`
const renewed = (box: number, at: number) => `x${box}_${at}`
/** Heated of what was renewed that day, heated of what waits, and what waits afterwards. */
const direct = (at: number) => `h${at}`
const caughtUp = (at: number) => `c${at}`
const waiting = (at: number) => `w${at}`

/** So many days in hand are enough, of what made-up shelves lived through show (docs/performance.md); beyond, beads come out early. */
const IN_HAND_DAYS = 42
/** A box taken along is worth its trouble where it would else be left with two days less than that. */
const RENEWAL = 2 ** 2
/** A day more than enough: only decides between equals. */
const EARLY = 0.01
/** Heated again while beads of late still rest: worse than no day in hand. */
const RESTING = 2 * IN_HAND_DAYS ** 2

/**
 * The plan with the fewest sessions; of those the fewest fillings; of those the fewest changes against the one seen; of
 * those the most slack up to six weeks, as few renewals as that takes, and the latest days: four integer programmes, each
 * holding what the ones before found (lexicographic optimisation).
 * A place in a filling that is heated anyway costs no hour, so a box short of days in hand comes along.
 * @returns null where no plan keeps to the hours: `greedyPlan` says then which day is too full
 */
export async function exactPlan(asked: OvenPlanAsked, solve: Solver): Promise<ExactPlan | null> {
  const base = modelOf(asked)
  const { open } = base
  if (open.length === 0) return { plan: { sessions: [], batches: [] }, proven: true, leastSessions: 0 }
  const aims: (readonly Term[])[] = [
    open.map(at => [1, session(at)] as const),
    [...open.map(at => [1, fillings(at)] as const), [1, LEFT] as const],
    // where none was seen there is nothing to change
    ...(asked.seen.length > 0 ? [changes(asked, open)] : []),
    base.slack,
  ]
  let held: LinearModel['rows'] = []
  let last: Solved | null = null
  let proven = true
  let leastSessions = 0
  for (const [stage, minimize] of aims.entries()) {
    const solved = await solve({ ...base.model, minimize, rows: [...base.model.rows, ...held] })
    if (solved.is === 'none') {
      if (last === null) return null
      proven = false
      break
    }
    last = solved
    if (stage === 0) leastSessions = Math.ceil(solved.bound - 1e-6)
    if (solved.is !== 'proven') {
      proven = false
      break
    }
    held = [...held, { terms: minimize, is: '<=', to: Math.round(solved.value * 1000) / 1000 }]
  }
  return { plan: planOf(asked, open, last!), proven, leastSessions }
}

interface Modelled {
  readonly model: Omit<LinearModel, 'minimize'>
  readonly open: readonly number[]
  /** What each renewal costs, and its day: too short before the date, or too long. */
  readonly slack: readonly Term[]
}

function modelOf(asked: OvenPlanAsked): Modelled {
  const open = openDays(asked)
  const rows: LinearModel['rows'][number][] = []
  const whole = new Map<string, { most: number }>()
  const any = new Set<string>()
  const slack: Term[] = []
  const add = (terms: readonly Term[], is: '<=' | '>=' | '=', to: number) => rows.push({ terms, is, to })

  for (const [i, at] of open.entries()) {
    whole.set(session(at), { most: 1 })
    whole.set(fillings(at), { most: mostBatches(asked, at) })
    for (const name of [direct(at), caughtUp(at), waiting(at)]) any.add(name)
    asked.boxes.forEach((_, b) => whole.set(renewed(b, at), { most: 1 }))
    const shares = asked.boxes.map(({ share }, b): Term => [share, renewed(b, at)])
    const before: Term[] = i > 0 ? [[1, waiting(open[i - 1]!)]] : []
    const atFirst = i > 0 ? 0 : (asked.waitingShare ?? 0)
    // what waits: what waited, less what is caught up, and what is renewed but not heated today
    add(
      [[1, waiting(at)], ...before.map(minus), [1, caughtUp(at)], [1, direct(at)], ...shares.map(minus)],
      '=',
      atFirst,
    )
    add([[1, direct(at)], ...shares.map(minus)], '<=', 0)
    add([[1, caughtUp(at)], ...before.map(minus)], '<=', atFirst)
    // what is not heated today came out for a spare that lay ready
    add([...shares, [-1, direct(at)], ...before], '<=', asked.spareShare - atFirst)
    add(
      [
        [1, direct(at)],
        [1, caughtUp(at)],
        [-1, fillings(at)],
      ],
      '<=',
      0,
    )
    add(
      [
        [1, fillings(at)],
        [-mostBatches(asked, at), session(at)],
      ],
      '<=',
      0,
    )
    asked.boxes.forEach((_, b) =>
      add(
        [
          [1, renewed(b, at)],
          [-1, session(at)],
        ],
        '<=',
        0,
      ),
    )
    if (asked.days[at]!.wish === 'pinned') add([[1, session(at)]], '=', 1)
  }
  const last = open.at(-1)
  if (last !== undefined) {
    whole.set(LEFT, { most: 1 })
    add(
      [
        [1, waiting(last)],
        [-Math.max(1, asked.spareShare), LEFT],
      ],
      '<=',
      0,
    )
  }
  // each box goes its way from today to the horizon, from one renewal to the next that comes in time: as a path its
  // relaxation is whole already, which a list of "one of these days" is not
  asked.boxes.forEach((box, b) => {
    const into = new Map<number, Term[]>(open.map(at => [at, []]))
    const wayFrom = (from: number, holdsUntil: number, restsUntil: number): Term[] => {
      const next = daysDue(asked, open, holdsUntil, from)
      const ways = (next ?? []).map((to): Term => {
        const way = `f${b}_${from + 1}_${to}`
        any.add(way)
        into.get(to)!.push([1, way])
        const { day } = asked.days[to]!
        slack.push([RENEWAL + offTheDay(holdsUntil - day) + (day < restsUntil ? RESTING : 0), way])
        return [1, way]
      })
      if (next !== null) return ways
      // it holds to the end; it may be renewed all the same
      const through = `e${b}_${from + 1}`
      any.add(through)
      const wished = open
        .filter(at => at > from && at === box.pinnedTo)
        .map((to): Term => {
          const way = `f${b}_${from + 1}_${to}`
          any.add(way)
          into.get(to)!.push([1, way])
          return [1, way]
        })
      return [[1, through], ...wished]
    }
    add(wayFrom(-1, box.holdsUntil, box.restsUntil ?? -1), '=', 1)
    for (const at of open) {
      const ways = wayFrom(at, box.freshHoldsUntil[at]!, asked.days[at]!.day + LEAST_DAYS)
      add([...ways, [-1, renewed(b, at)]], '=', 0)
    }
    for (const at of open) add([...into.get(at)!, [-1, renewed(b, at)]], '=', 0)
    if (box.pinnedTo !== null && open.includes(box.pinnedTo)) add([[1, renewed(b, box.pinnedTo)]], '=', 1)
  })
  return { model: { rows, whole, any }, open, slack }
}

/** Squared: a day in hand is worth most where there is none. */
const offTheDay = (days: number): number =>
  days < IN_HAND_DAYS ? (IN_HAND_DAYS - Math.max(0, days)) ** 2 : (days - IN_HAND_DAYS) * EARLY

const minus = ([factor, name]: Term): Term => [-factor, name]

/** Each box taken from a day it was seen on, or put on one it was not. */
const changes = (asked: OvenPlanAsked, open: readonly number[]): Term[] =>
  open.flatMap(at => {
    const was = asked.seen.find(one => one.at === at)?.boxIds ?? []
    return asked.boxes.map((box, b): Term => [was.includes(box.id) ? -1 : 1, renewed(b, at)])
  })

function planOf(asked: OvenPlanAsked, open: readonly number[], { of }: Solved): OvenPlan {
  const isSet = (name: string) => (of.get(name) ?? 0) > 0.5
  const sessions: OvenSession[] = []
  const batches: number[] = []
  for (const at of open) {
    if (!isSet(session(at))) continue
    sessions.push({
      at,
      boxIds: asked.boxes.filter((_, b) => isSet(renewed(b, at))).map(box => box.id),
    })
    batches.push(Math.round(of.get(fillings(at)) ?? 0))
  }
  return { sessions, batches }
}
