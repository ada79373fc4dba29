import { greatest } from '#units/extremes.ts'
/** Millimetres left free at a board's end. */
const BOARD_END_MM = 40
const FULL_MM = 2368
const GAP_MM = 120

/** Where a new box goes: after the last on the lowest board, or on a new board below when that is full. */
export function nextPlace(
  boxes: readonly { readonly board: number; readonly leftMm: number; readonly widthMm: number }[],
  widthMm: number,
): { board: number; leftMm: number } {
  if (boxes.length === 0) return { board: 0, leftMm: BOARD_END_MM }
  const board = greatest(boxes.map(box => box.board))
  const endMm = greatest(boxes.filter(box => box.board === board).map(box => box.leftMm + box.widthMm))
  const leftMm = Math.round(endMm + GAP_MM)
  return leftMm + widthMm + BOARD_END_MM <= FULL_MM
    ? { board, leftMm }
    : { board: board + 1, leftMm: BOARD_END_MM }
}
