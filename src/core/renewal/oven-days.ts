/** A day on which beads can be heated. */
export interface OvenDay {
  /** Days from today, 0 or more; the days come in their order. */
  readonly day: number
  /** Minutes a person is there: heat is never left alone. */
  readonly presentMinutes: number
  /** It must have a session, or must have none. */
  readonly wish: 'pinned' | 'struck' | null
}

export interface BoxToRenew {
  readonly id: string
  /** What its beads take of one filling of the oven, more than 0; above 1 they take several. */
  readonly share: number
  /** The last day it holds its target with the confidence asked; less than 0: it is over already. */
  readonly holdsUntil: number
  /** Heated of late: until this day it is better left alone; left out: heated long ago. */
  readonly restsUntil?: number
  /** The same for fresh beads put in on each of the days, in their order. */
  readonly freshHoldsUntil: readonly number[]
  /** The day it is wanted on, by its place in the list; null: any. */
  readonly pinnedTo: number | null
}

export interface OvenPlanAsked {
  readonly days: readonly OvenDay[]
  readonly boxes: readonly BoxToRenew[]
  /** The plan looks so many days ahead. */
  readonly horizon: number
  /** One filling, with its warming; and what a day at the oven takes before and after. */
  readonly batchMinutes: number
  readonly besideMinutes: number
  /** Spare beads, as shares of a filling: boxes get them at once where they are dry, their own are heated later. */
  readonly spareShare: number
  /** Part of these that is damp on the first day, and is heated as soon as there is room; left out: none. */
  readonly waitingShare?: number
  /** The plan that was seen before, to be changed as little as may be. */
  readonly seen: readonly OvenSession[]
}

export interface OvenSession {
  /** Place in the list of days. */
  readonly at: number
  readonly boxIds: readonly string[]
}

export interface OvenPlan {
  readonly sessions: readonly OvenSession[]
  /** Fillings of the oven on the day of each session. */
  readonly batches: readonly number[]
}

/** Fillings that a day has time for. */
export const mostBatches = (asked: OvenPlanAsked, at: number): number =>
  Math.max(0, Math.floor((asked.days[at]!.presentMinutes - asked.besideMinutes) / asked.batchMinutes + 1e-9))

/** Days that may have a session. */
export const openDays = (asked: OvenPlanAsked): number[] =>
  asked.days.flatMap((day, at) => (day.wish === 'struck' || mostBatches(asked, at) === 0 ? [] : [at]))

/**
 * The days of which one must see a box renewed, from a day on: those up to the last on which it holds. Where none lies so
 * near, the first there is: late, but nothing better can be had. Nothing is due where it holds past the horizon.
 * @param after only days later than this place in the list @returns null where nothing is due
 */
export function daysDue(
  asked: OvenPlanAsked,
  open: readonly number[],
  holdsUntil: number,
  after: number,
): readonly number[] | null {
  if (holdsUntil >= asked.horizon) return null
  const later = open.filter(at => at > after)
  const inTime = later.filter(at => asked.days[at]!.day <= holdsUntil)
  if (inTime.length > 0) return inTime
  return later.length > 0 ? [later[0]!] : null
}

export interface Lapse {
  readonly boxId: string
  /** Over from this day until it is renewed on that; `to` is the horizon where it is not. */
  readonly from: number
  readonly to: number
}

/** Where a plan lets a box leave its target: from the day after it last holds until it is renewed. */
export function lapses(asked: OvenPlanAsked, sessions: readonly OvenSession[]): Lapse[] {
  return asked.boxes.flatMap(box => {
    const on = sessions.filter(session => session.boxIds.includes(box.id)).map(session => session.at)
    const found: Lapse[] = []
    let holdsUntil = box.holdsUntil
    for (const at of [...on.sort((a, b) => a - b), null]) {
      const day = at === null ? asked.horizon : asked.days[at]!.day
      if (holdsUntil < day) found.push({ boxId: box.id, from: holdsUntil + 1, to: day })
      if (at !== null) holdsUntil = box.freshHoldsUntil[at]!
    }
    return found
  })
}

/**
 * Fillings each session needs when spares go in at once and what came out is heated as late as may be: enough each time
 * that spares are ready again when they are wanted.
 * @returns null where no number of fillings would do
 */
export function fillingsFor(
  asked: OvenPlanAsked,
  sessions: readonly OvenSession[],
): readonly number[] | null {
  const shareOf = new Map(asked.boxes.map(box => [box.id, box.share]))
  let backlog = asked.waitingShare ?? 0
  const batches: number[] = []
  for (const { at, boxIds } of sessions) {
    const wanted = boxIds.reduce((sum, id) => sum + shareOf.get(id)!, 0)
    const most = mostBatches(asked, at)
    // what cannot be swapped for a ready spare must be heated here
    const ready = asked.spareShare - backlog
    const least = Math.max(0, wanted - ready)
    const needed = Math.ceil(least - 1e-9)
    if (needed > most) return null
    // all the room there is, so that spares are ready for the next time
    const heated = Math.min(wanted + backlog, most)
    batches.push(Math.max(needed, Math.ceil(heated - 1e-9)))
    backlog = wanted + backlog - heated
  }
  return batches
}
