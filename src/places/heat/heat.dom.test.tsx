import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import HeatPlace from './heat-place.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const open = (list = acts, scale: 'C' | 'F' = 'C') => {
  const store = memoryStore([...list])
  renderPlace(<HeatPlace />, { store, path: '/kit/heat', at: '/kit/heat', scale })
  return store
}
const heading = async () => (await screen.findByRole('heading', { level: 1 })).textContent
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
const rowOf = (id: string) => document.querySelector(`tr[data-source="${id}"]`)!.textContent

describe('how hot the ovens are', () => {
  test('dial, maker and thermometer stand beside each other; what is not told is in pencil', async () => {
    open()
    expect(await heading()).toBe('Bay oven runs up to 8\u2006K cooler than its dial says')
    expect(rowOf('bay-oven')).toMatch(/60–230.°C.*at 85: 80.°C ±.6.*at 115: 107.°C ±.8.*2 × 1,080/)
    expect(rowOf('drum-dryer')).toMatch(/its maker says 65.°C.*≈.48.W/)
    expect(rowOf('club-microwave')).toMatch(/by power.*no thermometer stands it/)
  })
  test('a measurement is kept, and the last one of a setting counts', async () => {
    const store = open()
    await heading()
    type('Set to, °C', '115')
    type('Measured, °C', '111')
    type('Swings by, ±', '9')
    keep()
    await waitFor(() => expect(store.acts).toHaveLength(acts.length + 1))
    const { measured } = fold(store.acts).heatSources.get('bay-oven')!
    expect(measured.filter(one => one.dialC === 115)).toMatchObject([{ measuredC: 111, swingC: 9 }])
    await waitFor(() => expect(rowOf('bay-oven')).toMatch(/at 115: 111/))
  })
  test('degrees of the other scale on the dial are asked about once', async () => {
    const store = open()
    await heading()
    type('Set to, °C', '230')
    type('Measured, °C', '106')
    type('Swings by, ±', '9')
    keep()
    expect((await screen.findByRole('status')).textContent).toMatch(/Is the dial in °F\?/)
    expect(store.acts).toHaveLength(acts.length)
    fireEvent.click(screen.getByRole('button', { name: /230 °F, that is 110/ }))
    keep()
    await waitFor(() => expect(store.acts).toHaveLength(acts.length + 1))
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({ dialC: 110, measuredC: 106 })
  })
  test.each([
    ['Set to, °C', '300', /Bay oven can be set from 60.*to 230/],
    ['Set to, °C', 'hot', /Set to is a number from 30 to 350 °C/],
    ['Measured, °C', '', /Measured is a number from 30 to 350 °C: lay a thermometer/],
    ['Swings by, ±', '-3', /Swing is a number from 0 to 80/],
  ])('%s %s is refused with what to do, and nothing is lost', async (label, text, message) => {
    const store = open()
    await heading()
    type('Set to, °C', '100')
    type('Measured, °C', '95')
    type('Swings by, ±', '5')
    type(label, text)
    keep()
    expect(await screen.findByText(message)).toBeTruthy()
    expect(store.acts).toHaveLength(acts.length)
    expect(screen.getByLabelText<HTMLInputElement>(label).value).toBe(text)
  })
  test('in °F: what is typed is kept in °C, a swing of 9 °F is 5 K', async () => {
    const store = open(acts, 'F')
    await heading()
    type('Set to, °F', '230')
    type('Measured, °F', '221')
    type('Swings by, ±', '9')
    keep()
    await waitFor(() => expect(store.acts).toHaveLength(acts.length + 1))
    const kept = store.acts.at(-1)!.entries[0]!.payload as {
      dialC: number
      measuredC: number
      swingC: number
    }
    expect(kept.dialC).toBeCloseTo(110, 6)
    expect(kept.measuredC).toBeCloseTo(105, 6)
    expect(kept.swingC).toBeCloseTo(5, 6)
  })
  test('nothing yet: it says how to say it', async () => {
    open([])
    expect(await heading()).toBe('Nothing to heat beads in is here')
  })
})
