import type { InstrumentRecord, State } from './state.ts'

/** Displays that are still there. */
export const instrumentsOf = (state: State): InstrumentRecord[] =>
  [...state.instruments.values()].filter(item => item.retiredMs === null)

/** The one that is carried round; null where every one stays in its box. */
export const carriedInstrument = (state: State): InstrumentRecord | null =>
  instrumentsOf(state).find(item => item.boxId === null) ?? null

/** The instrument that stays in the box, else one that is carried round, else none: the usual kind is taken. */
export const instrumentFor = (state: State, boxId: string): InstrumentRecord | null =>
  instrumentsOf(state).find(item => item.boxId === boxId) ?? carriedInstrument(state)

/** What reads a room: the one carried round, else any. */
export const instrumentForRoom = (state: State): InstrumentRecord | null =>
  carriedInstrument(state) ?? instrumentsOf(state)[0] ?? null
