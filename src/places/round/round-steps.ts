import type { Act } from '#records/act.ts'
import type { ReadingRecord, State } from '#journal/state.ts'
import { isOf } from '#session/expectation.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'

/** One stop of the round: a room's air, or a box. */
export type RoundStep =
  | { readonly in: 'room'; readonly id: string; readonly name: string }
  | { readonly in: 'box'; readonly id: string; readonly name: string }

/** Each room first, then its boxes in shelf order. @param only these boxes; left out: every one */
export function roundSteps(state: State, only?: readonly string[]): RoundStep[] {
  const boxes = inShelfOrder(state).filter(box => !only || only.includes(box.boxId))
  const roomIds = [...new Set(boxes.map(box => box.roomId))]
  return roomIds.flatMap((roomId): RoundStep[] => [
    { in: 'room', id: roomId, name: state.rooms.get(roomId)?.name ?? 'The room' },
    ...boxes
      .filter(box => box.roomId === roomId)
      .map((box): RoundStep => ({ in: 'box', id: box.boxId, name: box.name })),
  ])
}

/** The reading this round took at a stop; null where it has not been there yet. */
export const takenAt = (state: State, step: RoundStep, sinceMs: number): ReadingRecord | null =>
  state.readings.filter(reading => reading.atMs >= sinceMs && isOf(step, reading)).at(-1) ?? null

/** Where a round goes on that began then: the first stop not taken; past the end when all are. */
export function resumeAt(state: State, steps: readonly RoundStep[], sinceMs: number): number {
  const next = steps.findIndex(step => takenAt(state, step, sinceMs) === null)
  return next < 0 ? steps.length : next
}

/** Entries one stop of a round makes: a reading, an opening, a colour. */
const MOST_OF_A_STOP = 3

/**
 * What a stop taken again stands in for: the whole first taking, or, where the reading came with much else (a file, a
 * list), that one entry and nothing beside it.
 */
export function replacedBy(taken: ReadingRecord, acts: readonly Act[]): string {
  const act = acts.find(({ id }) => id === taken.actId)
  const isOneStop = act !== undefined && act.brings === undefined && act.entries.length <= MOST_OF_A_STOP
  return isOneStop && act.entries.filter(({ kind }) => kind === 'reading.taken').length === 1
    ? act.id
    : taken.id
}
