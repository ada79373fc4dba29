import {
  daysDue,
  fillingsFor,
  mostBatches,
  openDays,
  type BoxToRenew,
  type OvenPlan,
  type OvenPlanAsked,
  type OvenSession,
} from './oven-days.ts'

/**
 * A good plan at once: the next session as late as the first box allows, and with it every box that would otherwise need
 * one before the session after. Full days put off what can wait, and the day before takes what cannot.
 */
export function greedyPlan(asked: OvenPlanAsked): OvenPlan {
  const open = openDays(asked)
  const pinned = open.filter(
    at => asked.days[at]!.wish === 'pinned' || asked.boxes.some(box => box.pinnedTo === at),
  )
  const sessions: { at: number; boxIds: string[] }[] = []
  const holds = new Map(asked.boxes.map(box => [box.id, box.holdsUntil]))
  let after = -1
  for (let guard = 0; guard <= open.length; guard++) {
    const due = asked.boxes.flatMap(box => {
      const days = daysDue(asked, open, holds.get(box.id)!, after)
      return days ? [{ box, latest: days.at(-1)! }] : []
    })
    const nextPinned = pinned.find(at => at > after)
    if (due.length === 0 && nextPinned === undefined) break
    const at = Math.min(nextPinned ?? Infinity, ...due.map(one => one.latest))
    const [next] = open.filter(one => one > at)
    const must = due.filter(one => one.latest === at).map(one => one.box)
    const onThis = asked.boxes.filter(box => box.pinnedTo === at && !must.includes(box))
    // worth bringing along: it would need a session before the others come round again
    const soon = Math.min(...[...must, ...onThis].map(box => box.freshHoldsUntil[at]!), asked.horizon)
    const along = due
      .filter(one => !must.includes(one.box) && !onThis.includes(one.box) && one.box.pinnedTo === null)
      .filter(one => holds.get(one.box.id)! < soon && next !== undefined)
      .sort((a, b) => holds.get(a.box.id)! - holds.get(b.box.id)!)
      .map(one => one.box)
    const chosen = withinTime(asked, sessions, at, [...must, ...onThis], along)
    sessions.push({ at, boxIds: chosen.map(box => box.id) })
    for (const box of chosen) {
      holds.set(box.id, box.freshHoldsUntil[at]!)
    }
    after = at
  }
  const filled = sessions.filter(
    session => session.boxIds.length > 0 || asked.days[session.at]!.wish === 'pinned',
  )
  return { sessions: filled, batches: fillingsFor(asked, filled) ?? filled.map(one => roomFor(asked, one)) }
}

/** What must be heated, and of what could come along as much as the day has time for. */
function withinTime(
  asked: OvenPlanAsked,
  before: readonly OvenSession[],
  at: number,
  must: readonly BoxToRenew[],
  along: readonly BoxToRenew[],
): BoxToRenew[] {
  const chosen = [...must]
  for (const box of along) {
    const tried = [...before, { at, boxIds: [...chosen, box].map(one => one.id) }]
    if (fillingsFor(asked, tried) !== null) chosen.push(box)
  }
  return chosen
}

const roomFor = (asked: OvenPlanAsked, { at, boxIds }: OvenSession): number =>
  Math.max(
    mostBatches(asked, at),
    Math.ceil(
      asked.boxes.filter(box => boxIds.includes(box.id)).reduce((sum, box) => sum + box.share, 0) - 1e-9,
    ),
  )
