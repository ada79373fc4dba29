import { expect, test } from '@jest/globals'
import { nextPlace } from '#session/kit/next-place.ts'
import { layOutShelf, SLIP, type ShelfBox } from './shelf-layout.ts'

const box = (id: string, board: number, leftMm: number, widthMm = 400): ShelfBox => ({
  id,
  board,
  leftMm,
  widthMm,
  heightMm: 250,
})

test('one scale for all, never above its usual size, and the widest board fits', () => {
  expect(layOutShelf([box('a', 0, 40)], 1184).scale).toBe(0.46)
  const wide = layOutShelf([box('a', 0, 40), box('b', 0, 3000)], 1184)
  expect(wide.scale).toBeLessThan(0.46)
  for (const board of wide.boards)
    for (const item of board.boxes) expect(item.x + item.widthPx).toBeLessThanOrEqual(1184)
  expect(wide.boards[0]!.boxes[1]!.widthPx).toBeCloseTo(400 * wide.scale, 9)
})

test('slips never overlap and never leave the page', () => {
  const { boards } = layOutShelf(
    [0, 110, 220, 330, 2000, 2240].map((left, i) => box(String(i), 0, left, 100)),
    1184,
  )
  const slips = boards[0]!.boxes.map(item => item.slipX)
  slips.forEach((x, i) => {
    expect(x).toBeGreaterThanOrEqual(0)
    expect(x + SLIP.width).toBeLessThanOrEqual(1184)
    if (i > 0) expect(x - slips[i - 1]!).toBeGreaterThanOrEqual(SLIP.width)
  })
})

test('a narrow page stands two boxes in a row; nothing is lost', () => {
  const { boards } = layOutShelf(
    [1, 2, 3, 4, 5].map(i => box(String(i), 0, i * 450)),
    350,
  )
  expect(boards.map(board => board.boxes.length)).toEqual([2, 2, 1])
})

test('the next box goes to the end of the last board, or to a new one', () => {
  expect(nextPlace([], 300)).toEqual({ board: 0, leftMm: 40 })
  expect(nextPlace([box('a', 0, 40), box('b', 1, 100)], 300)).toEqual({ board: 1, leftMm: 620 })
  expect(nextPlace([box('a', 0, 1900)], 300)).toEqual({ board: 1, leftMm: 40 })
})
