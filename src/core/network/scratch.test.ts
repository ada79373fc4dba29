import { expect, test } from '@jest/globals'
import { withScratch } from './scratch.ts'

test('what one run left behind, the next does not find', () => {
  withScratch(scratch => scratch.floats(40).fill(7))
  withScratch(scratch => {
    expect(scratch.floats(40).every(value => value === 0)).toBe(true)
    expect(scratch.integers(9)).toEqual(new Int32Array(9))
  })
})

test('a run within a run has numbers of its own', () => {
  const seen = withScratch(outer => {
    const kept = outer.floats(3).fill(1)
    withScratch(inner => inner.floats(3).fill(2))
    return Array.from(kept)
  })
  expect(seen).toEqual([1, 1, 1])
})

test('a network larger than the stretch gets memory of its own, and one that fails gives back what it had', () => {
  expect(withScratch(scratch => scratch.floats(100_000).length)).toBe(100_000)
  expect(() =>
    withScratch(scratch => {
      scratch.floats(5).fill(3)
      throw new Error('no such box')
    }),
  ).toThrow('no such box')
  withScratch(scratch => expect(Array.from(scratch.floats(5))).toEqual([0, 0, 0, 0, 0]))
})
