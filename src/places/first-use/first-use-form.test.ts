import { describe, expect, test } from '@jest/globals'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import { makeAct, readAct, type Maker } from '#records/act.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import {
  climateFor,
  displayErrors,
  EMPTY_FORM,
  firstUseDrafts,
  insideErrors,
  outlineErrors,
  slipOf,
  type FirstUseForm,
} from './first-use-form.ts'

const now = Date.parse('2028-02-29T10:00:00Z')
const form: FirstUseForm = { ...EMPTY_FORM, humidity: '31' }
let ids = 0
const context = {
  nowMs: now,
  scale: 'C' as const,
  newId: () => `n${++ids}`,
  roomId: null,
  instrumentId: null,
  place: { board: 0, leftMm: 40 },
  name: 'Box 1',
  colours: ['teal', 'ochre'],
}
const maker: Maker = { nowMs: () => now, zone: 'UTC', newId: context.newId }

test('nothing but the humidity must be typed', () => {
  expect(displayErrors(form, 'C')).toBeNull()
  expect(outlineErrors(form)).toBeNull()
  expect(insideErrors(form)).toBeNull()
  expect(displayErrors(EMPTY_FORM, 'C')?.humidity).toMatch(/0 to 100/)
})

describe('refused with the remedy', () => {
  const measured = (width: string, depth: string, height: string) =>
    outlineErrors({ ...form, measured: { width, depth, height } })?.measured
  test('a spool wider than its box', () =>
    expect(measured('180', '60', '190')).toMatch(/does not go in: check/))
  test('a measure that is none', () => expect(measured('wide', '200', '200')).toMatch(/^Width is a number/))
  test('more spools than go in', () =>
    expect(insideErrors({ ...form, counts: { PLA: 12 } })?.counts).toMatch(/Take some out/))
  test('no spool', () => expect(insideErrors({ ...form, counts: {} })?.counts).toMatch(/at least one/))
  test('0 g of beads', () => expect(insideErrors({ ...form, beads: '0' })?.beads).toMatch(/from 1 to 5000 g/))
  test('°F in a °C field is asked about', () =>
    expect(slipOf({ ...form, temperature: '70' }, 'C')?.otherwiseC).toBeCloseTo(21.1, 1))
  test('a humidity out of range', () =>
    expect(displayErrors({ ...form, humidity: '131' }, 'C')?.humidity).toMatch(/type what the display shows/))
})

test('the climate follows the temperature shown', () =>
  expect([8, 16, 21, 28].map(climateFor)).toEqual(['damp', 'mild', 'heated', 'hot']))

test('three screens make a box that reads back, is judged and knows the fact worth most', () => {
  const { boxId, drafts } = firstUseDrafts({ ...form, counts: { PLA: 2, PETG: 1 } }, context)
  const act = makeAct(maker, 'First box', drafts)
  expect(readAct(JSON.parse(JSON.stringify(act)))).toMatchObject({ ok: true })
  const state = fold([act])
  expect(state.contradictions).toEqual([])
  const view = boxView(state, boxId, now)!
  expect(view.target?.rhPercent).toBe(20)
  expect(view.last?.word).toBe('over')
  const report = estimateBox(boxFacts(state, view, now)!, { seed: 1 })
  expect(report.effectiveDraws).toBeGreaterThanOrEqual(50)
  expect(report.worth.length).toBeGreaterThan(0)
})

test('just opened today is too early to judge', () => {
  const { boxId, drafts } = firstUseDrafts({ ...form, lidTime: 'today' }, context)
  expect(boxView(fold([makeAct(maker, 'First box', drafts)]), boxId, now)!.last?.word).toBe('too early')
})

test('a display that shows 100 % in an ordinary room contradicts what is assumed; the range stays a range', () => {
  const { boxId, drafts } = firstUseDrafts({ ...form, humidity: '100' }, context)
  const state = fold([makeAct(maker, 'First box', drafts)])
  const report = estimateBox(boxFacts(state, boxView(state, boxId, now)!, now)!, { seed: 77 })
  expect(report.contradiction).not.toBeNull()
  // one reading that no draw comes near is odd: it makes no needle of the range
  expect(report.effectiveDraws).toBeGreaterThan(40)
  expect(report.charges[0]!.spread.high).toBeGreaterThan(1.2 * report.charges[0]!.spread.low)
})
