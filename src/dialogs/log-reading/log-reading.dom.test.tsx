import { afterEach, expect, jest, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import { fold } from '#journal/fold.ts'
import { boxView } from '#journal/box-view.ts'
import LogReading from './log-reading.tsx'

afterEach(cleanup)
const type = (label: RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const keep = () => fireEvent.click(screen.getByText('Keep it'))
const open = async (place = 'box:cox', scale: 'C' | 'F' = 'C') => {
  const store = memoryStore(boathouseLoft(NOW, 'UTC'))
  const before = store.acts.length
  const close = jest.fn()
  renderPlace(<LogReading close={close} place={place} />, { store, scale })
  await screen.findByLabelText(/Relative humidity/)
  return { store, close, added: () => store.acts.slice(before) }
}

test('one number is enough; the temperature is assumed from last time and marked so', async () => {
  const { added } = await open()
  type(/Relative humidity/, '18')
  keep()
  await screen.findByText('Kept')
  expect(added()).toHaveLength(1)
  expect(added()[0]!.entries[0]).toMatchObject({
    kind: 'reading.taken',
    payload: { relativeHumidityPercent: 18, temperatureKnown: 'assumed' },
  })
  expect(screen.getByRole('status').textContent).toContain('holds')
})

test('what is wrong is said beside its field, and nothing is written', async () => {
  const { added } = await open()
  type(/Relative humidity/, 'damp')
  type(/Temperature/, 'warm')
  keep()
  expect(await screen.findByText(/Relative humidity is a number from 0 to 100/)).toBeTruthy()
  expect(screen.getByText(/Temperature is a number from -30 to 60/)).toBeTruthy()
  expect(added()).toEqual([])
  // what was typed is still there
  expect(screen.getByLabelText<HTMLInputElement>(/Relative humidity/).value).toBe('damp')
})

test('a display that shows nothing is kept as that; the box asks for it until it is read', async () => {
  const { store, added } = await open()
  fireEvent.click(screen.getByText('No reading to give'))
  fireEvent.click(screen.getByText('It shows nothing'))
  expect((await screen.findByRole('status')).textContent).toContain('That it could not be read is kept.')
  expect(added()[0]).toMatchObject({
    what: 'Cox: its display shows nothing',
    entries: [{ kind: 'box.unread', payload: { boxId: 'cox', why: 'shows nothing' } }],
  })
  expect(boxView(fold(store.acts), 'cox', NOW + 1)!.unread).toMatchObject({ why: 'shows nothing' })
  fireEvent.click(screen.getByText('Undo'))
  await waitFor(() => expect(boxView(fold(store.acts), 'cox', NOW + 1)!.unread).toBeNull())
})

test('a slip of scale is asked about; the answer is what is kept', async () => {
  const { added } = await open()
  type(/Relative humidity/, '18')
  type(/Temperature/, '45')
  keep()
  fireEvent.click(await screen.findByText(/45\.0 °F, that is 7\.2 °C/))
  await screen.findByText('Kept')
  expect(added()[0]!.entries[0]).toMatchObject({ payload: { temperatureC: 7.22 } })
})

test('really meant: kept as typed', async () => {
  const { added } = await open()
  type(/Relative humidity/, '18')
  type(/Temperature/, '45')
  keep()
  fireEvent.click(await screen.findByText(/Really 45\.0 °C/))
  await screen.findByText('Kept')
  expect(added()[0]!.entries[0]).toMatchObject({ payload: { temperatureC: 45 } })
})

test('°F by preference is asked for and kept as °C', async () => {
  const { added } = await open('box:cox', 'F')
  type(/Relative humidity/, '18')
  type(/Temperature, °F/, '46.4')
  keep()
  await screen.findByText('Kept')
  expect(added()[0]!.entries[0]).toMatchObject({ payload: { temperatureC: 8 } })
})

test('a refused write says what to do, and the entry stays on screen', async () => {
  const { store, added } = await open()
  store.refuse = true
  type(/Relative humidity/, '18')
  keep()
  expect((await screen.findByRole('alert')).textContent).toMatch(/Nothing is lost.*press Keep it again/)
  store.refuse = false
  keep()
  await screen.findByText('Kept')
  expect(added()).toHaveLength(1)
})

test('undo takes the act back and closes', async () => {
  const { added, close } = await open()
  type(/Relative humidity/, '18')
  keep()
  fireEvent.click(await screen.findByText('Undo'))
  await waitFor(() => expect(close).toHaveBeenCalled())
  expect(added()[1]).toMatchObject({ withdraws: added()[0]!.id, entries: [] })
})

test('the room is read with the same form, without a lid', async () => {
  const { added } = await open('room:loft')
  expect(screen.queryByText(/lid was off/)).toBeNull()
  type(/Relative humidity/, '71')
  keep()
  await screen.findByText('Kept')
  expect(added()[0]!.entries[0]).toMatchObject({ payload: { place: { in: 'room', roomId: 'loft' } } })
})
