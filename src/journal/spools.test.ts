import { openRun } from './spool-runs.ts'
import { describe, expect, test } from '@jest/globals'
import { makeAct, type Draft, type Maker } from '#records/act.ts'
import { boxFacts } from './box-facts.ts'
import { boxView } from './box-view.ts'
import { fold } from './fold.ts'
import { spoolLegs } from './spool-legs.ts'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'

const START = Date.parse('2025-03-01T08:00:00Z')
const DAY = 86_400_000
const HOUR = 3_600_000
const maker = (): Maker => {
  let n = 0
  return {
    newId: () => `id-${n++}`,
    nowMs: () => START + 300 * DAY,
    zone: 'UTC',
    device: 'test',
  } as unknown as Maker
}
const draft = (kind: string, payload: object = {}, atMs = START): Draft =>
  ({ kind, atMs, payload: { ...VERSION_1[kind], ...payload } }) as Draft
const SHELF = ['room.made', 'box.made', 'instrument.made', 'charge.made', 'spool.made'].map(kind =>
  draft(kind),
)
const stateOf = (...more: Draft[]) => fold([makeAct(maker(), 'set up', [...SHELF, ...more])])
const dried = (atMs: number, hours = 6, air = 'vented') =>
  draft('spool.dried', { spoolId: 's1', hours, air, temperatureC: 50 }, atMs)

describe('a spool through the journal', () => {
  test('dried, printed and weighed: how much is left, by the last word', () => {
    const spool = (...more: Draft[]) => stateOf(...more).spools.get('s1')!
    const made = spool().filamentG
    const { emptyG } = spool()
    const printed = draft('spool.printed', { spoolId: 's1', grams: 42 }, START + DAY)
    expect(spool(printed).filamentG).toBe(made - 42)
    const weighed = draft('spool.weighed', { spoolId: 's1', grossG: emptyG + 500 }, START + 2 * DAY)
    expect(spool(printed, weighed)).toMatchObject({ filamentG: 500, filamentKnown: 'measured' })
    expect(spool(printed, weighed).amounts.map(one => [one.is, one.grams])).toEqual([
      ['told', made],
      ['printed', 42],
      ['weighed', 500],
    ])
    // never less than nothing
    expect(spool(draft('spool.printed', { spoolId: 's1', grams: 9000 }, START + DAY)).filamentG).toBe(0)
  })
  test('of a spool nobody entered: kept, and left out with its repairs', () => {
    const { contradictions } = stateOf(draft('spool.dried', { spoolId: 'nobody' }, START + DAY))
    expect(contradictions).toHaveLength(1)
  })
  test('where it was, stretch by stretch: the dryer goes before the place it was said to stand in', () => {
    const spool = stateOf(
      dried(START + 10 * DAY, 6),
      draft('spool.moved', { spoolId: 's1', where: { at: 'bag' } }, START + 20 * DAY),
    ).spools.get('s1')!
    const legs = spoolLegs(spool, START, START + 30 * DAY)
    expect(legs.map(leg => [leg.is, (leg.untilMs - START) / DAY])).toEqual([
      ['box', 9.75],
      ['heat', 10],
      ['box', 20],
      ['bag', 30],
    ])
  })
  test('a heat while it is in a box: it was out for it, and comes back with what the heat left', () => {
    const now = START + 40 * DAY
    const state = stateOf(dried(START + 20 * DAY, 12))
    const { spools } = boxFacts(state, boxView(state, 'b1', now)!, now)!
    expect(
      spools.map(one => [(one.inS * 1000 - START) / DAY, one.outS && (one.outS * 1000 - START) / DAY]),
    ).toEqual([
      [0, 19.5],
      [20, null],
    ])
    const { past } = spools[1]!.wetness
    expect(past.map(air => [air.temperatureC, (air.forS * 1000) / HOUR])).toEqual([
      [expect.any(Number), 19.5 * 24],
      [50, 12],
    ])
    expect(past[1]!.highRhPercent).toBeLessThan(25)
    // shut in without beads it was only warmed
    const shut = stateOf(dried(START + 20 * DAY, 12, 'closed'))
    expect(boxFacts(shut, boxView(shut, 'b1', now)!, now)!.spools[1]!.wetness.past).toHaveLength(1)
  })
  test('a run: each stretch of heat that is over is one of its life; after its end nothing more', () => {
    const begun = draft('drying.begun', {}, START + DAY)
    const off = draft('drying.heat', { temperatureC: null }, START + DAY + 3 * HOUR)
    const on = draft('drying.heat', { temperatureC: 45 }, START + DAY + 5 * HOUR)
    const ended = draft('drying.ended', {}, START + DAY + 9 * HOUR)
    const late = draft('drying.weighed', {}, START + 2 * DAY)
    const state = stateOf(begun, off, on, ended, late)
    expect(state.spools.get('s1')!.dryings.map(one => [one.temperatureC, one.hours])).toEqual([
      [50, 3],
      [45, 4],
    ])
    expect(state.dryingRuns.get('d1')!.endedMs).toBe(START + DAY + 9 * HOUR)
    expect(state.contradictions).toHaveLength(1)
    // while it is hot it is in no life yet
    expect(stateOf(begun).spools.get('s1')!.dryings).toEqual([])
    expect(stateOf(off).contradictions).toHaveLength(1)
  })
  test('moved while it dries: it is out of the dryer then, with the hours it had', () => {
    const begun = draft('drying.begun', {}, START + DAY)
    const moved = draft('spool.moved', { spoolId: 's1', where: { at: 'open' } }, START + DAY + 4 * HOUR)
    const state = stateOf(begun, moved)
    expect(state.dryingRuns.get('d1')!.endedMs).toBe(START + DAY + 4 * HOUR)
    expect(state.spools.get('s1')!.dryings.map(one => one.hours)).toEqual([4])
    expect(openRun(state, 's1')).toBeUndefined()
    expect(state.contradictions).toEqual([])
  })
})
