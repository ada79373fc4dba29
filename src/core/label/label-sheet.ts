import type { Millimetres } from '#units/quantity.ts'

/** Where labels stand on a sheet, and how large they are. */
export interface LabelSheet {
  readonly widthMm: Millimetres
  readonly heightMm: Millimetres
  readonly labelWidthMm: Millimetres
  readonly labelHeightMm: Millimetres
  /** Upper left corners, row by row. */
  readonly cells: readonly { readonly xMm: Millimetres; readonly yMm: Millimetres }[]
}

/** What is set of a sheet of stickers, as it is measured with a ruler. */
export interface StickerGrid {
  readonly columns: number
  readonly rows: number
  /** From the edge of the paper to the first sticker: left and right, top and bottom. */
  readonly sideMm: Millimetres
  readonly topMm: Millimetres
  /** Between two stickers. */
  readonly acrossMm: Millimetres
  readonly downMm: Millimetres
}
export type LabelFormat =
  | { readonly is: 'A6' }
  | { readonly is: 'stickers'; readonly grid: StickerGrid }
  | { readonly is: 'roll'; readonly widthMm: Millimetres; readonly lengthMm: Millimetres }

/** ISO 216. */
const A4 = { widthMm: 210, heightMm: 297 } as const
const A6 = { widthMm: 105, heightMm: 148 } as const
/** Smaller than this nothing can be read on it. */
export const LEAST_LABEL = { widthMm: 25, heightMm: 12 } as const

export const USUAL_GRID: StickerGrid = { columns: 3, rows: 8, sideMm: 6, topMm: 12, acrossMm: 2, downMm: 0 }

/** A sheet of a format, or which of its measures leaves no room for a label. */
export function labelSheet(
  format: LabelFormat,
): { readonly ok: true; readonly sheet: LabelSheet } | { readonly ok: false; readonly message: string } {
  if (format.is === 'A6') return { ok: true, sheet: single(A6.widthMm, A6.heightMm) }
  if (format.is === 'roll')
    return format.widthMm >= LEAST_LABEL.heightMm && format.lengthMm >= LEAST_LABEL.widthMm
      ? { ok: true, sheet: single(format.lengthMm, format.widthMm) }
      : {
          ok: false,
          message: `The roll: type a width of ${LEAST_LABEL.heightMm} mm or more, and labels ${LEAST_LABEL.widthMm} mm or longer.`,
        }
  const { columns, rows, sideMm, topMm, acrossMm, downMm } = format.grid
  const labelWidthMm = (A4.widthMm - 2 * sideMm - (columns - 1) * acrossMm) / columns
  const labelHeightMm = (A4.heightMm - 2 * topMm - (rows - 1) * downMm) / rows
  if (labelWidthMm < LEAST_LABEL.widthMm)
    return {
      ok: false,
      message: `Columns: ${columns} of them leave ${Math.max(0, Math.floor(labelWidthMm))} mm for a sticker; fewer columns, or narrower margins.`,
    }
  if (labelHeightMm < LEAST_LABEL.heightMm)
    return {
      ok: false,
      message: `Rows: ${rows} of them leave ${Math.max(0, Math.floor(labelHeightMm))} mm for a sticker; fewer rows, or narrower margins.`,
    }
  return {
    ok: true,
    sheet: {
      ...A4,
      labelWidthMm,
      labelHeightMm,
      cells: Array.from({ length: rows * columns }, (_, i) => ({
        xMm: sideMm + (i % columns) * (labelWidthMm + acrossMm),
        yMm: topMm + Math.floor(i / columns) * (labelHeightMm + downMm),
      })),
    },
  }
}

const single = (widthMm: Millimetres, heightMm: Millimetres): LabelSheet => ({
  widthMm,
  heightMm,
  labelWidthMm: widthMm,
  labelHeightMm: heightMm,
  cells: [{ xMm: 0, yMm: 0 }],
})

/**
 * Which label stands on which cell of which sheet: from the first sticker that is still there on.
 * @param used stickers gone from the first sheet, fewer than there are
 * @returns for each sheet, by cell, the number of a label; null: an empty cell
 */
export function sheetsOf(count: number, { cells }: LabelSheet, used: number): (number | null)[][] {
  const pages = Math.ceil((count + used) / cells.length)
  return Array.from({ length: pages }, (_, page) =>
    cells.map((_cell, cell) => {
      const label = page * cells.length + cell - used
      return label >= 0 && label < count ? label : null
    }),
  )
}

export const SCALE_BAR_MM = 50
/** Room a scale bar takes at the foot of a sheet, with its word. */
const BAR_ROOM_MM = 6

/** Where the bar stands that is measured to check the printer: in a margin no label stands in; null: there is none. */
export function scaleBarAt(
  sheet: LabelSheet,
): { readonly xMm: Millimetres; readonly yMm: Millimetres } | null {
  const footMm = Math.max(...sheet.cells.map(cell => cell.yMm)) + sheet.labelHeightMm
  const headMm = Math.min(...sheet.cells.map(cell => cell.yMm))
  const xMm = (sheet.widthMm - SCALE_BAR_MM) / 2
  if (sheet.widthMm < SCALE_BAR_MM + 10) return null
  if (sheet.heightMm - footMm >= BAR_ROOM_MM) return { xMm, yMm: sheet.heightMm - BAR_ROOM_MM + 1 }
  return headMm >= BAR_ROOM_MM ? { xMm, yMm: headMm - 2 } : null
}
