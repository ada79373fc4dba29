import { beforeAll, describe, expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { memoryPhotos } from '#store/photos.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import SpoolsPlace from './spools-place.tsx'

beforeAll(() => {
  URL.createObjectURL = () => 'blob:photo'
  URL.revokeObjectURL = () => {}
})

const acts = boathouseLoft(NOW, 'UTC')
const SPOOL = 'spare-spool-2'
const answer = () => screen.getByRole('heading', { level: 1 }).textContent
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))
async function open(page: string, drafts: readonly Draft[] = [], photos = memoryPhotos()) {
  const store = memoryStore(drafts.length > 0 ? [...acts, makeAct(testMaker, 'more', drafts)] : [...acts])
  renderPlace(<SpoolsPlace />, {
    store,
    photos,
    path: '/spools/:spoolId?/:page?',
    at: `/spools/${SPOOL}/${page}`,
  })
  await waitFor(() => expect(document.querySelector(`[data-place="${page}"]`)).not.toBeNull())
  return store
}

describe('wet, or something else', () => {
  const answerTo = (question: RegExp, seen: 'yes' | 'no' | 'don’t know') =>
    fireEvent.click(within(screen.getByRole('group', { name: question })).getByRole('radio', { name: seen }))

  test('answers come to a verdict, with what speaks for and against it, and what to do next; it is kept', async () => {
    const store = await open('signs')
    expect(answer()).toBe('Wet, or something else?')
    expect(screen.queryByRole('button', { name: 'Keep it' })).toBeNull()
    answerTo(/string or grow hairs/, 'yes')
    expect(answer()).toMatch(/^It can be (wet filament|heat or retraction) or/)
    expect(document.body.textContent).toMatch(/One test tells most: /)
    answerTo(/sizzle, crackle/, 'yes')
    answerTo(/steam, or froth/, 'yes')
    expect(answer()).toBe('Wet: dry it with heat.')
    expect(screen.getByRole('link', { name: 'Dry it' }).getAttribute('href')).toMatch(/spare-spool-2\/dry$/)
    expect(document.body.textContent).toMatch(/steam or froth comes out with it; it sizzles or pops/)
    press('Keep it')
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]!.payload).toEqual({
        spoolId: SPOOL,
        signs: [
          { sign: 'sizzles', seen: 'yes' },
          { sign: 'steam', seen: 'yes' },
          { sign: 'strings', seen: 'yes' },
        ],
        verdict: 'wet',
      }),
    )
    // what is kept is not kept again; another answer is
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Keep it' })).toBeNull())
    answerTo(/steam, or froth/, 'don’t know')
    expect(screen.getByRole('button', { name: 'Keep it' })).toBeTruthy()
  })
  test('a piece with its settings, before and after drying; the next one takes the settings over', async () => {
    const store = await open('signs', [
      {
        kind: 'spool.piece',
        atMs: NOW - 9 * 86_400_000,
        payload: { spoolId: SPOOL, looks: 'bad', settings: '0.2 mm, 215 °C', photos: [] },
      },
      {
        kind: 'spool.dried',
        atMs: NOW - 8 * 86_400_000,
        payload: { spoolId: SPOOL, temperatureC: 48, hours: 6, air: 'vented', roomId: null },
      },
    ])
    expect(document.body.textContent).toMatch(/bad, .*, before any drying; 0\.2 mm, 215 °C/)
    press('Add a test piece')
    fireEvent.click(screen.getByRole('radio', { name: 'clean' }))
    expect(screen.getByLabelText<HTMLInputElement>('With which settings').value).toBe('0.2 mm, 215 °C')
    fireEvent.change(screen.getByLabelText('With which settings'), { target: { value: 'x'.repeat(201) } })
    press('Keep it')
    expect(await screen.findByText(/Settings: 200 letters at most/)).toBeTruthy()
    fireEvent.change(screen.getByLabelText('With which settings'), { target: { value: 'as before' } })
    press('Keep it')
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]!.payload).toEqual({
        spoolId: SPOOL,
        looks: 'clean',
        settings: 'as before',
        photos: [],
      }),
    )
    await waitFor(() => expect(document.body.textContent).toMatch(/clean, .*, after it was dried/))
  })
  test('photos of a piece are shown; one that is on another device is said to be', async () => {
    const photos = memoryPhotos()
    const photoId = await photos.put(Uint8Array.from([0xff, 0xd8, 0xff, 1, 2, 3]))
    const photo = (id: string) => ({ photoId: id, widthPx: 640, heightPx: 480 })
    await open(
      'signs',
      [
        {
          kind: 'spool.piece',
          atMs: NOW - 1000,
          payload: {
            spoolId: SPOOL,
            looks: 'slight signs',
            settings: '',
            photos: [photo(photoId), photo('b'.repeat(64))],
          },
        },
      ],
      photos,
    )
    expect(
      (await screen.findByRole('img', { name: /^Test piece 1, slight signs/ })).getAttribute('src'),
    ).toBe('blob:photo')
    expect(await screen.findByText(/This photo is not on this device/)).toBeTruthy()
  })
})

