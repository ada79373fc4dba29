import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { fold } from '#journal/fold.ts'
import { memoryStore, renderPlace } from '#testing/place-harness.tsx'
import FirstUsePlace from './first-use-place.tsx'

afterEach(cleanup)
const type = (label: RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const press = (text: RegExp) => fireEvent.click(screen.getByText(text))
const open = async () => {
  const store = memoryStore()
  const { router } = renderPlace(<FirstUsePlace />, { store, path: '/start' })
  await screen.findByText('What does the display show?')
  return { store, router }
}

test('three screens, one act, then the box', async () => {
  const { store, router } = await open()
  type(/Relative humidity/, '22,5')
  press(/Next: which outline/)
  press(/Next: what is inside/)
  fireEvent.click(screen.getByLabelText('PETG: one more'))
  press(/Judge it/)
  await screen.findByText('elsewhere')
  expect(router.state.location.pathname).toMatch(/^\/box\//)
  expect(store.acts).toHaveLength(1)
  const state = fold(store.acts)
  expect([...state.spools.values()].map(spool => spool.material)).toEqual(['PLA', 'PETG'])
  expect([...state.boxes.values()][0]).toMatchObject({ sizeKnown: 'assumed', lidKnown: 'assumed' })
  expect(state.readings[0]).toMatchObject({ relativeHumidityPercent: 22.5, temperatureKnown: 'assumed' })
})

test('going back keeps what was typed', async () => {
  await open()
  type(/Relative humidity/, '31')
  press(/Next: which outline/)
  press(/Back/)
  expect(screen.getByLabelText<HTMLInputElement>(/Relative humidity/).value).toBe('31')
})

test('a display in °F is offered, not assumed', async () => {
  await open()
  type(/Relative humidity/, '31')
  type(/Temperature/, '68')
  press(/Next: which outline/)
  expect(screen.getByText(/That is 68 °C/)).toBeTruthy()
  press(/It shows °F: take 20\.0 °C/)
  press(/Next: which outline/)
  expect(screen.getByText('Which outline is it?')).toBeTruthy()
})

test('a box measured too small for a spool is refused, with the remedy', async () => {
  const { store } = await open()
  type(/Relative humidity/, '31')
  press(/Next: which outline/)
  press(/Not quite: measure mine/)
  type(/Inside width/, '150')
  type(/Inside height/, '150')
  press(/Next: what is inside/)
  expect(screen.getByRole('alert').textContent).toMatch(/does not go in: check the inside measures/)
  expect(store.acts).toEqual([])
})

test('no spool and 0 g of beads are refused, each with its remedy', async () => {
  await open()
  type(/Relative humidity/, '31')
  press(/Next: which outline/)
  press(/Next: what is inside/)
  fireEvent.click(screen.getByLabelText('PLA: one less'))
  type(/Beads in it/, '0')
  press(/Judge it/)
  expect(screen.getByRole('alert').textContent).toMatch(/Pick what is inside/)
  expect(screen.getByText(/Beads weigh from 1 to 5000 g/)).toBeTruthy()
})

test('a refused write keeps all three screens', async () => {
  const { store } = await open()
  store.refuse = true
  type(/Relative humidity/, '31')
  press(/Next: which outline/)
  press(/Next: what is inside/)
  press(/Judge it/)
  expect(await screen.findByText(/Nothing is lost: it stays here/)).toBeTruthy()
})

test('a clock that was never set is said before anything is entered; one that was is not', async () => {
  renderPlace(<FirstUsePlace />, { path: '/start', nowMs: Date.UTC(1970, 0, 1, 12) })
  expect((await screen.findByRole('alert')).textContent).toMatch(/clock says .*1 Jan.*: set it first/)
  cleanup()
  renderPlace(<FirstUsePlace />, { path: '/start' })
  await screen.findByText('What does the display show?')
  expect(screen.queryByRole('alert')).toBeNull()
})
