import { expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import * as v from 'valibot'
import { choicesOfAllKinds } from '#testing/choices-in.ts'
import { ENTRY_KINDS, newestVersion, readEntry } from './entry.ts'

const now = choicesOfAllKinds()
const file = new URL('../testing/fixtures/picklists.json', import.meta.url)
const released = JSON.parse(readFileSync(file, 'utf8')) as typeof now

test.each(Object.keys(now))('%s: its lists of choices change only with its version', kind => {
  const was = released[kind]
  // a new kind is unknown to an older Veld anyway; it joins the file when it is released
  if (!was || was.version !== now[kind]!.version) return
  expect(now[kind]!.choices).toEqual(was.choices)
})

test('the released file is of this version, whole', () => expect(released).toEqual(now))

test('a choice of a later version reads as from a newer version, not as damaged', () => {
  const entry = {
    id: 'e1',
    kind: 'charge.made',
    version: newestVersion('charge.made') + 1,
    at: '2027-02-20T10:00:00.000Z',
    zone: 'UTC',
    atPrecision: 'minute',
    subjects: [],
    payload: { chargeId: 'c1', desiccant: 'moon dust' },
  }
  expect(readEntry(entry)).toMatchObject({ ok: false, problem: { kind: 'from a newer version' } })
  expect(v.safeParse(ENTRY_KINDS['charge.made'], entry.payload).success).toBe(false)
})
