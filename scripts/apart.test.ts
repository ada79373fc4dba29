import { describe, expect, test } from '@jest/globals'
import { apart } from './apart.ts'

describe('two results', () => {
  const kept = { leaves: { spread: { low: 12.5, high: 31 } }, draws: [1, 2, 3], state: null }

  test('the same, also by another last digit', () => {
    expect(apart(kept, structuredClone(kept))).toBeNull()
    expect(apart(kept, { ...kept, draws: [1, 2, 3 + 1e-12] })).toBeNull()
  })

  test('a figure, a length, a name, a kind that differs is named', () => {
    expect(apart(kept, { ...kept, leaves: { spread: { low: 12.6, high: 31 } } })).toBe(
      'it.leaves.spread.low was 12.5, is 12.6',
    )
    expect(apart(kept, { ...kept, draws: [1, 2] })).toBe('it.draws.2 was 3, is undefined')
    expect(apart(kept, { ...kept, more: 1 })).toBe('it.more was undefined, is 1')
    expect(apart(kept, { ...kept, state: 0 })).toBe('it.state was null, is 0')
  })
})
