const DAY_MS = 86_400_000

/** Where things stand on the board of spools, in px. */
export interface BoardFrame {
  readonly widthPx: number
  /** Words of the scale stand left of the first spool. */
  readonly left: number
  readonly slotPx: number
  readonly perRow: number
  readonly rowPx: number
  /** Within a row: the line of today, the top of the stems, the board the spools stand on. */
  readonly todayY: number
  readonly topY: number
  readonly boardY: number
  /** Nothing in this row ends within the scale: it has none. */
  readonly isLow: boolean
}

/** Spools are drawn at this scale, px a millimetre. */
export const SCALE = 0.22
const LEFT = 100
const LEAST_SLOT = 48
/** The first day has this, and each decade of days after it as much as that. */
const FIRST_DAY_PX = 24
const DECADE_PX = 56
const DATE_PX = 18
const MOST_DAYS = 182
const NAMES_PX = 64
const BRACE_PX = 24

export function boardFrame(widthPx: number, count: number, tallestMm: number): BoardFrame {
  const perRow = Math.max(1, Math.floor((widthPx - LEFT) / LEAST_SLOT))
  const slotPx = Math.min(76, (widthPx - LEFT) / Math.min(perRow, Math.max(count, 1)))
  const topY = DATE_PX
  const todayY = topY + 8 + heightOfDays(MOST_DAYS)
  const boardY = todayY + 20 + tallestMm * SCALE
  return {
    widthPx,
    left: LEFT,
    slotPx,
    perRow,
    rowPx: boardY + 8 + NAMES_PX + BRACE_PX,
    todayY,
    topY,
    boardY,
    isLow: false,
  }
}

const LOW_STEM_PX = 40

/** The same for a row of spools that all outlast the scale: their stems only say that they do. */
function lowFrame(frame: BoardFrame): BoardFrame {
  const cutPx = frame.todayY - frame.topY - LOW_STEM_PX
  const { todayY, boardY, rowPx } = frame
  return { ...frame, todayY: todayY - cutPx, boardY: boardY - cutPx, rowPx: rowPx - cutPx, isLow: true }
}

/** As many to a row as have room; a row of nothing but what outlasts the scale is low. */
export function boardRows<T>(
  items: readonly T[],
  frame: BoardFrame,
  outlasts: (item: T) => boolean,
): {
  readonly rows: readonly { readonly row: readonly T[]; readonly own: BoardFrame; readonly yPx: number }[]
  readonly heightPx: number
} {
  let heightPx = 0
  const rows = Array.from({ length: Math.ceil(items.length / frame.perRow) }, (_, i) => {
    const row = items.slice(i * frame.perRow, (i + 1) * frame.perRow)
    const own = row.every(outlasts) ? lowFrame(frame) : frame
    const yPx = heightPx
    heightPx += own.rowPx
    return { row, own, yPx }
  })
  return { rows, heightPx }
}

/** Height of a time above today: a day first, then by decades, so that nylon and PLA go on one sheet. */
export function heightOfDays(days: number): number {
  if (days <= 0) return 0
  return days < 1 ? days * FIRST_DAY_PX : FIRST_DAY_PX + DECADE_PX * Math.log10(Math.min(days, MOST_DAYS))
}

export const heightOfMs = (ms: number, nowMs: number): number => heightOfDays((ms - nowMs) / DAY_MS)

export const SCALE_LINES = [
  [1, '1 day'],
  [7, '1 week'],
  [30, '1 month'],
  [91, '3 months'],
  [182, '26 weeks'],
] as const
