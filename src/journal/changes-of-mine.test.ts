import { expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, makeWithdrawal, type Act, type Draft } from '#records/act.ts'
import { fold } from './fold.ts'
import { changesOfMine } from './changes-of-mine.ts'

const NOW = Date.parse('2025-11-08T10:00:00Z')
const kept = boathouseLoft(NOW, 'UTC')
const state = fold(kept)
let ids = 0
const maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `c${String(++ids)}` }
const act = (...drafts: Draft[]): Act => makeAct(maker, 'elsewhere', drafts)
const reading = kept.find(item => item.entries[0]!.kind === 'reading.taken')!

test('what only adds changes nothing of mine', () => {
  const more = { ...reading.entries[0]!, id: 'c-more' }
  expect(changesOfMine(kept, state, [{ ...act(), entries: [more] }])).toEqual([])
})

test('a reading taken back, a box made smaller and named otherwise, a spool moved: each is said', () => {
  const found = changesOfMine(kept, state, [
    makeWithdrawal(maker, reading),
    act(
      { kind: 'box.changed', payload: { boxId: 'launch', name: 'Dinghy', widthMm: 120 } },
      { kind: 'spool.moved', payload: { spoolId: 'launch-spool-1', where: { at: 'open' } } },
    ),
  ])
  expect(found.filter(one => one.how === 'taken back').map(one => one.was!.id)).toEqual(
    reading.entries.map(entry => entry.id),
  )
  expect(found.filter(one => one.how === 'changed').map(one => one.now!.kind)).toEqual([
    'box.changed',
    'spool.moved',
  ])
  expect(found).toHaveLength(reading.entries.length + 2)
})

test('an entry put otherwise names both, once', () => {
  const was = reading.entries[0]!
  const found = changesOfMine(kept, state, [
    { ...act(), entries: [{ ...was, id: 'c-right', corrects: was.id }] },
  ])
  expect(found).toHaveLength(1)
  expect(found[0]).toMatchObject({ how: 'put otherwise', was: { id: was.id }, now: { id: 'c-right' } })
})

test('what is said of things that are not mine is no change of mine', () => {
  expect(
    changesOfMine(kept, state, [
      act({ kind: 'box.changed', payload: { boxId: 'elsewhere', name: 'Theirs' } }),
    ]),
  ).toEqual([])
})
