import { seededRandom } from '#core/estimate/random.ts'
import { greedyPlan } from '#core/renewal/greedy-plan.ts'
import { lapses, type OvenPlan, type OvenPlanAsked } from '#core/renewal/oven-days.ts'

const WEEK = 7
export interface ShelfSize {
  readonly boxes: number
  readonly weeks: number
  readonly spareShare?: number
}
/** A shelf of boxes that last so long, in a house where somebody is there on Saturdays. */
export function shelf(seed: number, { boxes, weeks, spareShare = 0 }: ShelfSize): OvenPlanAsked {
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
export function livesThrough(asked: OvenPlanAsked, plan: OvenPlan): string[] {
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
export function bruteForce(asked: OvenPlanAsked): { sessions: number; batches: number } | null {
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
