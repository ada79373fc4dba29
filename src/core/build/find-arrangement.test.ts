import { describe, expect, test } from '@jest/globals'
import { asked, boxOf, packingCase, spoolOf, wrongWith } from '#testing/packing.ts'
import { standingSpools } from './clearances.ts'
import { findArrangement, findBest } from './find-arrangement.ts'
import type { Block } from './inside.ts'

// two hundred of these run in scripts/validate-packing.ts
test.each([1, 2, 3, 4, 5, 6])('random box %i: as many as a grid finds, and nothing overlaps', n =>
  expect(packingCase(n).wrong).toEqual([]),
)

describe('worked by hand', () => {
  const usual = (count: number) => Array.from({ length: count }, (_, i) => spoolOf(`s${i}`, 200, 66))
  test('a straight box takes as many side by side as the widths and rooms add up to', () => {
    // 4 · 66 + 3 · 6 + 2 · 8 = 298; 5 want 370
    const at = (length: number) =>
      findArrangement('axle', usual(5), asked(boxOf([length, 230], [length, 230], 240)))!
    expect(at(298).count).toBe(4)
    expect(at(297.9).count).toBe(3)
    expect(at(369.9).count).toBe(4)
    expect(at(370).count).toBe(5)
    expect(at(298)).toMatchObject({ proven: true, arrangement: { kind: 'axle', axis: 0 } })
  })
  test('the rod stands so that lid and floor keep their room: R + lid over the middle, which hangs (bore − rod)/2', () => {
    const of = asked(boxOf([300, 230], [300, 230], 215))
    const found = findArrangement('axle', [spoolOf('a', 200, 66, 52)], of)!
    // 215 − 10 − 100 + 20 = 125 at most, 5 + 100 + 20 = 125 at least
    expect(found.arrangement.lines[0]!.at[2]).toBeCloseTo(125)
    expect(
      findArrangement('axle', [spoolOf('a', 200, 66, 52)], asked(boxOf([300, 230], [300, 230], 214.9))),
    ).toBeNull()
  })
  test('a rod thicker than the bore carries nothing', () => {
    const of = asked(boxOf([300, 230], [300, 230], 240))
    expect(findArrangement('axle', [spoolOf('a', 200, 66, 11)], of)).toBeNull()
    expect(findArrangement('rim', [spoolOf('a', 200, 66, 11)], of)?.count).toBe(1)
  })
  test('lying: columns times what lies on each other', () => {
    // (440 + 6) / 206 = 2 columns, 290 / 66 = 4 with 10 under the lid
    const found = findArrangement('lying', usual(8), asked(boxOf([440, 230], [440, 230], 290)))!
    expect(found).toMatchObject({ count: 8, proven: true })
    expect(findArrangement('lying', usual(8), asked(boxOf([400, 230], [400, 230], 290)))?.count).toBe(4)
  })
  test('a pail takes a stack as wide as its narrow end', () => {
    const pail = boxOf([290, 290], [230, 230], 300, [], 'round')
    expect(findArrangement('lying', usual(4), asked(pail))?.count).toBe(4)
    // at the floor 210 across leaves 5 on either side of 200; 205 does not
    const narrow = boxOf([290, 290], [205, 205], 300, [], 'round')
    const found = findArrangement('lying', usual(4), asked(narrow))
    expect(found).toBeNull()
  })
  test('rollers: the middle stands on the two of them', () => {
    const of = asked(boxOf([300, 230], [300, 230], 240))
    const found = findArrangement('rollers', [spoolOf('a', 200, 66)], of)!
    const disc = standingSpools(found.arrangement, [spoolOf('a', 200, 66)], of)[0]!.disc
    // (100 + 11)² = 45² + up², and the rollers' middles are 11 over the floor
    expect(disc.centre[2]).toBeCloseTo(11 + Math.sqrt(111 ** 2 - 45 ** 2))
  })
  test('beads on the floor lift the rod, and what would stand in them stands beside', () => {
    const beads: Block = { name: 'beads', from: [-100, -60, 0], to: [100, 60, 38] }
    const of = asked(boxOf([300, 230], [300, 230], 270, [beads]))
    const hung = findArrangement('axle', usual(4), of)!
    expect(hung.count).toBe(4)
    expect(hung.arrangement.lines[0]!.at[2]).toBeGreaterThanOrEqual(38 + 5 + 100 + 20)
    expect(wrongWith(hung, usual(4), of)).toEqual([])
    const end: Block = { name: 'beads', from: [90, -60, 0], to: [150, 60, 38] }
    const beside = findArrangement('rim', usual(4), asked(boxOf([300, 230], [300, 230], 270, [end])))!
    expect(beside.count).toBe(3)
  })
  test('two rods one over the other, where the box is tall', () => {
    const small = Array.from({ length: 4 }, (_, i) => spoolOf(`s${i}`, 130, 42, 40))
    const of = asked(boxOf([120, 150], [120, 150], 330))
    const found = findArrangement('two axles', small, of)!
    expect(found.count).toBe(4)
    expect(wrongWith(found, small, of)).toEqual([])
  })
  test('fourteen alike go in one after another, and it says it is not proven', () => {
    const of = asked(boxOf([560, 280], [500, 250], 310))
    const found = findBest(['axle', 'rim', 'lying'], usual(14), of)!
    expect(found.proven).toBe(false)
    expect(found.count).toBeGreaterThanOrEqual(7)
    expect(wrongWith(found, usual(14), of)).toEqual([])
  })
})
