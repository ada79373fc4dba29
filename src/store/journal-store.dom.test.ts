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
  const forage = localforage.createInstance({ name: 'veld', storeName: 'journal_own' })
  await forage.ready()
  expect(forage.driver()).toBe(localforage.INDEXEDDB)
  expect(await forage.keys()).toEqual(['a'])
  expect(await own.count()).toBe(1)
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

const written = (id: string, month: string): Act => ({ ...act(id), writtenAt: `${month}-03T09:00:00.000Z` })
const many = Array.from({ length: 120 }, (_, i) =>
  written(`p${String(i).padStart(3, '0')}`, i < 70 ? '2025-01' : '2025-02'),
)

test('months that are over are packed: the same acts, fewer records, nothing of this month', async () => {
  for (const one of [...many, written('now', '2025-03')]) await own.append(one)
  const before = await own.readAll()
  const raw = await own.readRaw()
  await own.pack('2025-03')
  const keys = await localforage.createInstance({ name: 'veld', storeName: 'journal_own' }).keys()
  expect(keys.sort()).toEqual(['now', 'pack:2025-01:p000', 'pack:2025-02:p070'])
  const after = await own.readAll()
  const byId = (acts: readonly Act[]) => [...acts].sort((a, b) => (a.id < b.id ? -1 : 1))
  expect(byId(after.acts)).toEqual(byId(before.acts))
  expect(Object.fromEntries(await own.readRaw())).toEqual(Object.fromEntries(raw))
  await own.remove(['p003'])
  expect((await own.readAll()).acts).toHaveLength(120)
})

test('a page that dies while packing leaves every act once', async () => {
  for (const one of many) await own.append(one)
  await own.pack('2025-03')
  await own.append(many[5]!)
  expect((await own.readAll()).acts.map(item => item.id).filter(id => id === 'p005')).toHaveLength(1)
  expect((await own.readAll()).acts).toHaveLength(120)
})

test('a record of a month that was changed by hand since: what is left of it reads, nothing breaks', async () => {
  for (const one of many) await own.append(one)
  await own.pack('2025-03')
  const forage = localforage.createInstance({ name: 'veld', storeName: 'journal_own' })
  const key = 'pack:2025-01:p000'
  const pack = (await forage.getItem<{ acts: unknown[] }>(key))!
  await forage.setItem(key, { ...pack, acts: [null, 7, { id: 9 }, { id: 'p001' }, ...pack.acts.slice(4)] })
  const { acts, damaged } = await own.readAll()
  expect(acts).toHaveLength(116)
  expect(damaged).toHaveLength(4)
  await own.remove(['p010'])
  expect((await own.readRaw()).has('p011')).toBe(true)
})

test('few acts, and those of a later version, are left as they are', async () => {
  for (const one of many.slice(0, 20)) await own.append(one)
  await own.pack('2025-03')
  expect((await own.readRaw()).size).toBe(20)
  const forage = localforage.createInstance({ name: 'veld', storeName: 'journal_own' })
  expect(await forage.keys()).toHaveLength(20)
  // a pack of another Veld is checked like anything from outside
  await forage.setItem('pack:2025-01:x', {
    pack: 1,
    checkedFor: 'another',
    acts: [act('x'), { nonsense: true }],
  })
  const { acts, damaged } = await own.readAll()
  expect(acts).toHaveLength(21)
  expect(damaged).toHaveLength(1)
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
