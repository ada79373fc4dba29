import { describe, expect, test } from '@jest/globals'
import { spoolFits } from '#core/filament/winding.ts'
import { readAct } from '#records/act.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { BOXES } from './loft-boxes.ts'
import { boathouseLoft } from './loft.ts'

const NOW = Date.parse('2025-11-08T10:00:00Z')
const acts = boathouseLoft(NOW, 'Europe/Oslo')
const state = fold(acts)
const view = (id: string) => boxView(state, id, NOW)!

test('at least eight boxes of different kinds, five months of readings, every act reads back', () => {
  expect(state.boxes.size).toBeGreaterThanOrEqual(8)
  expect(new Set([...state.boxes.values()].map(box => box.container)).size).toBeGreaterThanOrEqual(6)
  expect(state.contradictions).toEqual([])
  for (const act of acts) expect(readAct(JSON.parse(JSON.stringify(act)))).toMatchObject({ ok: true })
  const first = state.readings[0]!.atMs
  expect((NOW - first) / 86_400_000).toBeGreaterThan(140)
})

describe('the states that were asked for', () => {
  test('one in good order', () => expect(view('cox').last?.word).toBe('holds'))
  test('a spent charge, its beads full', () => expect(view('stroke').last?.word).toBe('over'))
  test('damp spools on cardboard, lately put in', () => {
    const damp = view('launch').spools.filter(spool => spool.cardboardG > 0)
    expect(damp).toHaveLength(2)
    expect(damp.every(spool => spool.wetness === 'weeks in the room')).toBe(true)
  })
  test('a leaking one, its lid untold', () =>
    expect(view('rigger')).toMatchObject({ box: { lid: 'unknown' }, last: { word: 'over' } }))
  test('one just opened', () =>
    expect(view('ferry').last).toMatchObject({ word: 'too early', settled: false }))
  test('one blind at its display’s floor', () => expect(view('skeg').last?.word).toBe('blind'))
  test('one not read for weeks', () => expect(view('thole').known).toEqual({ word: 'reckoned' }))
  test('one never read', () => expect(view('oarlock').last).toBeNull())
  test('one that can’t reach its target has a snap lid', () => expect(view('bilge').box.lid).toBe('snap'))
})

test('every spool goes into its box', () => {
  for (const box of state.boxes.values())
    for (const spool of view(box.boxId).spools) expect(spoolFits(spool, box)).toBe(true)
})

test('the same day makes the same acts; another day moves them all', () => {
  expect(JSON.stringify(boathouseLoft(NOW, 'Europe/Oslo'))).toBe(JSON.stringify(acts))
  const later = boathouseLoft(NOW + 9 * 86_400_000, 'Europe/Oslo')
  expect(Date.parse(later[0]!.writtenAt) - Date.parse(acts[0]!.writtenAt)).toBe(9 * 86_400_000)
})

test.each(['2028-02-29', '2026-03-29', '2026-10-25', '2026-12-31'])('nothing lies ahead of %s', day => {
  const nowMs = Date.parse(`${day}T10:00:00Z`)
  for (const act of boathouseLoft(nowMs, 'Europe/Oslo'))
    for (const entry of act.entries) expect(Date.parse(entry.at)).toBeLessThanOrEqual(nowMs)
})

test('places on the boards do not overlap', () => {
  for (const board of [0, 1]) {
    const row = BOXES.filter(box => box.board === board).sort((a, b) => a.leftMm - b.leftMm)
    row.slice(1).forEach((box, i) => {
      const before = state.boxes.get(row[i]!.id)!
      expect(box.leftMm).toBeGreaterThan(before.leftMm + before.widthMm)
    })
  }
})

test('facts of every box are complete', () => {
  for (const box of state.boxes.values()) {
    const facts = boxFacts(state, view(box.boxId), NOW)!
    expect(facts.charges.length).toBeGreaterThan(0)
    expect(facts.room.readings.length).toBeGreaterThan(15)
    expect(facts.targetRhPercent).toBeGreaterThan(0)
  }
})
