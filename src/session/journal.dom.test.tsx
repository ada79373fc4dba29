import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#demo/loft.ts'
import { makeAct } from '#records/act.ts'
import { fold } from '#journal/fold.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import BoxPlace from '#places/box/box-place.tsx'
import { journalViewOf } from './journal-view.ts'
import { knownBox } from './known-box.ts'
import { UndoButtons } from '#ui/undo-button.tsx'

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
