import { expect, test } from '@jest/globals'
import { makeAct, makeWithdrawal, type Draft, type Maker } from '#records/act.ts'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from './fold.ts'

const NOW = Date.parse('2026-08-01T10:00:00Z')
let ids = 0
const maker: Maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `o${String(++ids).padStart(4, '0')}` }
const loft = boathouseLoft(NOW, 'UTC')
const act = (...drafts: Draft[]) => makeAct(maker, 'plan', drafts)

test('days and hours: what is left out stays as it was said before', () => {
  const { ovenPlan } = fold([
    ...loft,
    act({ kind: 'ovenDays.told', payload: { weekdays: [2], sure: 0.8 } }),
    act({ kind: 'ovenDays.told', payload: { presentMinutes: 90 } }),
  ])
  expect(ovenPlan.days).toMatchObject({
    weekdays: [2],
    sure: 0.8,
    presentMinutes: 90,
    heatSourceId: 'bay-oven',
  })
})
test('wishes for days and boxes come and go; a withdrawn one was never there', () => {
  const pinned = act({ kind: 'ovenDays.wished', payload: { day: '2026-08-08', wish: 'pinned' } })
  const less = act({ kind: 'renewal.wished', payload: { boxId: 'cox', sure: 0.8 } })
  const when = act({ kind: 'renewal.wished', payload: { boxId: 'cox', day: '2026-08-08' } })
  const now = fold([...loft, pinned, less, when]).ovenPlan
  expect(now.dayWishes.get('2026-08-08')).toBe('pinned')
  expect(now.boxWishes.get('cox')).toEqual({ sure: 0.8, day: '2026-08-08' })
  const freed = act({ kind: 'ovenDays.wished', payload: { day: '2026-08-08', wish: null } })
  expect(fold([...loft, pinned, freed]).ovenPlan.dayWishes.size).toBe(0)
  expect(fold([...loft, pinned, makeWithdrawal(maker, pinned)]).ovenPlan.dayWishes.size).toBe(0)
})
test('a wish for a box that is not there contradicts, and changes nothing', () => {
  const state = fold([...loft, act({ kind: 'renewal.wished', payload: { boxId: 'nobody', sure: 0.8 } })])
  expect(state.contradictions.length).toBe(1)
  expect(state.ovenPlan.boxWishes.size).toBe(0)
})
test('the plan seen last is the one that counts; all that were seen stay', () => {
  const seen = (day: string): Draft => ({
    kind: 'ovenPlan.seen',
    payload: { sessions: [{ day, boxIds: ['cox'] }] },
  })
  const { ovenPlan } = fold([...loft, act(seen('2026-08-08')), act(seen('2026-08-15'))])
  expect(ovenPlan.seen!.sessions[0]!.day).toBe('2026-08-15')
  expect(ovenPlan.plansSeen.map(plan => plan.sessions[0]!.day).slice(-2)).toEqual([
    '2026-08-08',
    '2026-08-15',
  ])
})
