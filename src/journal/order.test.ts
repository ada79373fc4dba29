import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Act } from '#records/act.ts'
import type { Entry } from '#records/entry.ts'
import { fold } from './fold.ts'
import { inForce, standingActs } from './in-force.ts'

const AT = '2025-03-01T10:00:00.000Z'
const entry = (id: string, value: number, corrects?: string): Entry => ({
  id,
  kind: 'value.overridden',
  version: 2,
  at: AT,
  zone: 'UTC',
  atPrecision: 'minute',
  subjects: [],
  payload: { material: 'PLA', field: 'targetRhPercent', value },
  ...(corrects === undefined ? {} : { corrects }),
})
const act = (id: string, more: Partial<Act> = {}): Act => ({
  id,
  format: 1,
  writtenAt: AT,
  what: id,
  entries: [],
  ...more,
})
const inAnyOrder = (acts: readonly Act[], what: (acts: readonly Act[]) => unknown) =>
  expect(what([...acts].reverse())).toEqual(what(acts))

describe('the order acts come in does not matter', () => {
  test('A takes back B, B takes back A: both stand, either way round', () => {
    const acts = [act('a', { withdraws: 'b' }), act('b', { withdraws: 'a' })]
    expect(standingActs(acts).map(one => one.id)).toEqual(['a', 'b'])
    inAnyOrder(acts, list => standingActs(list).map(one => one.id))
  })
  test('a third that takes one of them back settles it', () => {
    const acts = [act('a', { withdraws: 'b' }), act('b', { withdraws: 'a' }), act('c', { withdraws: 'a' })]
    expect(standingActs(acts).map(one => one.id)).toEqual(['b', 'c'])
    inAnyOrder(acts, list => standingActs(list).map(one => one.id))
  })
  test('entries that correct each other, or themselves: both stand and are named', () => {
    const acts = [
      act('a', { entries: [entry('x', 20, 'y')] }),
      act('b', { entries: [entry('y', 30, 'x')] }),
      act('c', { entries: [entry('z', 40, 'z')] }),
    ]
    expect(inForce(acts).map(one => one.entry.id)).toEqual(['x', 'y', 'z'])
    expect(fold(acts).contradictions.map(one => [one.entryId, one.otherId])).toEqual([
      ['x', 'y'],
      ['y', 'x'],
      ['z', 'z'],
    ])
    inAnyOrder(acts, list => fold(list).contradictions)
  })
  test('a chain of corrections is no ring: the last one holds', () => {
    const acts = [
      act('a', { entries: [entry('x', 20)] }),
      act('b', { entries: [entry('y', 30, 'x')], writtenAt: '2025-03-02T10:00:00.000Z' }),
      act('c', { entries: [entry('z', 40, 'x')], writtenAt: '2025-03-03T10:00:00.000Z' }),
    ]
    expect(inForce(acts).map(one => one.entry.id)).toEqual(['z'])
    expect(fold(acts).contradictions).toEqual([])
  })
  test('whatever names whatever, with ties in time', () => {
    const ids = ['a', 'b', 'c', 'd', 'e']
    const some = fc.array(
      fc.record({
        withdraws: fc.option(fc.constantFrom(...ids, 'e-a', 'e-c', 'gone'), { nil: undefined }),
        corrects: fc.option(fc.constantFrom('e-a', 'e-b', 'e-c', 'e-d', 'e-e'), { nil: undefined }),
      }),
      { minLength: 5, maxLength: 5 },
    )
    fc.assert(
      fc.property(some, fc.shuffledSubarray(ids, { minLength: 5 }), (list, order) => {
        const acts = list.map(({ withdraws, corrects }, i) =>
          act(ids[i]!, {
            entries: [entry(`e-${ids[i]!}`, 10 + i, corrects)],
            ...(withdraws === undefined ? {} : { withdraws }),
          }),
        )
        const shuffled = order.map(id => acts.find(one => one.id === id)!)
        expect(inForce(shuffled)).toEqual(inForce(acts))
        expect(fold(shuffled)).toEqual(fold(acts))
      }),
      { seed: 14, numRuns: 300 },
    )
  })
})

test('twenty thousand acts, each taking back the one before: it opens, and every second stands', () => {
  const chain = Array.from({ length: 20_000 }, (_, i) =>
    act(`a${i}`, i === 0 ? { entries: [entry('x', 20)] } : { withdraws: `a${i - 1}` }),
  )
  const standing = standingActs(chain)
  expect(standing).toHaveLength(10_000)
  expect(standing.some(one => one.id === 'a19999')).toBe(true)
  expect(standing.some(one => one.id === 'a0')).toBe(false)
  expect(fold(chain).overrides.size).toBe(0)
})
