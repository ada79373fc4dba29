import type { Placed } from '#journal/in-force.ts'
import type { State, Stay } from '#journal/state.ts'
import { stayIn } from '#journal/stays.ts'

/** Whether an entry is about a box: it names it, or a thing that was in it at the time. Empty: about any. */
export function isAbout(state: State, boxId: string): (item: Placed) => boolean {
  if (boxId === '') return () => true
  const stays = new Map<string, Stay[]>()
  for (const charge of state.charges.values()) stays.set(charge.chargeId, stayIn(charge.stays, boxId))
  for (const spool of state.spools.values()) stays.set(spool.spoolId, stayIn(spool.stays, boxId))
  return ({ entry, atMs }) =>
    entry.subjects.includes(boxId) ||
    entry.subjects.some(id =>
      // what takes a thing out, or ends it, is about the box as well
      (stays.get(id) ?? []).some(
        stay => stay.fromMs <= atMs && (stay.untilMs === null || atMs <= stay.untilMs),
      ),
    )
}
