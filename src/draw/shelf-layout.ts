import { greatest } from '#units/extremes.ts'
/** What the layout needs of a box. */
export interface ShelfBox {
  readonly id: string
  readonly board: number
  readonly leftMm: number
  readonly widthMm: number
  readonly heightMm: number
}

export interface PlacedBox {
  readonly id: string
  /** Left edge of the rim, and of the slip, px. */
  readonly x: number
  readonly slipX: number
  readonly widthPx: number
}
export interface PlacedBoard {
  readonly boxes: readonly PlacedBox[]
  readonly lengthPx: number
  /** The line the boxes stand on. */
  readonly y: number
}
export interface ShelfLayout {
  readonly scale: number
  readonly boards: readonly PlacedBoard[]
  readonly heightPx: number
}

export const SLIP = { width: 170, height: 59, gap: 6, below: 11 } as const
const USUAL_SCALE = 0.46
export const BOARD_END_MM = 40
const LID_MM = 34
const BOARD_GAP_PX = 4

/**
 * Boards to one scale. Every board keeps the person's places and gaps; a board with more slips than fit is carried on
 * below it, and on a narrow screen two boxes stand in a row.
 * @param widthPx of the drawing
 * @returns the largest scale, at most 0.46 px/mm, at which the longest board fits
 */
export function layOutShelf(boxes: readonly ShelfBox[], widthPx: number): ShelfLayout {
  const perRow = Math.max(1, Math.floor((widthPx + SLIP.gap) / (SLIP.width + SLIP.gap)))
  const rows = [...new Set(boxes.map(box => box.board))]
    .sort((a, b) => a - b)
    .flatMap(board => {
      const onBoard = boxes.filter(box => box.board === board).sort((a, b) => a.leftMm - b.leftMm)
      const parts: ShelfBox[][] = []
      for (let i = 0; i < onBoard.length; i += perRow) parts.push(onBoard.slice(i, i + perRow))
      return parts
    })
  const lengthsMm = rows.map(row => {
    const first = row[0]!
    const last = row.at(-1)!
    const startMm = Math.min(first.leftMm, BOARD_END_MM)
    return last.leftMm + last.widthMm + BOARD_END_MM - (first.leftMm - startMm)
  })
  const scale = Math.min(USUAL_SCALE, widthPx / Math.max(greatest(lengthsMm), 1))
  let y = 0
  const boards = rows.map((row, r): PlacedBoard => {
    const first = row[0]!
    const shiftMm = first.leftMm - Math.min(first.leftMm, BOARD_END_MM)
    const tallest = greatest(row.map(box => box.heightMm)) + LID_MM
    y += tallest * scale
    const placed = placeSlips(row, shiftMm, scale, widthPx)
    const lengthPx = Math.min(
      widthPx,
      Math.max(lengthsMm[r]! * scale, (placed.at(-1)?.slipX ?? 0) + SLIP.width),
    )
    const board = { boxes: placed, lengthPx, y }
    y += 9 + SLIP.below + SLIP.height - 9 + BOARD_GAP_PX
    return board
  })
  return { scale, boards, heightPx: y }
}

/** Each slip under the middle of its box; neighbours push each other apart, ends stay on the page. */
function placeSlips(row: readonly ShelfBox[], shiftMm: number, scale: number, widthPx: number): PlacedBox[] {
  const placed = row.map(box => {
    const x = (box.leftMm - shiftMm) * scale
    return {
      id: box.id,
      x,
      widthPx: box.widthMm * scale,
      slipX: Math.max(0, x + (box.widthMm * scale) / 2 - SLIP.width / 2),
    }
  })
  const step = SLIP.width + SLIP.gap
  for (let i = 1; i < placed.length; i++)
    placed[i]!.slipX = Math.max(placed[i]!.slipX, placed[i - 1]!.slipX + step)
  let limit = widthPx - SLIP.width
  for (let i = placed.length - 1; i >= 0; i--) {
    placed[i]!.slipX = Math.min(placed[i]!.slipX, limit)
    limit = placed[i]!.slipX - step
  }
  return placed
}
