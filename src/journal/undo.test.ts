import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { makeAct, makeWithdrawal, type Act, type Draft, type Maker } from '#records/act.ts'
import { inBytes } from '#testing/fixtures/arbitrary-journal.ts'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'
import { VERSION_2 } from '#testing/fixtures/version-2.ts'
import { fold } from './fold.ts'
import { presentActs, standingActs } from './in-force.ts'
import { undoSteps } from './undo.ts'

let count = 0
let time = Date.UTC(2025, 4, 2)
const maker: Maker = {
  nowMs: () => (time += 1000),
  zone: 'UTC',
  newId: () => `u${String(++count).padStart(6, '0')}`,
}
const draft = (kind: string, change: object = {}): Draft =>
  ({ kind, payload: { ...VERSION_2[kind], ...VERSION_1[kind], ...change } }) as unknown as Draft
const shelf = () =>
  makeAct(
    maker,
    'shelf',
    ['room.made', 'instrument.made', 'box.made', 'charge.made', 'spool.made'].map(kind => draft(kind)),
  )
const reading = (rh: number) =>
  makeAct(maker, `read ${rh}`, [draft('reading.taken', { relativeHumidityPercent: rh })])
const readings = (acts: readonly Act[]) => fold(acts).readings.map(item => item.relativeHumidityPercent)
describe('undo and redo', () => {
  test('back through what was done, forward again, until something new is done', () => {
    const acts = [shelf(), reading(20), reading(30)]
    const undo = () => acts.push(makeWithdrawal(maker, undoSteps(acts).undo!))
    const redo = () => acts.push(makeWithdrawal(maker, undoSteps(acts).redo!.withdrawal))
    undo()
    undo()
    expect(readings(acts)).toEqual([])
    expect(undoSteps(acts).undo!.what).toBe('shelf')
    redo()
    expect(readings(acts)).toEqual([20])
    redo()
    expect(readings(acts)).toEqual([20, 30])
    expect(undoSteps(acts).redo).toBeNull()
    undo()
    acts.push(reading(40))
    expect(readings(acts)).toEqual([20, 40])
    expect(undoSteps(acts).redo).toBeNull()
    undo()
    undo()
    expect(readings(acts)).toEqual([])
  })
  test('given acts are not undone', () => {
    const given = shelf()
    expect(undoSteps([given], act => act === given)).toEqual({ undo: null, redo: null })
  })
  test('redo after undo is identity, at any time, for any doings', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('read', 'undo', 'redo', 'move', 'instead'), { minLength: 1, maxLength: 25 }),
        list => {
          const acts = [shelf()]
          for (const doing of list) {
            const steps = undoSteps(acts)
            if (doing === 'read') acts.push(reading(20 + acts.length))
            else if (doing === 'move') acts.push(makeAct(maker, 'move', [draft('spool.moved')]))
            else if (doing === 'instead')
              acts.push(makeAct(maker, 'instead', [draft('reading.taken')], acts.at(-1)!.id))
            else if (doing === 'undo' && steps.undo) acts.push(makeWithdrawal(maker, steps.undo))
            else if (doing === 'redo' && steps.redo) acts.push(makeWithdrawal(maker, steps.redo.withdrawal))
          }
          const { undo } = undoSteps(acts)
          if (!undo) return
          const before = inBytes(acts)
          const undone = [...acts, makeWithdrawal(maker, undo)]
          const redone = [...undone, makeWithdrawal(maker, undoSteps(undone).redo!.withdrawal)]
          expect(inBytes(redone)).toBe(before)
        },
      ),
      { seed: 11, numRuns: 200 },
    )
  })
})

describe('what stands', () => {
  test('one entry of an act can be taken back, and with it every correction of it', () => {
    const there = shelf()
    const act = makeAct(maker, 'two', [
      draft('reading.taken', { relativeHumidityPercent: 21 }),
      draft('reading.taken', { relativeHumidityPercent: 22 }),
    ])
    const right = makeAct(maker, 'right', [
      { ...draft('reading.taken', { relativeHumidityPercent: 25 }), corrects: act.entries[0]!.id },
    ])
    const acts = [there, act, right]
    expect(readings(acts).sort((a, b) => a - b)).toEqual([22, 25])
    expect(readings([...acts, makeWithdrawal(maker, { id: act.entries[0]!.id, what: 'x' })])).toEqual([22])
  })
  test('an act that stands in for another replaces it whole; its undo brings the other back', () => {
    const acts = [shelf(), reading(21)]
    const first = acts[1]!
    const instead = makeAct(
      maker,
      'again',
      [draft('reading.taken', { relativeHumidityPercent: 24 })],
      first.id,
    )
    expect(readings([...acts, instead])).toEqual([24])
    expect(readings([...acts, instead, makeWithdrawal(maker, instead)])).toEqual([21])
  })
  test('a clock that ran behind: a withdrawal dated before what it takes back', () => {
    const act = reading(33)
    const early = { ...makeWithdrawal(maker, act), writtenAt: '2020-01-01T00:00:00.000Z' }
    expect(readings([shelf(), act, early])).toEqual([])
  })
  test('withdrawals that name each other end nothing', () => {
    const a = { ...reading(1), withdraws: 'other' }
    const b = { ...reading(2), id: 'other', withdraws: a.id }
    expect(() => standingActs([a, b])).not.toThrow()
  })
  test('a replacement sets aside just what it names; its undo brings all of it back', () => {
    const old = [shelf(), reading(20)]
    const replacement: Act = {
      ...makeAct(maker, 'Replaced', []),
      format: 2,
      brings: [shelf(), reading(50)],
      setsAside: old.map(act => act.id),
    }
    const later = reading(60)
    expect(readings([...old, replacement, later])).toEqual([50, 60])
    expect(readings([...old, replacement, later, makeWithdrawal(maker, replacement)])).toEqual([20, 60])
    expect(presentActs([...old, replacement])).toHaveLength(2)
  })
})
