import type { BoxRecord, State } from './state.ts'

/** Shelf order: board by board from the top, left to right. */
export const inShelfOrder = (state: State): BoxRecord[] =>
  [...state.boxes.values()]
    .filter(box => box.retiredMs === null)
    .sort((a, b) => a.board - b.board || a.leftMm - b.leftMm)
