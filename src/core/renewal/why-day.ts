import { lapses, openDays, type Lapse, type OvenPlanAsked, type OvenSession } from './oven-days.ts'

/** The sessions with one of them held on another day; two on one day become one. */
export function moveSession(sessions: readonly OvenSession[], from: number, to: number): OvenSession[] {
  const moved = sessions.find(one => one.at === from)
  if (!moved || from === to) return [...sessions]
  const there = sessions.find(one => one.at === to)
  const boxIds = [...new Set([...(there?.boxIds ?? []), ...moved.boxIds])]
  return [...sessions.filter(one => one.at !== from && one.at !== to), { at: to, boxIds }].sort(
    (a, b) => a.at - b.at,
  )
}

/** The sessions with a box renewed on one day instead of another. */
export function moveBox(
  sessions: readonly OvenSession[],
  boxId: string,
  from: number,
  to: number,
): OvenSession[] {
  const without = sessions.map(one =>
    one.at === from ? { ...one, boxIds: one.boxIds.filter(id => id !== boxId) } : one,
  )
  const there = without.some(one => one.at === to) ? without : [...without, { at: to, boxIds: [] }]
  return there
    .map(one => (one.at === to ? { ...one, boxIds: [...new Set([...one.boxIds, boxId])] } : one))
    .filter(one => one.boxIds.length > 0)
    .sort((a, b) => a.at - b.at)
}

/** What one plan lets lapse beyond what another does. */
export function newLapses(
  asked: OvenPlanAsked,
  before: readonly OvenSession[],
  after: readonly OvenSession[],
): Lapse[] {
  const known = lapses(asked, before)
  return lapses(asked, after).filter(
    one => !known.some(old => old.boxId === one.boxId && old.from <= one.from && old.to >= one.to),
  )
}

/**
 * What would be over by the time a session is held on another day. What lapses later is no matter: the days after it are
 * planned anew.
 */
export const failsWhenMoved = (
  asked: OvenPlanAsked,
  sessions: readonly OvenSession[],
  { from, to }: { readonly from: number; readonly to: number },
): Lapse[] =>
  newLapses(asked, sessions, moveSession(sessions, from, to)).filter(one => one.from <= asked.days[to]!.day)

export interface WhyDay {
  /** The next day that could be taken, by its place; null: there is none. */
  readonly next: number | null
  /** What would lapse if it were held then. */
  readonly late: readonly Lapse[]
  /** The last day it could be held without that; null: this one. */
  readonly couldWait: number | null
}

/** Why a session is on its day: what the next one would be too late for, or how long it could wait. */
export function whyDay(asked: OvenPlanAsked, sessions: readonly OvenSession[], at: number): WhyDay {
  const later = openDays(asked).filter(one => one > at)
  const lateOn = (to: number) => failsWhenMoved(asked, sessions, { from: at, to })
  const [next] = later
  if (next === undefined) return { next: null, late: [], couldWait: null }
  let couldWait: number | null = null
  for (const to of later) {
    const late = lateOn(to)
    if (late.length > 0) return { next: couldWait === null ? next : to, late, couldWait }
    couldWait = to
  }
  return { next, late: [], couldWait }
}
