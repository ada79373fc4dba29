import { describe, expect, test } from '@jest/globals'
import { CONTAINERS } from '#core/container/container.ts'
import { roomForSpools, sideBySide } from './stance.ts'

describe('spools in a box', () => {
  test.each([
    [1, 66],
    [6, 66],
    [12, 66],
    [40, 66],
  ])('%i stand inside the walls, whatever is said', (count, width) => {
    const widths = Array.from({ length: count }, () => width)
    const lefts = sideBySide(widths, 250, 5, 480)
    expect(Math.min(...lefts)).toBeGreaterThanOrEqual(250 - 240 - 1e-9)
    expect(Math.max(...lefts) + width).toBeLessThanOrEqual(250 + 240 + 1e-9)
    // in their order, from left to right
    expect([...lefts].sort((a, b) => a - b)).toEqual(lefts)
  })
  test('where there is room they keep their gaps', () =>
    expect(sideBySide([60, 60], 100, 5, 400)).toEqual([37.5, 102.5]))
  test('how many a box takes as it is drawn', () => {
    const room = (kind: keyof typeof CONTAINERS) =>
      roomForSpools({ container: kind, ...CONTAINERS[kind].size }, 66, 200)
    expect(room('jar')).toBe(1)
    expect(room('tote')).toBe(7)
    expect(room('pail')).toBe(3)
  })
})
