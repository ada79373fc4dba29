import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, type Act } from '#records/act.ts'
import { fold } from '#journal/fold.ts'
import { inForce } from '#journal/in-force.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import EntriesPlace from './entries-place.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const open = (at = '/entries', list: Act[] = acts) => {
  const store = memoryStore([...list])
  renderPlace(<EntriesPlace />, { store, path: '/entries', at })
  return store
}
const row = async (id: string) => {
  await screen.findAllByText('Put right')
  return within(document.querySelector<HTMLElement>(`[data-entry="${id}"]`)!)
}
const readings = inForce(acts).filter(item => item.entry.kind === 'reading.taken')
const old = readings.at(0)!
const settled = (store: { acts: Act[] }, count: number) =>
  waitFor(() => expect(store.acts).toHaveLength(count))

describe('putting right', () => {
  test('the oldest reading of all, its history, and its undo by taking the correction back', async () => {
    const store = open('/entries?kind=reading.taken')
    const before = fold(acts).readings.length
    await screen.findAllByText('Put right')
    while (screen.queryByText('Show earlier')) fireEvent.click(screen.getByText('Show earlier'))
    fireEvent.click((await row(old.entry.id)).getByText('Put right'))
    const field = await screen.findByLabelText('Relative humidity, %')
    fireEvent.click(screen.getByText('Keep it'))
    expect((await screen.findByRole('alert')).textContent).toMatch(/Nothing is changed yet/)
    fireEvent.change(field, { target: { value: '140' } })
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/the most is 100/)).toBeTruthy()
    fireEvent.change(field, { target: { value: '71' } })
    fireEvent.click(screen.getByText('Keep it'))
    await settled(store, acts.length + 1)
    const state = fold(store.acts)
    expect(state.readings).toHaveLength(before)
    const corrected = store.acts.at(-1)!.entries[0]!
    expect(state.readings.find(item => item.id === corrected.id)).toMatchObject({
      relativeHumidityPercent: 71,
      atMs: old.atMs,
    })
    await waitFor(() => expect(document.querySelector(`[data-entry="${corrected.id}"]`)).not.toBeNull())
    fireEvent.click((await row(corrected.id)).getByText('Put right'))
    expect(await screen.findByText('What it said before')).toBeTruthy()
    expect(screen.getByText(/first written/)).toBeTruthy()
  })
  test('taken back, and brought again', async () => {
    const store = open('/entries?kind=reading.taken')
    const last = readings.at(-1)!
    fireEvent.click((await row(last.entry.id)).getByText('Take back'))
    await settled(store, acts.length + 1)
    expect(fold(store.acts).readings).toHaveLength(readings.length - 1)
    fireEvent.click(await screen.findByText('Taken back: 1'))
    fireEvent.click(screen.getByText('Bring it again'))
    await settled(store, acts.length + 2)
    expect(fold(store.acts).readings).toHaveLength(readings.length)
  })
  test('a box told smaller is told; a spool’s box by its place', async () => {
    const store = open('/entries?box=thole')
    const made = inForce(acts).find(
      item => item.entry.kind === 'box.made' && item.entry.payload.boxId === 'thole',
    )!
    fireEvent.click((await row(made.entry.id)).getByText('Put right'))
    fireEvent.change(await screen.findByLabelText('Inside width, mm'), { target: { value: '301' } })
    fireEvent.click(screen.getByText('Keep it'))
    await settled(store, acts.length + 1)
    expect(fold(store.acts).boxes.get('thole')).toMatchObject({ widthMm: 301, sizeKnown: 'told' })
  })
  const kinds = [...new Set(inForce(acts).map(item => item.entry.kind))]
  test.each(kinds)('an entry of the kind %s can be opened', async kind => {
    open(`/entries?kind=${kind}`)
    await screen.findAllByText('Put right')
    fireEvent.click(screen.getAllByText('Put right')[0]!)
    expect(await screen.findByText('Keep it')).toBeTruthy()
  })
})

describe('two things that can’t both be true', () => {
  const made = inForce(acts).find(
    item => item.entry.kind === 'box.made' && item.entry.payload.boxId === 'cox',
  )!
  const late = makeAct(testMaker, 'box date put right, wrongly', [
    {
      kind: 'box.made',
      payload: made.entry.payload,
      atMs: NOW - 40 * 86_400_000,
      corrects: made.entry.id,
    } as never,
  ])
  test('both stand side by side, and either repair settles it', async () => {
    const broken = [...acts, late]
    const count = fold(broken).contradictions.length
    expect(count).toBeGreaterThan(3)
    const store = open('/entries', broken)
    const pair = within(
      (await screen.findAllByRole('listitem')).find(item => item.dataset['part'] === 'contradiction')!,
    )
    expect(pair.getByText(/dated before its box was there/)).toBeTruthy()
    expect(pair.getByText(/set up, 104/)).toBeTruthy()
    fireEvent.click(pair.getByText('This did not happen'))
    await settled(store, broken.length + 1)
    expect(fold(store.acts).contradictions).toHaveLength(count - 1)
    fireEvent.click(screen.getAllByText('The box was there before')[0]!)
    await settled(store, broken.length + 2)
    expect(fold(store.acts).contradictions.length).toBeLessThan(count - 1)
  })
  test('a spool used up and moved again; beads retired and heated; beads lighter than dry', () => {
    const more = (...drafts: Parameters<typeof makeAct>[2]) =>
      fold([...acts, makeAct(testMaker, 'x', drafts)]).contradictions
    const spoolId = 'cox-spool-1'
    const used = more(
      { kind: 'spool.moved', atMs: NOW - 9000, payload: { spoolId, where: { at: 'used up' } } },
      { kind: 'spool.moved', atMs: NOW - 8000, payload: { spoolId, where: { at: 'open' } } },
    )
    expect(used).toMatchObject([
      { reason: 'This spool was used up before.', repairs: [{ do: 'withdraw' }, { do: 'withdraw' }] },
    ])
    expect(used[0]!.otherId).not.toBeNull()
    const retired = more(
      { kind: 'charge.retired', atMs: NOW - 9000, payload: { chargeId: 'cox-beads' } },
      {
        kind: 'charge.heated',
        atMs: NOW - 8000,
        payload: { chargeId: 'cox-beads', temperatureC: 100, hours: 1, oven: 'electric', roomId: null },
      },
    )
    expect(retired).toMatchObject([{ reason: 'These beads were retired before.' }])
    const light = more({
      kind: 'charge.weighed',
      atMs: NOW,
      payload: { chargeId: 'cox-beads', grossG: 9, tareG: 0, scaleErrorG: 1 },
    })
    expect(light).toMatchObject([{ repairs: [{ do: 'edit' }, { do: 'edit' }] }])
  })
})
