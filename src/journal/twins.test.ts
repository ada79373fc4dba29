import { expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, makeWithdrawal, type Act } from '#records/act.ts'
import { fold } from './fold.ts'
import { inForce } from './in-force.ts'
import { freeName, joinDrafts, twinsOf } from './twins.ts'

const NOW = Date.parse('2025-11-08T10:00:00Z')
let ids = 0
const maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `j${String(++ids).padStart(3, '0')}` }
const loft = boathouseLoft(NOW, 'UTC')
const renamed = makeAct(maker, 'named', [{ kind: 'box.changed', payload: { boxId: 'thole', name: ' cox ' } }])
const acts: readonly Act[] = [...loft, renamed]
const join = (inside: 'told twice' | 'others') => {
  const state = fold(acts)
  const [into, from] = twinsOf(state)[0]!
  const drafts = joinDrafts(state, inForce(acts), {
    from: from!.boxId,
    into: into.boxId,
    inside,
    atMs: NOW,
  })
  return { into: into.boxId, from: from!.boxId, act: makeAct(maker, 'one box', drafts) }
}
const readingsOf = (list: readonly Act[], boxId: string) =>
  fold(list).readings.filter(({ place }) => place.in === 'box' && place.boxId === boxId).length

test('boxes of one name are noticed, however it is written; one put away is not', () => {
  expect(twinsOf(fold(loft))).toEqual([])
  expect(twinsOf(fold(acts)).map(boxes => boxes.map(box => box.boxId).sort())).toEqual([['cox', 'thole']])
})

test.each(['told twice', 'others'] as const)(
  'made one, with what lies in it %s: nothing contradicts',
  inside => {
    const { into, from, act } = join(inside)
    const after = [...acts, act]
    const [before, state] = [fold(acts), fold(after)]
    expect(state.contradictions).toEqual(before.contradictions)
    expect(readingsOf(after, into)).toBe(readingsOf(acts, into) + readingsOf(acts, from))
    expect(readingsOf(after, from)).toBe(0)
    expect(state.boxes.get(into)!.openings).toHaveLength(
      before.boxes.get(into)!.openings.length + before.boxes.get(from)!.openings.length,
    )
    expect(state.boxes.get(from)!.retiredMs).toBe(NOW)
    const spoolsIn = (list: ReturnType<typeof fold>, boxId: string) =>
      [...list.spools.values()].filter(({ where }) => where.at === 'box' && where.boxId === boxId).length
    expect(spoolsIn(state, into)).toBe(
      spoolsIn(before, into) + (inside === 'others' ? spoolsIn(before, from) : 0),
    )
    expect(twinsOf(state)).toEqual([])
    // one undo, and they are two again
    const undone = fold([...after, makeWithdrawal(maker, act)])
    expect(undone.readings).toEqual(before.readings)
    expect(twinsOf(undone)).toHaveLength(1)
  },
)

test('a name that is free', () => {
  const state = fold(acts)
  expect(freeName('Cox', state)).toBe('Cox (2)')
  const taken = makeAct(maker, 'named', [
    { kind: 'box.changed', payload: { boxId: 'skeg', name: 'COX (2)' } },
  ])
  expect(freeName('Cox', fold([...acts, taken]))).toBe('Cox (3)')
  expect(freeName('x'.repeat(60), state)).toHaveLength(60)
})
