import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import { QuickAdd } from './quick-add.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const open = async () => {
  const store = memoryStore([...acts])
  renderPlace(<QuickAdd />, { store })
  await screen.findByLabelText('What you own, in your own words')
  return store
}
const field = () => screen.getByLabelText<HTMLInputElement>('What you own, in your own words')
const say = (sentence: string) => fireEvent.change(field(), { target: { value: sentence } })
const enter = () => fireEvent.submit(field().form!)
const part = (name: string) => document.querySelector(`[data-part="${name}"]`)
const written = (store: { acts: typeof acts }) => store.acts.slice(acts.length)

describe('the quick field', () => {
  test('says what it understood, what is told and what is assumed; nothing is written before Enter', async () => {
    const store = await open()
    say('PETG teal 1 kg cardboard, into Rigger')
    expect(part('understood')!.textContent).toContain('Understood: PETG, teal, 1,000')
    const known = (name: string) =>
      document.querySelector(`[data-said="${name}"]`)?.getAttribute('data-known')
    expect([known('material'), known('place'), known('wetness')]).toEqual(['told', 'told', 'assumed'])
    expect(written(store)).toEqual([])
  })

  test('an open question is asked; the first Enter keeps nothing, an answer settles it', async () => {
    const store = await open()
    say('nylon black 1 kg')
    expect(part('ask')!.textContent).toMatch(/^Which nylon\?/)
    enter()
    expect(written(store)).toEqual([])
    fireEvent.click(screen.getByText('PA12'))
    expect(part('ask')).toBeNull()
    enter()
    await waitFor(() => expect(written(store)).toHaveLength(1))
    const made = written(store)[0]!.entries[0]!
    expect(made.kind === 'spool.made' && made.payload.material).toBe('PA12')
  })

  test('words nothing was made of are given back, and kept out only by a second Enter', async () => {
    const store = await open()
    say('PLA vermillion')
    expect(part('unread')!.textContent).toContain('“vermillion”')
    enter()
    expect(written(store)).toEqual([])
    enter()
    await waitFor(() => expect(written(store)).toHaveLength(1))
  })

  test('what lies ready is moved, not entered again; or new ones, where that is said', async () => {
    const store = await open()
    say('2 packets 60 g beads into Launch')
    expect(part('owned')!.textContent).toMatch(/^They are the two that lie ready/)
    fireEvent.click(screen.getByText('new ones'))
    expect(part('owned')!.textContent).toMatch(/^New/)
    fireEvent.click(screen.getByText('the two that lie ready'))
    enter()
    await waitFor(() => expect(written(store)).toHaveLength(1))
    expect(written(store)[0]!.entries.map(entry => entry.kind)).toEqual(['charge.moved', 'charge.moved'])
    const { charges, contradictions } = fold(store.acts)
    expect(contradictions).toEqual([])
    expect([...charges.values()].filter(charge => charge.boxId === 'launch')).toHaveLength(3)
  })

  test('more spools than stand in a box are asked about', async () => {
    await open()
    say('3 PLA white into Cox')
    expect(part('crowded')!.textContent).toBe(
      'Cox takes about one such spool side by side; with these it holds 4.',
    )
  })

  test('nonsense gets help and can’t be kept; the sentence stays', async () => {
    const store = await open()
    say('hello there')
    expect(part('understood')!.textContent).toMatch(/Say what it is/)
    enter()
    expect(field().value).toBe('hello there')
    expect(written(store)).toEqual([])
  })

  test('by hand: the same form from usual values', async () => {
    const store = await open()
    fireEvent.click(screen.getByText('a scale'))
    fireEvent.change(screen.getByLabelText('Its step, g'), { target: { value: '0' } })
    expect(screen.getByText(/Its step, g is a number from 0.01 to 50/)).toBeDefined()
    fireEvent.change(screen.getByLabelText('Its step, g'), { target: { value: '0.1' } })
    enter()
    await waitFor(() => expect(written(store)).toHaveLength(1))
    expect([...fold(store.acts).scales.values()].at(-1)).toMatchObject({ stepG: 0.1 })
  })
})
