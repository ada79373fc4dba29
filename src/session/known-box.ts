import { greatest } from '#units/extremes.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView, type BoxView } from '#journal/box-view.ts'
import { readingsOf } from '#journal/readings-of.ts'
import type { JournalView } from './journal-view.ts'

export interface KnownBox {
  readonly view: BoxView
  readonly facts: BoxFacts | null
}

/** A box is looked up at every drawing of the shelf; it changes with the journal alone. */
const boxesOf = new WeakMap<JournalView, Map<string, KnownBox | null>>()

export function knownBox(journal: JournalView, boxId: string): KnownBox | null {
  const boxes = boxesOf.get(journal) ?? new Map<string, KnownBox | null>()
  boxesOf.set(journal, boxes)
  if (!boxes.has(boxId)) {
    const view = boxView(journal.state, boxId, journal.nowMs)
    boxes.set(boxId, view && { view, facts: boxFacts(journal.state, view, factsTimeMs(journal, view)) })
  }
  return boxes.get(boxId)!
}

const DAY_MS = 86_400_000

/**
 * The time a box is reckoned for: the day begun, or the last thing that happened to it since. So its facts, and with
 * them its reckoning, stay what they are when something is entered for another box.
 */
function factsTimeMs({ state, nowMs }: JournalView, view: BoxView): number {
  const dayMs = Math.floor(nowMs / DAY_MS) * DAY_MS
  const { box } = view
  const times = [
    dayMs,
    box.madeMs,
    ...box.openings.map(opening => opening.atMs),
    ...view.readings.map(reading => reading.atMs),
    ...readingsOf(state, { in: 'room', roomId: box.roomId }).map(reading => reading.atMs),
    ...view.charges.flatMap(charge => [...charge.heatings, ...charge.weighings].map(event => event.atMs)),
    ...view.spools.flatMap(spool => [...spool.dryings, ...spool.amounts].map(event => event.atMs)),
    ...[...view.charges, ...view.spools].flatMap(thing => thing.stays.map(stay => stay.fromMs)),
  ]
  return Math.min(nowMs, greatest(times.filter(ms => ms <= nowMs)))
}
