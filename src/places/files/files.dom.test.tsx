import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#demo/loft.ts'
import { makeAct, readAct, type Act } from '#records/act.ts'
import { fold } from '#journal/fold.ts'
import { writeBackup } from '#formats/backup/write-backup.ts'
import { madeUpEpw } from '#testing/made-up-epw.ts'
import { readKeeping } from '#store/keeping.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import FilesPlace from './files-place.tsx'
import { backupFile, readingsFile } from './make-files.ts'
import { renewDays } from './renew-days.ts'

const acts = boathouseLoft(NOW, 'UTC').map(
  act => JSON.parse(JSON.stringify(act).replaceAll('demo-', 'own-')) as Act,
)
const older = acts.slice(0, -3)
let handed: string[] = []
beforeEach(() => {
  handed = []
  URL.createObjectURL = () => 'blob:x'
  URL.revokeObjectURL = () => {}
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    handed.push(this.download)
  })
})
afterEach(cleanup)

const open = async (list: Act[], damaged = 0) => {
  const store = memoryStore([...list], damaged)
  renderPlace(<FilesPlace />, { store, path: '/files' })
  await screen.findByText('Choose a file …')
  return store
}
const choose = (file: File) =>
  fireEvent.change(screen.getByLabelText('A backup or a table of readings'), { target: { files: [file] } })
const zipFile = (list: readonly Act[], journal: 'own' | 'demo' = 'own') =>
  new File([writeBackup(list, { journal, savedAtMs: NOW - 86_400_000 }) as BlobPart], 'phone.zip')
const looked = () => document.querySelector('[data-looked]')
const count = (list: readonly Act[]) => fold(list).readings.length

