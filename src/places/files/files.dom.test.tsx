import { memoryPhotos, photoIdOf } from '#store/photos.ts'
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, makeWithdrawal, readAct, type Act } from '#records/act.ts'
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
  test('pressed twice it is brought together once', async () => {
    const store = await open(older)
    choose(zipFile(acts))
    await waitFor(() => expect(looked()).not.toBeNull())
    const button = screen.getByText('Bring it together')
    fireEvent.click(button)
    fireEvent.click(button)
    await screen.findByText(/It is brought together/)
    await new Promise(done => setTimeout(done, 50))
    expect(store.acts).toHaveLength(older.length + 1)
  })
  test('photos come in with what speaks of them', async () => {
    const bytes = Uint8Array.from([0xff, 0xd8, 0xff, 4, 5, 6])
    const photos = memoryPhotos()
    const store = memoryStore([...older])
    renderPlace(<FilesPlace />, { store, photos, path: '/files' })
    await screen.findByText('Choose a file …')
    const zip = writeBackup(acts, { journal: 'own', savedAtMs: NOW }, new Map([[photoIdOf(bytes), bytes]]))
    choose(new File([zip as BlobPart], 'phone.zip'))
    await waitFor(() => expect(looked()).not.toBeNull())
    expect(await photos.ids()).toEqual([])
    fireEvent.click(screen.getByText('Bring it together'))
    await screen.findByText(/It is brought together/)
    expect(await photos.get(photoIdOf(bytes))).toEqual(bytes)
  })
  test('more photos than a backup carries: nothing is brought, and it says so', async () => {
    const held = new Map(
      Array.from({ length: 250 }, (_, i) => [`${i}`, Uint8Array.from([0xff, 0xd8, 0xff, i])]),
    )
    const bytes = Uint8Array.from([0xff, 0xd8, 0xff, 4, 5, 6])
    const store = memoryStore([...older])
    renderPlace(<FilesPlace />, { store, photos: memoryPhotos(held), path: '/files' })
    await screen.findByText('Choose a file …')
    const zip = writeBackup(acts, { journal: 'own', savedAtMs: NOW }, new Map([[photoIdOf(bytes), bytes]]))
    choose(new File([zip as BlobPart], 'phone.zip'))
    await waitFor(() => expect(looked()).not.toBeNull())
    fireEvent.click(screen.getByText('Bring it together'))
    expect(await screen.findByText(/there are 250 photos, as many as a backup carries/)).toBeTruthy()
    expect(store.acts).toHaveLength(older.length)
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
  test('what it would change of mine stands in words before what is new', async () => {
    await open(older)
    const taken = older.find(act => act.entries[0]!.kind === 'reading.taken')!
    choose(
      zipFile([
        ...acts,
        makeWithdrawal(testMaker, taken),
        makeAct(testMaker, 'changed', [
          { kind: 'box.changed', payload: { boxId: 'cox', name: 'Stern', widthMm: 90 } },
        ]),
      ]),
    )
    await waitFor(() => expect(looked()).not.toBeNull())
    const mine = document.querySelector('[data-part="of-mine"]')!
    expect(mine.textContent).toMatch(/^It changes \d+ things of yours/)
    expect(mine.textContent).toMatch(/taken back: .*: reading, \d+.%/)
    expect(mine.textContent).toMatch(/: changed, named Stern, width 90.mm/)
    expect(looked()!.textContent.indexOf('It changes')).toBeLessThan(
      looked()!.textContent.indexOf('New in it'),
    )
  })
  describe('two boxes of one name', () => {
    const HEAD = 'at (UTC),in,place,relative humidity (%),temperature (°C)'
    const row = '2025-11-07T10:00:00Z,box,Skiff,21,12'
    const namedAlike = [
      ...acts,
      makeAct(testMaker, 'named', [
        { kind: 'box.changed', payload: { boxId: 'cox', name: 'Skiff' } },
        { kind: 'box.changed', payload: { boxId: 'thole', name: 'Skiff' } },
      ]),
    ]
    const readingsOf = (list: readonly Act[], boxId: string) =>
      fold(list).readings.filter(({ place }) => place.in === 'box' && place.boxId === boxId).length
    test('they can be made one, by one act, or named apart', async () => {
      const store = await open(namedAlike)
      fireEvent.click(screen.getByText('Make one of them'))
      await waitFor(() => expect(document.querySelector('[data-part="twins"]')).toBeNull())
      expect(store.acts).toHaveLength(namedAlike.length + 1)
      expect([...fold(store.acts).boxes.values()].filter(box => box.retiredMs !== null)).toHaveLength(1)
      cleanup()
      const again = await open(namedAlike)
      fireEvent.click(screen.getByText('They are two: name the later Skiff (2)'))
      await waitFor(() => expect(document.querySelector('[data-part="twins"]')).toBeNull())
      expect([...fold(again.acts).boxes.values()].map(box => box.name)).toContain('Skiff (2)')
    })
    test('a table says which by its id', async () => {
      const store = await open(namedAlike)
      choose(new File([`${HEAD},place id\n${row},thole\n`], 't.csv', { type: 'text/csv' }))
      await waitFor(() => expect(looked()).not.toBeNull())
      fireEvent.click(screen.getByText('Bring it together'))
      await screen.findByText(/One reading is in/)
      expect(readingsOf(store.acts, 'thole')).toBe(readingsOf(acts, 'thole') + 1)
      expect(readingsOf(store.acts, 'cox')).toBe(readingsOf(acts, 'cox'))
    })
    test('without one it is asked, by what each showed last', async () => {
      const store = await open(namedAlike)
      choose(new File([`${HEAD}\n${row}\n`], 't.csv', { type: 'text/csv' }))
      await screen.findByText('2 boxes are named Skiff: which is meant?')
      const go = screen.getByText<HTMLButtonElement>('Look at it so')
      expect(go.disabled).toBe(true)
      const last = fold(acts)
        .readings.filter(({ place }) => place.in === 'box' && place.boxId === 'cox')
        .at(-1)!
      fireEvent.click(
        screen.getByLabelText(new RegExp(`showed ${Math.round(last.relativeHumidityPercent)}.%`)),
      )
      fireEvent.click(go)
      fireEvent.click(await screen.findByText('Bring it together'))
      await screen.findByText(/One reading is in/)
      expect(readingsOf(store.acts, 'cox')).toBe(readingsOf(acts, 'cox') + 1)
      expect(readingsOf(store.acts, 'thole')).toBe(readingsOf(acts, 'thole'))
    })
  })
  test('a file is read beside the page and can be left', async () => {
    const store = memoryStore([...older])
    let given: AbortSignal | undefined
    renderPlace(<FilesPlace />, {
      store,
      path: '/files',
      fileReading: {
        readings: () => new Promise(() => {}),
        backup: (_, { signal, tell }) =>
          new Promise((_done, reject) => {
            given = signal
            tell(0.4)
            signal.addEventListener('abort', () => reject(new DOMException('', 'AbortError')))
          }),
      },
    })
    await screen.findByText('Choose a file …')
    choose(zipFile(acts))
    expect((await screen.findByText(/Reading phone\.zip, 40.%/)).textContent).toMatch(/Leave it/)
    fireEvent.click(screen.getByText('Leave it'))
    await waitFor(() => expect(document.querySelector('[data-part="reading-file"]')).toBeNull())
    expect(given!.aborted).toBe(true)
    expect(screen.queryByRole('alert')).toBeNull()
    expect(looked()).toBeNull()
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
  const file = await backupFile(
    { store, photos: memoryPhotos() },
    { kept: [...older, bringing], damaged: [] },
    NOW,
    'UTC',
  )
  const plain = await backupFile(
    { store: memoryStore([...acts]), photos: memoryPhotos() },
    { kept: acts, damaged: [] },
    NOW,
    'UTC',
  )
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
  test('a file that was moved since it was chosen is named', async () => {
    renderPlace(<FilesPlace />, { store: memoryStore(boathouseLoft(NOW, 'UTC')) })
    await screen.findByText('A room from the weather')
    const moved = new File(['x'], 'fell.epw')
    moved.text = () =>
      Promise.reject(new DOMException('A requested file could not be found', 'NotFoundError'))
    fireEvent.change(screen.getByLabelText('A weather file'), { target: { files: [moved] } })
    expect(await screen.findByText(/fell.epw does not open: A requested file.* Choose it again/)).toBeTruthy()
  })
})
