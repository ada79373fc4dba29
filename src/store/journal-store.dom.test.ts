import { beforeEach, expect, test } from '@jest/globals'
import localforage from 'localforage'
import type { Act } from '#records/act.ts'
import { openJournal } from './journal-store.ts'
import { readPreferences, USUAL_PREFERENCES, writePreferences, type Preferences } from './preferences.ts'

const act = (id: string): Act => ({
  id,
  format: 1,
  writtenAt: '2025-03-03T09:00:00.000Z',
  what: 'test',
  entries: [],
})
const own = openJournal('own')
const demo = openJournal('demo')
beforeEach(async () => {
  await own.clear()
  await demo.clear()
})

test('is kept in IndexedDB', async () => {
  await own.append(act('a'))
  expect(own.driver()).toBe(localforage.INDEXEDDB)
})

test('one act, one key; own and demonstration apart', async () => {
  await own.append(act('a'))
  await own.append(act('b'))
  await demo.append(act('c'))
  expect((await own.readAll()).acts.map(a => a.id)).toEqual(['a', 'b'])
  expect((await demo.readAll()).acts.map(a => a.id)).toEqual(['c'])
})

test('a damaged record is counted and left where it is, the rest reads', async () => {
  await own.append(act('a'))
  await own.append({ ...act('b'), writtenAt: 'yesterday' })
  const { acts, damaged } = await own.readAll()
  expect(acts).toHaveLength(1)
  expect(damaged).toMatchObject([{ key: 'b', problem: { kind: 'not an act' } }])
  expect((await own.readAll()).damaged).toHaveLength(1)
})

test('preferences come back, and fall back where nothing readable is kept', async () => {
  expect(await readPreferences()).toEqual(USUAL_PREFERENCES)
  const chosen: Preferences = { ...USUAL_PREFERENCES, temperatureScale: 'F', weightUnit: 'oz', theme: 'dark' }
  await writePreferences(chosen)
  expect(await readPreferences()).toEqual(chosen)
  // one choice that is none any more falls back alone; an older version's two choices are enough
  await writePreferences({ ...chosen, lengthUnit: 'ell' } as unknown as Preferences)
  expect(await readPreferences()).toEqual({ ...chosen, lengthUnit: 'mm' })
  await writePreferences({ temperatureScale: 'F', theme: 'dark' } as Preferences)
  expect(await readPreferences()).toEqual({ ...USUAL_PREFERENCES, temperatureScale: 'F', theme: 'dark' })
})
