import { greatest } from '#units/extremes.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { foldPlaced } from '#journal/fold.ts'
import type { State } from '#journal/state.ts'
import { stayIn } from '#journal/stays.ts'
import type { JournalView } from './journal-view.ts'

/** When a box was last closed or its beads renewed, and what was known of it then. */
export interface Closing {
  readonly closedMs: number
  readonly facts: BoxFacts
}

const known = new WeakMap<JournalView, Map<string, Closing | null>>()
/** What is promised of the first days is over after them. */
const WITHIN_MS = 4 * 86_400_000
const TOLD_WITHIN_MS = 36 * 3_600_000
/** Just after: what was put in then is in. */
const AFTER_MS = 1000

/** @returns null where that was longer ago than the first days go, or nothing is known of it */
export function lastClosing(journal: JournalView, boxId: string): Closing | null {
  const boxes = known.get(journal) ?? new Map<string, Closing | null>()
  known.set(journal, boxes)
  if (!boxes.has(boxId)) boxes.set(boxId, closingOf(journal, boxId))
  return boxes.get(boxId)!
}

function closingOf({ state, placed, nowMs }: JournalView, boxId: string): Closing | null {
  const closedMs = closedAt(state, boxId, nowMs)
  if (closedMs === null || nowMs - closedMs > WITHIN_MS) return null
  // told from memory days afterwards, neither its hour nor what was known then is worth a promise by the hour
  const isTold = placed.some(
    ({ atMs, writtenAt }) =>
      Math.abs(atMs - closedMs) < AFTER_MS && Date.parse(writtenAt) - atMs < TOLD_WITHIN_MS,
  )
  if (!isTold) return null
  const thenMs = Math.min(nowMs, closedMs + AFTER_MS)
  // what was entered for later days was not known then
  const then = foldPlaced(placed.filter(item => item.atMs <= thenMs))
  const view = boxView(then, boxId, thenMs)
  const facts = view && boxFacts(then, view, thenMs)
  return facts && { closedMs, facts }
}

/** The last time its lid was on again after beads, spools or the lid itself were seen to. */
function closedAt(state: State, boxId: string, nowMs: number): number | null {
  const box = state.boxes.get(boxId)
  if (!box) return null
  const times = [box.madeMs, ...box.lids.map(lid => lid.fromMs)]
  for (const charge of state.charges.values())
    for (const stay of stayIn(charge.stays, boxId)) {
      times.push(stay.fromMs)
      for (const { atMs } of charge.heatings)
        if (atMs >= stay.fromMs && (stay.untilMs === null || atMs <= stay.untilMs)) times.push(atMs)
    }
  for (const spool of state.spools.values())
    for (const stay of stayIn(spool.stays, boxId)) times.push(stay.fromMs)
  return greatest(times.filter(ms => ms <= nowMs))
}
