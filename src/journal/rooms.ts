import type { RoomRecord, State } from './state.ts'

/** Rooms that are still there. */
export const roomsOf = (state: State): RoomRecord[] =>
  [...state.rooms.values()].filter(room => room.retiredMs === null)
