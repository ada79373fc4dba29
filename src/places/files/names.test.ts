import { describe, expect, test } from '@jest/globals'
import * as v from 'valibot'
import { renewDays } from './renew-days.ts'
import { readAct } from '#records/act.ts'
import { readEntry } from '#records/entry.ts'
import { idField } from '#records/fields.ts'

const PROTOTYPE = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf', 'isPrototypeOf']
const entryOf = (kind: string) => ({
  id: 'e1',
  kind,
  version: 1,
  at: '2025-03-01T10:00:00.000Z',
  zone: 'UTC',
  atPrecision: 'minute',
  subjects: [],
  payload: {},
})

describe('names that every object has', () => {
  test.each(PROTOTYPE)('%s is no kind of entry', kind => {
    expect(readEntry(entryOf(kind))).toMatchObject({ ok: false, problem: { kind: 'unknown kind' } })
    const act = {
      id: 'a',
      format: 1,
      writtenAt: '2025-03-01T10:00:00.000Z',
      what: '',
      entries: [entryOf(kind)],
    }
    expect(readAct(act)).toMatchObject({ ok: false })
  })
  test.each(PROTOTYPE.filter(id => id !== '__proto__'))(
    'a box with the id %s has a day for the calendar like any other',
    boxId => {
      const nowMs = Date.parse('2025-11-08T10:00:00Z')
      const [day] = renewDays(
        [{ boxId, name: 'Box', judgement: { word: 'over since' }, report: undefined } as never],
        {},
        nowMs,
        'UTC',
      )
      expect(day).toMatchObject({ boxId, day: '2025-11-08', sequence: 0 })
    },
  )
  test('an id is not made of dots alone', () => {
    for (const id of ['.', '..', '...']) expect(v.is(idField, id)).toBe(false)
    for (const id of ['a..b', 'x.1', '.a']) expect(v.is(idField, id)).toBe(true)
  })
})
