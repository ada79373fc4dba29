import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct } from '#records/act.ts'
import { fold } from '#journal/fold.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import BoxPlace from '#places/box/box-place.tsx'
import { journalViewOf } from './journal-view.ts'
import { useWriteAct } from './writing.ts'
import { Refused } from '#ui/refused.tsx'
import { knownBox } from './known-box.ts'
import { UndoButtons } from '#ui/undo-button.tsx'
import { UndoRefused } from '#ui/undo-refused.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')

describe('undo and redo', () => {
  const open = async () => {
    const store = memoryStore([...acts])
    renderPlace(
      <>
        <UndoButtons />
        <BoxPlace />
      </>,
      { store, path: '/box/:boxId', at: '/box/cox' },
    )
    fireEvent.click(await screen.findByTitle('Name it'))
    return store
  }
  const nameIn = (list: typeof acts) => fold(list).boxes.get('cox')!.name

  test('a box is named; undo takes it back, redo brings it again', async () => {
    const store = await open()
    expect(screen.queryByText(/^Undo/)).toBeNull()
    fireEvent.change(await screen.findByLabelText('Name'), { target: { value: '  Coxswain ' } })
    fireEvent.click(screen.getByText('Keep it'))
    fireEvent.click(await screen.findByText(/^Undo/))
    await screen.findByText(/^Redo/)
    expect(nameIn(store.acts)).toBe('Cox')
    fireEvent.click(screen.getByText(/^Redo/))
    await screen.findByText(/^Undo/)
    expect(nameIn(store.acts)).toBe('Coxswain')
    // nothing was rewritten: the act, its withdrawal, and the withdrawal of that
    expect(store.acts.slice(acts.length).map(act => act.withdraws !== undefined)).toEqual([false, true, true])
  })

  test('an empty name is refused with the remedy; a refused write keeps what was typed', async () => {
    const store = await open()
    const field = await screen.findByLabelText<HTMLInputElement>('Name')
    fireEvent.change(field, { target: { value: '   ' } })
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/A name has from 1 to 60 letters/)).toBeTruthy()
    store.refuse = true
    fireEvent.change(field, { target: { value: 'Bow' } })
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(screen.getByText(/refused to keep it/)).toBeTruthy())
    expect(field.value).toBe('Bow')
    expect(store.acts).toHaveLength(acts.length)
  })
})

describe('two tabs that have not heard of each other', () => {
  const reading = makeAct(testMaker, 'A reading of Launch', [
    {
      kind: 'reading.taken',
      payload: {
        place: { in: 'box', boxId: 'launch' },
        instrumentId: 'round-display',
        relativeHumidityPercent: 21,
        temperatureC: 8,
        temperatureKnown: 'measured',
      },
    },
  ])
  // one after the other, as a browser's own are
  beforeAll(() => {
    let last: Promise<unknown> = Promise.resolve()
    const request = (_: string, work: () => Promise<unknown>) => (last = last.then(work, work))
    Object.defineProperty(navigator, 'locks', { configurable: true, value: { request } })
  })
  afterAll(() => void Reflect.deleteProperty(navigator, 'locks'))
  const two = (inside: React.ReactNode) => {
    const store = memoryStore([...acts, reading])
    const one = renderPlace(inside, { store, path: '/' })
    const other = renderPlace(inside, { store, path: '/' })
    return {
      store,
      first: within(one.container),
      second: within(other.container),
    }
  }

  test('both undo: it is taken back once, the later one is told, and redo brings it again', async () => {
    const { store, first, second } = two(
      <>
        <UndoButtons />
        <UndoRefused />
      </>,
    )
    const [a, b] = [await first.findByText(/^Undo/), await second.findByText(/^Undo/)]
    fireEvent.click(a)
    fireEvent.click(b)
    expect((await second.findByRole('alert')).textContent).toMatch(
      /^It stands as it was: another tab took it back already\./,
    )
    fireEvent.click(second.getByText('Seen'))
    expect(second.queryByRole('alert')).toBeNull()
    expect(store.acts.filter(act => act.withdraws === reading.id)).toHaveLength(1)
    // the tab that was late knows it now, and can bring it again
    fireEvent.click(await second.findByText(/^Redo/))
    await waitFor(() =>
      expect(fold(store.acts).readings.length).toBe(fold([...acts, reading]).readings.length),
    )
  })

  test('what is put right after another tab took it back is refused, and says so', async () => {
    function PutRight() {
      const write = useWriteAct()
      const [entry] = reading.entries
      return (
        <>
          <UndoButtons />
          <button
            type="button"
            onClick={() =>
              write.mutate({
                what: 'put right',
                drafts: [
                  { kind: 'box.opened', payload: { boxId: 'cox', openSeconds: 30 }, corrects: entry!.id },
                ],
              })
            }
          >
            put right
          </button>
          {write.error && <Refused error={write.error} remedy="press again" />}
        </>
      )
    }
    const { store, first, second } = two(<PutRight />)
    await first.findByText(/^Undo/)
    const taken = makeAct(testMaker, 'Took back: the entry', [], reading.entries[0]!.id)
    store.acts.push(taken)
    fireEvent.click(await second.findByText('put right'))
    expect((await second.findByRole('alert')).textContent).toMatch(
      /^It is not kept: what it puts right was taken back in another tab/,
    )
    expect(store.acts.at(-1)).toBe(taken)
  })
})

test('what would not read back after a reload is not written, and says which field', async () => {
  function Slip() {
    const write = useWriteAct()
    return (
      <>
        <button
          type="button"
          onClick={() =>
            write.mutate({
              what: 'a slip',
              drafts: [{ kind: 'box.unread', payload: { boxId: '..', why: 'shows nothing' } }],
            })
          }
        >
          write
        </button>
        {write.error && <Refused error={write.error} remedy="write it again" />}
      </>
    )
  }
  const store = memoryStore([...acts])
  renderPlace(<Slip />, { store, path: '/' })
  fireEvent.click(await screen.findByText('write'))
  expect(await screen.findByText(/it would not read back/)).toBeTruthy()
  expect(store.acts).toHaveLength(acts.length)
})

describe('what a reckoning stands on', () => {
  const journal = (list: typeof acts, nowMs: number) => journalViewOf(list, [], nowMs)
  const facts = (boxId: string, list = acts, nowMs = NOW + 300_000) =>
    JSON.stringify(knownBox(journal(list, nowMs), boxId)!.facts)
  const reading = (boxId: string, atMs: number) =>
    makeAct({ ...testMaker, nowMs: () => atMs }, 'read', [
      {
        kind: 'reading.taken',
        atMs,
        payload: {
          place: { in: 'box', boxId },
          instrumentId: 'round-display',
          relativeHumidityPercent: 21,
          temperatureC: 8,
          temperatureKnown: 'measured',
        },
      },
    ])

  test('stays the same within the hour, and when another box is read', () => {
    expect(facts('rigger', acts, NOW + 1_800_000)).toBe(facts('rigger'))
    const more = [...acts, reading('cox', NOW + 240_000)]
    expect(facts('rigger', more)).toBe(facts('rigger'))
    expect(facts('cox', more)).not.toBe(facts('cox'))
  })
  test('never lies ahead of now, and takes in what has just been read', () => {
    const known = knownBox(journal([...acts, reading('cox', NOW + 240_000)], NOW + 300_000), 'cox')!
    expect(known.facts!.nowS).toBe((NOW + 240_000) / 1000)
    expect(known.facts!.readings.at(-1)!.atS).toBe(known.facts!.nowS)
  })
  test('an unknown box is none', () => expect(knownBox(journal(acts, NOW), 'nowhere')).toBeNull())
})
