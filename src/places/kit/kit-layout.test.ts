import { describe, expect, test } from '@jest/globals'
import { layOutRows, placeWidthPx, type KitItem } from './kit-layout.ts'

const item = (
  key: string,
  widthPx: number,
  heightPx = 40,
  notes: readonly string[] = ['in the open'],
): KitItem => ({
  key,
  widthPx,
  heightPx,
  name: key,
  notes,
})
const many = Array.from({ length: 23 }, (_, i) => item(`thing ${i}`, 30 + 7 * (i % 5), 20 + 9 * (i % 4)))

describe.each([
  ['standing', false],
  ['hanging', true],
])('things %s', (_, hangs) => {
  test.each([320, 390, 1184])('keep their order and stay on a page of %i px', width => {
    const { rows, bottom } = layOutRows(many, width, 10, hangs)
    expect(rows.flatMap(row => row.items.map(placed => placed.item.key))).toEqual(many.map(({ key }) => key))
    for (const row of rows) {
      expect(row.lengthPx).toBeLessThanOrEqual(width)
      for (const { item: thing, x } of row.items) {
        expect(x - placeWidthPx(thing) / 2).toBeGreaterThanOrEqual(-1e-9)
        expect(x + placeWidthPx(thing) / 2).toBeLessThanOrEqual(width + 1e-9)
      }
    }
    // no board reaches into the words of the one above it
    for (let i = 1; i < rows.length; i++) {
      const tallest = Math.max(...rows[i]!.items.map(placed => placed.item.heightPx))
      expect(rows[i]!.y - rows[i - 1]!.y).toBeGreaterThan(hangs ? 40 : tallest + 40)
    }
    expect(bottom).toBeGreaterThan(rows.at(-1)!.y)
  })
  test('neighbours never share a place', () => {
    const { rows } = layOutRows(many, 600, 0, hangs)
    for (const row of rows)
      row.items.slice(1).forEach((placed, i) => {
        const before = row.items[i]!
        expect(placed.x - before.x).toBeCloseTo(
          (placeWidthPx(placed.item) + placeWidthPx(before.item)) / 2,
          9,
        )
      })
  })
})
test('a thing wider than the page gets a board of its own', () =>
  expect(layOutRows([item('a', 40), item('b', 900), item('c', 40)], 300, 0, false).rows).toHaveLength(3))
test('nothing on the wall takes no room', () =>
  expect(layOutRows([], 300, 12, false)).toEqual({ rows: [], bottom: 12 }))
