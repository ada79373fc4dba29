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
  }
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
