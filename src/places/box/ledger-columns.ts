import type { ChargeNow } from '#core/estimate/report.ts'
import type { Flow } from './ledger-flows.ts'

/** Letters of a name that fit before its figure, and columns: beside the list on a page, narrower on a phone, where the words stand under the list. */
export const WIDE = { letters: 18, list: 208, figure: 154, left: 250, width: 92, height: 116, page: 480 }
export const NARROW = { letters: 14, list: 172, figure: 122, left: 206, width: 100, height: 150, page: 320 }
export type Columns = typeof WIDE

export const ROW = 20

const SCALES = [1, 10, 100, 1000].flatMap(power => [1, 1.6, 2.5, 4, 6.3].map(step => step * power)).reverse()
/** px² per gram: the largest printed scale at which level and notch both fit. */
export function gramScale(charge: ChargeNow, columns: Columns): number {
  const most = Math.max(charge.waterG, charge.notchG ?? 0, charge.freshG, 0.1)
  const room = columns.width * (columns.height - 14)
  return SCALES.find(scale => most * scale <= room) ?? 1
}

export interface Row {
  readonly flow: Flow
  readonly y: number
  readonly width: number
  /** Where its stream falls into the vessel. */
  readonly x: number
}

/** The list is the legend: each stream leaves beside its figure, the largest outermost. */
export function layRows(shown: readonly Flow[], perMg: number, columns: Columns): { rows: Row[]; y: number } {
  let y = 12
  let right = columns.left + columns.width - 8
  const rows = shown.map(flow => {
    const width = Math.max(flow.answer.value * perMg, 1.2)
    y += Math.max(0, (width - ROW) / 2)
    const row = { flow, y, width, x: right - width / 2 }
    right -= width + 4.5
    y += Math.max(ROW, width / 2 + ROW / 2)
    return row
  })
  return { rows, y }
}

export interface Frame {
  readonly top: number
  readonly bottom: number
}

/** Where a weight of water stands in the vessel, px. */
export const levelY = (charge: ChargeNow, grams: number, frame: Frame, columns: Columns): number =>
  frame.bottom - (grams * gramScale(charge, columns)) / columns.width
