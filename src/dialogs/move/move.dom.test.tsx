import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct } from '#records/act.ts'
import { fold } from '#journal/fold.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import MoveDialog from './move-dialog.tsx'

afterEach(cleanup)
const acts = [
  ...boathouseLoft(NOW, 'UTC'),
  makeAct(testMaker, 'a ready tin', [
    {
      kind: 'charge.made',
      atMs: NOW - 86_400_000,
      payload: {
        chargeId: 'ready',
        name: 'Ready tin',
        desiccant: 'silica-a',
        dryMassG: 120,
        massKnown: 'measured',
        holder: 'canister',
        freshness: 'heated',
        freshnessKnown: 'told',
        indicator: 'orange',
        boxId: null,
      },
    },
  ]),
]
const open = (props: Partial<Parameters<typeof MoveDialog>[0]> = {}, ounces = false) => {
  const store = memoryStore([...acts])
  renderPlace(<MoveDialog close={() => {}} {...props} />, {
    store,
    preferences: ounces ? { weightUnit: 'oz' } : {},
  })
  return store
}
const keep = () => fireEvent.click(screen.getByText('Keep it'))
const pick = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const written = async (store: { acts: typeof acts }) => {
  await waitFor(() => expect(store.acts).toHaveLength(acts.length + 1))
  return store.acts.at(-1)!
}

describe('moving', () => {
  test('a spool goes where its key says, and is in one place', async () => {
    const store = open({ boxId: 'cox' })
    const launch = await screen.findByRole('radio', { name: /^Launch/ })
    // Cox, Stroke, Launch: a box keeps its key, though Cox is no place to go from Cox
    expect(screen.queryByRole('radio', { name: /^Cox/ })).toBeNull()
    fireEvent.keyDown(launch, { key: '3' })
    keep()
    const act = await written(store)
    expect(act.what).toBe('PLA ochre: to Launch')
    expect(act.entries.map(entry => entry.kind)).toEqual(['spool.moved'])
    const spool = fold(store.acts).spools.get('cox-spool-1')!
    expect(spool.where).toEqual({ at: 'box', boxId: 'launch' })
    expect(spool.stays.filter(stay => stay.untilMs === null)).toHaveLength(1)
  })
  test('to a bag; nothing picked is said', async () => {
    const store = open({ thingId: 'cox-spool-1' })
    await screen.findByRole('radio', { name: /^Launch/ })
    keep()
    expect((await screen.findByRole('alert')).textContent).toMatch(/Pick where it goes/)
    fireEvent.click(screen.getByRole('radio', { name: /a bag/ }))
    keep()
    await written(store)
    expect(fold(store.acts).spools.get('cox-spool-1')!.where).toEqual({ at: 'bag' })
  })
  test('a swap is one act: out, in, and what the scale said of both', async () => {
    const store = open({ thingId: 'cox-beads' })
    fireEvent.click(await screen.findByRole('radio', { name: /put away/ }))
    pick(/In its place/, 'ready')
    const dry = fold(acts).charges.get('cox-beads')!.dryMassG
    pick('Beads in Cox on the scale, g', String(dry + 11 + 30))
    fireEvent.change(screen.getAllByLabelText('Empty holder, g')[0]!, { target: { value: '30' } })
    pick('Ready tin on the scale, g', '121')
    keep()
    const act = await written(store)
    expect(act.entries.map(entry => entry.kind)).toEqual([
      'charge.weighed',
      'charge.replaced',
      'charge.weighed',
    ])
    const state = fold(store.acts)
    expect(state.contradictions).toEqual([])
    expect(state.charges.get('ready')!.boxId).toBe('cox')
    expect(state.charges.get('cox-beads')!.boxId).toBeNull()
  })
  test('a spool swapped and weighed tells the filament that is left, ounces taken as ounces', async () => {
    const store = open({ thingId: 'cox-spool-1' }, true)
    fireEvent.click(await screen.findByRole('radio', { name: /the printer/ }))
    pick(/In its place/, 'oarlock-spool-1')
    pick('PLA ochre on the scale, oz', '30')
    keep()
    await written(store)
    const state = fold(store.acts)
    expect(state.spools.get('cox-spool-1')!.filamentG).toBeCloseTo(30 * 28.3495 - 215, 1)
    expect(state.spools.get('oarlock-spool-1')!.where).toEqual({ at: 'box', boxId: 'cox' })
  })
  test.each([
    ['g', /weighs from 1 to 10000 g/, 'heavy', ''],
    ['g', /less than the .* of dry beads/, '12', ''],
    ['g', /more water than beads can hold/, '900', ''],
    ['g', /What .* is in weighs from 0/, '200', '-4'],
  ])('a weight in %s is refused with what to do: %s', async (_, message, gross, tare) => {
    const store = open({ thingId: 'cox-beads' })
    fireEvent.click(await screen.findByRole('radio', { name: /put away/ }))
    pick('Beads in Cox on the scale, g', gross)
    pick('Empty holder, g', tare)
    keep()
    expect((await screen.findByRole('alert')).textContent).toMatch(message)
    expect(store.acts).toHaveLength(acts.length)
  })
  test('more spools than stand side by side are told before they are kept', async () => {
    const store = open({ thingId: 'cox-spool-1' })
    fireEvent.click(await screen.findByRole('radio', { name: /the printer/ }))
    expect(screen.queryByText(/side by side/)).toBeNull()
    fireEvent.click(screen.getByRole('radio', { name: /^Oarlock/ }))
    expect((await screen.findByText(/side by side/)).textContent).toMatch(
      /^Oarlock takes about .* such spools? side by side; with this it holds \d+\. Whether they go in/,
    )
    keep()
    await written(store)
    expect(fold(store.acts).spools.get('cox-spool-1')!.where).toEqual({ at: 'box', boxId: 'oarlock' })
  })
  test('nothing to move is said', async () => {
    open({ boxId: 'nowhere' })
    expect(await screen.findByText(/nothing to move here/)).toBeTruthy()
  })
})