describe('files', () => {
  test('saving gives a file and remembers when', async () => {
    await open(acts)
    expect(screen.getByText(/No file is saved yet/)).toBeTruthy()
    fireEvent.click(screen.getByText('Save a file'))
    await screen.findByText(/^veld-backup-2025-11-08\.zip, \d+ kB/)
    expect(handed).toEqual(['veld-backup-2025-11-08.zip'])
    expect(await screen.findByText('Last saved today')).toBeTruthy()
    await waitFor(async () => expect((await readKeeping('own')).savedAtMs).toBe(NOW))
  })
  test('together: shown first, one act, and undone by one', async () => {
    const store = await open(older)
    choose(zipFile(acts))
    await waitFor(() => expect(looked()).not.toBeNull())
    expect(looked()!.textContent).toMatch(/New in it: \d+ readings/)
    expect(looked()!.textContent).toMatch(
      new RegExp(`${older.length} of its ${acts.length} acts are here already`),
    )
    expect(store.acts).toHaveLength(older.length)
    fireEvent.click(screen.getByText('Bring it together'))
    await screen.findByText(/It is brought together/)
    expect(store.acts).toHaveLength(older.length + 1)
    expect(store.acts.at(-1)!.brings).toHaveLength(3)
    expect(count(store.acts)).toBe(count(acts))
    choose(zipFile(acts))
    expect(await screen.findByText('Nothing new in it')).toBeTruthy()
  })
  test('acts from ahead are asked about before anything is brought', async () => {
    const future = makeAct({ ...testMaker, nowMs: () => NOW + 40 * 86_400_000 }, 'from the future', [
      { kind: 'box.opened', payload: { boxId: 'cox', openSeconds: 30 } },
    ])
    const store = await open(older)
    choose(zipFile([...acts, future]))
    await waitFor(() => expect(looked()).not.toBeNull())
    expect(looked()!.textContent).toMatch(/was that device’s clock wrong/)
    expect(screen.getByText<HTMLButtonElement>('Bring it together').disabled).toBe(true)
    fireEvent.click(screen.getByLabelText('leave them out'))
    fireEvent.click(screen.getByText('Bring it together'))
    await screen.findByText(/It is brought together/)
    expect(store.acts.at(-1)!.brings).toHaveLength(3)
  })
  test.each([
    ['a torn file', () => new File(['PK\u0003\u0004 torn'], 'x.zip'), /cut short or no zip file/],
    ['the demonstration’s', () => zipFile(boathouseLoft(NOW, 'UTC')), /made up for the demonstration/],
    ['a demonstration by its manifest', () => zipFile(acts, 'demo'), /made up for the demonstration/],
    [
      'one act said otherwise',
      () => zipFile(acts.map((act, i) => (i === 4 ? { ...act, what: 'changed by hand' } : act))),
      /journal\.ndjson, line \d+: This act is kept here too/,
    ],
    [
      'a table with a wrong place',
      () =>
        new File(
          [
            'at (UTC),in,place,relative humidity (%),temperature (°C)\r\n2025-11-01T10:00:00Z,box,Nowhere,20,10\r\n',
          ],
          't.csv',
        ),
      /line 2, place: There is no box named Nowhere/,
    ],
  ])('%s is refused whole, and nothing is changed', async (_, file, message) => {
    const store = await open(acts)
    choose(file())
    const alert = await screen.findByRole('alert')
    expect(alert.textContent).toMatch(message)
    expect(alert.textContent).toMatch(/Nothing is changed\.$/)
    expect(store.acts).toHaveLength(acts.length)
  })
  test('a table of readings: those already here are left out', async () => {
    const state = fold(acts)
    const store = await open(older)
    choose(new File([await readingsFile(state, NOW, 'UTC').text()], 'readings.csv', { type: 'text/csv' }))
    await waitFor(() => expect(looked()).not.toBeNull())
    fireEvent.click(screen.getByText('Bring it together'))
    await screen.findByText(/readings are in/)
    const key = (list: readonly Act[]) =>
      fold(list).readings.map(
        item => `${JSON.stringify(item.place)} ${item.atMs} ${item.relativeHumidityPercent}`,
      )
    expect(key(store.acts).sort()).toEqual(key(acts).sort())
  })
  test('replacing everything takes a typed word, and what was here can be had back', async () => {
    const store = await open(acts)
    choose(zipFile(acts.slice(0, 10)))
    fireEvent.click(await screen.findByText('Or put it in place of everything here'))
    const button = screen.getByText<HTMLButtonElement>('Replace everything')
    expect(button.disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Type replace to go on'), { target: { value: 'Replace' } })
    fireEvent.click(button)
    await screen.findByText(/Everything is replaced/)
    expect(count(store.acts)).toBe(0)
    expect(store.acts).toHaveLength(acts.length + 1)
    fireEvent.click(await screen.findByText('Have it back'))
    await waitFor(() => expect(count(store.acts)).toBe(count(acts)))
  })
  test('a full browser changes nothing and says so', async () => {
    const store = await open(older)
    choose(zipFile(acts))
    await waitFor(() => expect(looked()).not.toBeNull())
    store.refuse = true
    fireEvent.click(screen.getByText('Bring it together'))
    expect((await screen.findByRole('alert')).textContent).toMatch(/its storage is full. Nothing is lost/)
  })
  test('records that do not read are counted and can be taken out', async () => {
    await open(acts, 2)
    expect(screen.getByText(/2 records that do not read/)).toBeTruthy()
    fireEvent.click(screen.getByText('Take them out as a file'))
    await waitFor(() => expect(handed).toEqual(['veld-set-aside-2025-11-08.json']))
  })
})

test('a backup of a journal that brought another holds its acts, and no bringing', async () => {
  const store = memoryStore([...older])
  const bringing: Act = { ...makeAct(testMaker, 'x', []), format: 2, brings: acts.slice(-3) }
  const file = await backupFile(store, [...older, bringing], NOW, 'UTC')
  const plain = await backupFile(memoryStore([...acts]), acts, NOW, 'UTC')
  expect(new Uint8Array(await file.arrayBuffer())).toEqual(new Uint8Array(await plain.arrayBuffer()))
})

test('a day given out before keeps its sequence; another day raises it; over is today', () => {
  const box = (boxId: string, judgement: Parameters<typeof renewDays>[0][number]['judgement']) => ({
    boxId,
    name: boxId,
    judgement,
    report: undefined,
  })
  const later = {
    word: 'good until',
    dateS: NOW / 1000 + 20 * 86_400,
    latestS: NOW / 1000 + 40 * 86_400,
  } as const
  const days = renewDays(
    [
      box('a', later),
      box('b', later),
      box('c', { word: 'over since', dateS: 1 }),
      box('d', { word: 'not known', todo: '' }),
    ],
    { a: { day: '2025-11-28', sequence: 2 }, b: { day: '2025-11-20', sequence: 2 } },
    NOW,
    'UTC',
  )
  expect(days.map(({ boxId, day, sequence }) => [boxId, day, sequence])).toEqual([
    ['a', '2025-11-28', 2],
    ['b', '2025-11-28', 3],
    ['c', '2025-11-08', 0],
  ])
})

describe('a room from the weather', () => {
  const choose = (text: string) => {
    const field = screen.getByLabelText('A weather file')
    fireEvent.change(field, { target: { files: [new File([text], 'fell.epw')] } })
  }
  test('is looked at, then kept as the room’s own climate, and undoes', async () => {
    const store = memoryStore(boathouseLoft(NOW, 'UTC'))
    renderPlace(<FilesPlace />, { store })
    await screen.findByText('A room from the weather')
    choose(madeUpEpw())
    expect((await screen.findByText(/in the weather of/)).textContent).toContain('Nowhere Fell')
    fireEvent.change(screen.getByLabelText('Which is'), { target: { value: 'heated' } })
    fireEvent.click(screen.getByText('Keep it'))
    await screen.findByText(/goes by the weather of Nowhere Fell now/)
    const payload = store.acts.at(-1)!.entries[0]!.payload as {
      climate: { kind: string; temperatureC: number[] }
    }
    expect(payload.climate.kind).toBe('own')
    expect(payload.climate.temperatureC).toHaveLength(12)
    expect(payload.climate.temperatureC[0]).toBeCloseTo(20, 1)
    expect(readAct(JSON.parse(JSON.stringify(store.acts.at(-1))))).toMatchObject({ ok: true })
  })
  test('what is no weather file is refused with its line', async () => {
    renderPlace(<FilesPlace />, { store: memoryStore(boathouseLoft(NOW, 'UTC')) })
    await screen.findByText('A room from the weather')
    choose('time,rain')
    expect(await screen.findByText(/fell.epw, line 1: .*LOCATION.* Nothing is changed/)).toBeTruthy()
  })
})
