import type { ReadingRecord, State } from '#journal/state.ts'
import { trueReading } from '#journal/true-readings.ts'

/** The state as it would be with one more reading, and with the lid opened before it: to say what it would mean. */
export function stateWith(
  state: State,
  typed: ReadingRecord,
  opened: boolean,
  replaces: string | null,
): State {
  const reading = trueReading(state, typed)
  const { place } = reading
  const boxes = new Map(state.boxes)
  const box = place.in === 'box' ? boxes.get(place.boxId) : undefined
  if (box && opened)
    boxes.set(box.boxId, {
      ...box,
      openings: [...box.openings, { atMs: reading.atMs - 60_000, openSeconds: 30 }],
    })
  return {
    ...state,
    boxes,
    readings: [...state.readings.filter(item => item.actId !== replaces && item.id !== replaces), reading],
  }
}