describe('a photo of a piece', () => {
  const takePhoto = async () => {
    globalThis.createImageBitmap = () => Promise.resolve({ width: 4000, height: 3000, close: () => {} })
    HTMLCanvasElement.prototype.getContext = (() => ({
      fillRect: () => {},
      drawImage: () => {},
    })) as unknown as typeof HTMLCanvasElement.prototype.getContext
    HTMLCanvasElement.prototype.toBlob = done =>
      done({
        size: 6,
        arrayBuffer: () => Promise.resolve(Uint8Array.from([0xff, 0xd8, 0xff, 1, 2, 3]).buffer),
      } as unknown as Blob)
    press('Add a test piece')
    const bytes = Uint8Array.from([0xff, 0xd8, 0xff, 0xe1, 1, 2, 3, 4, 5, 6, 7, 8])
    const file = Object.assign(new File([bytes], 'piece.jpg'), {
      slice: () => ({ arrayBuffer: () => Promise.resolve(bytes.buffer) }),
    })
    const input = document.querySelector<HTMLInputElement>('input[type="file"]')!
    fireEvent.change(input, { target: { files: [file] } })
    await screen.findByRole('img', { name: 'Photo 1, not kept yet' })
  }
  test('a full browser refuses it: said, and nothing is lost; then it is kept', async () => {
    const photos = memoryPhotos()
    let isFull = true
    const store = await open('signs', [], {
      ...photos,
      put: bytes =>
        isFull
          ? Promise.reject(new DOMException('The quota has been exceeded.', 'QuotaExceededError'))
          : photos.put(bytes),
    })
    await takePhoto()
    const before = store.acts.length
    press('Keep it')
    expect(await screen.findByText(/its storage is full.*Nothing is lost.*press Keep it again/)).toBeTruthy()
    expect(store.acts).toHaveLength(before)
    expect(screen.getByRole('img', { name: 'Photo 1, not kept yet' })).toBeTruthy()
    isFull = false
    press('Keep it')
    await waitFor(() => expect(store.acts).toHaveLength(before + 1))
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({
      photos: [{ widthPx: 1280, heightPx: 960, photoId: (await photos.ids())[0] }],
    })
  })
})

describe('warmed in a closed chamber', () => {
  const type = (label: RegExp, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
  const EMPTY = '14 52\n22 33\n30 22\n38 15\n46 11\n55 8'
  const WITH = '14 52\n22 33\n30 22.5\n38 16\n46 14\n55 13.5'

  test('the empty chamber first, then the spool: water, from which heat, how much at least; it is kept', async () => {
    const store = await open('warm')
    type(/^Its inside/, '9')
    type(/^With the spool/, WITH)
    expect(answer()).toBe('Now warm the same chamber empty.')
    type(/^Empty/, EMPTY)
    expect(answer()).toMatch(/^There is water in it: it began to leave at 46.°C\.$/)
    expect(document.body.textContent).toMatch(/At least 3\d.mg came out; how much is left it does not tell/)
    expect(await everyFigureAgrees()).toBe(2)
    press('Keep it')
    await waitFor(() => expect(store.acts.at(-1)!.entries).toHaveLength(2))
    expect(store.acts.at(-1)!.entries.map(one => (one.payload as { spoolId: unknown }).spoolId)).toEqual([
      null,
      SPOOL,
    ])
    expect(fold(store.acts).warmings).toHaveLength(2)
    // from what was kept, nothing typed
    await waitFor(() => expect(document.body.textContent).toMatch(/6 readings kept .*6 readings kept/))
    expect(answer()).toMatch(/^There is water in it/)
  })
  test('what does not read names its line; no chamber, no answer', async () => {
    await open('warm')
    type(/^Empty/, EMPTY)
    type(/^With the spool/, `${WITH}\nhot`)
    expect(screen.getByText(/Line 7/)).toBeTruthy()
    type(/^With the spool/, EMPTY)
    expect(answer()).toBe('Is there water in it? Warm it, and read on the way.')
    type(/^Its inside/, '0')
    expect(screen.getByText(/Its inside, 1.L to 1,000.L: width by depth by height/)).toBeTruthy()
    type(/^Its inside/, '9')
    expect(answer()).toBe('Nothing came out that a display could tell.')
    expect(document.body.textContent).toMatch(/Filament and spool soften before they look it/)
  })
})
