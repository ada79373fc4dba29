import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  labelSheet,
  LEAST_LABEL,
  scaleBarAt,
  SCALE_BAR_MM,
  sheetsOf,
  USUAL_GRID,
  type LabelSheet,
} from './label-sheet.ts'
import { fitted, textLength } from './label-text.ts'

const sheetOf = (format: Parameters<typeof labelSheet>[0]): LabelSheet => {
  const made = labelSheet(format)
  if (!made.ok) throw new Error(made.message)
  return made.sheet
}

describe('a sheet of labels', () => {
  test('three by eight on A4, worked by hand: 64.67 by 34.13 mm', () => {
    const sheet = sheetOf({ is: 'stickers', grid: USUAL_GRID })
    // (210 − 2·6 − 2·2) / 3 and (297 − 2·12) / 8
    expect(sheet.labelWidthMm).toBeCloseTo(194 / 3, 9)
    expect(sheet.labelHeightMm).toBeCloseTo(34.125, 9)
    expect(sheet.cells).toHaveLength(24)
    expect(sheet.cells[23]!.xMm + sheet.labelWidthMm).toBeCloseTo(204, 9)
    expect(sheet.cells[23]!.yMm + sheet.labelHeightMm).toBeCloseTo(285, 9)
  })
  test('A6 and A4 as ISO 216 has them; a roll lies along its length', () => {
    expect(sheetOf({ is: 'A6' })).toMatchObject({ widthMm: 105, heightMm: 148, labelWidthMm: 105 })
    expect(sheetOf({ is: 'stickers', grid: USUAL_GRID })).toMatchObject({ widthMm: 210, heightMm: 297 })
    expect(sheetOf({ is: 'roll', widthMm: 29, lengthMm: 90 })).toMatchObject({ widthMm: 90, heightMm: 29 })
  })
  test('no room: says which measure, and what to do', () => {
    const say = (grid: Partial<typeof USUAL_GRID>) => {
      const made = labelSheet({ is: 'stickers', grid: { ...USUAL_GRID, ...grid } })
      return made.ok ? null : made.message
    }
    expect(say({ columns: 9 })).toMatch(/^Columns: 9 of them leave 20 mm.*fewer columns/)
    expect(say({ rows: 30 })).toMatch(/^Rows: 30 of them leave 9 mm/)
    expect(say({ sideMm: 80, columns: 4 })).toMatch(/^Columns: 4 of them leave 11 mm/)
    expect(labelSheet({ is: 'roll', widthMm: 8, lengthMm: 90 })).toMatchObject({ ok: false })
  })
  test('stickers never lie over each other or over the edge; the bar never over a sticker', () => {
    const grid = fc.record({
      columns: fc.integer({ min: 1, max: 6 }),
      rows: fc.integer({ min: 1, max: 14 }),
      sideMm: fc.integer({ min: 0, max: 20 }),
      topMm: fc.integer({ min: 0, max: 25 }),
      acrossMm: fc.integer({ min: 0, max: 6 }),
      downMm: fc.integer({ min: 0, max: 6 }),
    })
    fc.assert(
      fc.property(grid, one => {
        const made = labelSheet({ is: 'stickers', grid: one })
        if (!made.ok) return
        const { sheet } = made
        expect(sheet.labelWidthMm).toBeGreaterThanOrEqual(LEAST_LABEL.widthMm)
        for (const { xMm, yMm } of sheet.cells) {
          expect(xMm + sheet.labelWidthMm).toBeLessThanOrEqual(210 + 1e-9)
          expect(yMm + sheet.labelHeightMm).toBeLessThanOrEqual(297 + 1e-9)
        }
        const bar = scaleBarAt(sheet)
        if (!bar) return
        const over = sheet.cells.some(
          ({ xMm, yMm }) =>
            bar.yMm + 2.8 > yMm &&
            bar.yMm - 1 < yMm + sheet.labelHeightMm &&
            bar.xMm < xMm + sheet.labelWidthMm &&
            bar.xMm + SCALE_BAR_MM > xMm,
        )
        expect(over).toBe(false)
      }),
      { seed: 3, numRuns: 200 },
    )
  })
  test('each label once, in its order, from the first sticker that is left', () => {
    const sheet = sheetOf({ is: 'stickers', grid: USUAL_GRID })
    const pages = sheetsOf(60, sheet, 5)
    expect(pages).toHaveLength(3)
    expect(pages[0]!.slice(0, 6)).toEqual([null, null, null, null, null, 0])
    expect(pages.flat().filter(one => one !== null)).toEqual(Array.from({ length: 60 }, (_, i) => i))
    expect(sheetsOf(19, sheet, 5)).toHaveLength(1)
    expect(sheetsOf(20, sheet, 5)).toHaveLength(2)
  })
})

describe('a text on a label', () => {
  test('as large as it fits; smaller; then cut with an ellipsis, never longer than its room', () => {
    expect(fitted('PLA', 40, { most: 6, least: 2 })).toEqual({ text: 'PLA', sizeMm: 6 })
    const long = fitted('Carbon-filled nylon of the winter order', 40, { most: 6, least: 1.5 })
    expect(long.text).toMatch(/^Carbon/)
    expect(long.sizeMm).toBeLessThan(6)
    const cut = fitted('W'.repeat(60), 30, { most: 6, least: 2.4 })
    expect(cut.sizeMm).toBe(2.4)
    expect(cut.text).toMatch(/^W+…$/)
    expect(textLength(cut.text) * cut.sizeMm).toBeLessThanOrEqual(30)
  })
})
