import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { Estimator } from '#workers/protocol.ts'
import { idleEstimator, memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import RoundPlace from './round-place.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const open = (scale: 'C' | 'F' = 'C') => {
  const store = memoryStore([...acts])
  const view = renderPlace(<RoundPlace />, { store, path: '/round', at: `/round?from=${NOW}`, scale })
  return { store, ...view }
}
const rh = () => screen.findByLabelText<HTMLInputElement>('Relative humidity, %')
const temperature = () => screen.getByLabelText<HTMLInputElement>(/^Temperature/)
const typeIn = (field: HTMLElement, value: string) => fireEvent.change(field, { target: { value } })
const enter = (field: HTMLElement) => fireEvent.keyDown(field, { key: 'Enter' })
const heading = (name: string) => screen.findByRole('heading', { level: 1, name })
const entries = (store: { acts: typeof acts }) => store.acts.slice(acts.length).map(act => act.entries)

describe('walking the shelf', () => {
  test('the room first, then box after box; one act a stop', async () => {
    const { store } = open()
    await heading('Loft, boathouse')
    const field = await rh()
    typeIn(field, '78')
    enter(field)
    expect(document.activeElement).toBe(temperature())
    typeIn(temperature(), '8,5')
    enter(temperature())
    await heading('Cox')
    expect(temperature().value).toBe('8.5')
    typeIn(await rh(), '15')
    expect(await screen.findByText('Holds.')).toBeTruthy()
    enter(await rh())
    enter(temperature())
    await heading('Stroke')
    expect(entries(store).map(list => list.map(entry => entry.kind))).toEqual([
      ['reading.taken'],
      ['reading.taken'],
    ])
    // left as it stood, the temperature is a guess and says so
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({
      relativeHumidityPercent: 15,
      temperatureC: 8.5,
      temperatureKnown: 'assumed',
    })
  })
  test('lid, colour, back: a stop taken again replaces the first taking whole', async () => {
    const { store } = open()
    fireEvent.click(await screen.findByText('Skip the room'))
    await heading('Cox')
    typeIn(await rh(), '15')
    fireEvent.keyDown(await rh(), { key: 'o' })
    fireEvent.keyDown(await rh(), { key: 'b' })
    fireEvent.click(screen.getByText('Next: Stroke'))
    await heading('Stroke')
    expect(entries(store)[0]!.map(entry => entry.kind)).toEqual([
      'box.opened',
      'charge.looked',
      'reading.taken',
    ])
    fireEvent.click(screen.getByText('Back'))
    await heading('Cox')
    expect((await rh()).value).toBe('15')
    expect(screen.getByRole('radio', { name: 'opened' }).getAttribute('aria-checked')).toBe('true')
    expect(screen.getByRole('radio', { name: 'orange' }).getAttribute('aria-checked')).toBe('true')
    fireEvent.click(screen.getByRole('radio', { name: 'stayed shut' }))
    typeIn(await rh(), '16')
    fireEvent.click(screen.getByText('Next: Stroke'))
    await heading('Stroke')
    const state = fold(store.acts)
    const taken = state.readings.filter(item => item.atMs >= NOW && item.place.in === 'box')
    expect(taken.map(item => item.relativeHumidityPercent)).toEqual([16])
    expect(state.boxes.get('cox')!.openings.filter(item => item.atMs > NOW - 120_000)).toHaveLength(0)
  })
  test('slips are asked about and never blocked; °F is taken as °F', async () => {
    const { store } = open('F')
    await heading('Loft, boathouse')
    typeIn(await rh(), '78')
    typeIn(temperature(), '8')
    fireEvent.click(screen.getByText('Next: Cox'))
    expect((await screen.findByRole('alert')).textContent).toMatch(/Which was meant/)
    expect(store.acts).toHaveLength(acts.length)
    fireEvent.click(screen.getByText(/8 °C, that is/))
    await heading('Cox')
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({ temperatureC: 8 })
    typeIn(await rh(), '61')
    fireEvent.click(screen.getByText('Next: Stroke'))
    await screen.findByRole('alert')
    fireEvent.click(screen.getByText('Keep it as typed'))
    await heading('Stroke')
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({ relativeHumidityPercent: 61 })
  })
  test('nonsense names the field and the remedy; a full browser keeps what was typed on screen', async () => {
    const { store } = open()
    fireEvent.click(await screen.findByText('Skip the room'))
    await heading('Cox')
    fireEvent.click(screen.getByText('Next: Stroke'))
    expect((await screen.findByRole('alert')).textContent).toMatch(
      /Relative humidity is a number from 0 to 100/,
    )
    typeIn(await rh(), '14')
    typeIn(temperature(), 'warm')
    fireEvent.click(screen.getByText('Next: Stroke'))
    expect((await screen.findByRole('alert')).textContent).toMatch(/Temperature is a number from -30 to 60/)
    typeIn(temperature(), '7')
    store.refuse = true
    fireEvent.click(screen.getByText('Next: Stroke'))
    await waitFor(() => expect(screen.getByText(/refused to keep it/)).toBeTruthy())
    expect((await rh()).value).toBe('14')
    store.refuse = false
    fireEvent.click(screen.getByText('Next: Stroke'))
    await heading('Stroke')
  })
  test('a display that is not there is said in two presses, and the round goes on', async () => {
    const { store } = open()
    fireEvent.click(await screen.findByText('Skip the room'))
    await heading('Cox')
    fireEvent.click(screen.getByText('No reading to give'))
    fireEvent.click(screen.getByText('It is not there'))
    await heading('Stroke')
    expect(entries(store)[0]).toMatchObject([
      { kind: 'box.unread', payload: { boxId: 'cox', why: 'is not there' } },
    ])
  })
  test('at the display’s floor the value is "at or below"', async () => {
    open()
    fireEvent.click(await screen.findByText('Skip the room'))
    await heading('Cox')
    typeIn(await rh(), '10')
    expect(await screen.findByText(/At or below 10/)).toBeTruthy()
  })
  test('goes on where it was after a reload, and ends with what it found', async () => {
    const { store, unmount } = open()
    fireEvent.click(await screen.findByText('Skip the room'))
    await heading('Cox')
    typeIn(await rh(), '15')
    fireEvent.click(screen.getByText('Next: Stroke'))
    await heading('Stroke')
    unmount()
    renderPlace(<RoundPlace />, { store, path: '/round', at: `/round?from=${NOW}` })
    await heading('Loft, boathouse')
    fireEvent.click(screen.getByText('Skip the room'))
    await heading('Cox')
    expect((await rh()).value).toBe('15')
    for (let i = 0; i < 9; i++) fireEvent.keyDown(await rh(), { key: 's' })
    expect(await screen.findByText('1 of 9 boxes are read.')).toBeTruthy()
  })
})

describe('which boxes are worth it today', () => {
  /** Every box good for long, so that only what a reading settles is worth one. */
  const goodForLong: Estimator = {
    ...idleEstimator,
    report: ({ nowS }) =>
      Promise.resolve({
        standing: { is: 'shown' },
        atTarget: false,
        wrong: [],
        floor: null,
        expectedRhPercent: [],
        leaves: {
          spread: { low: nowS + 90 * 86_400, middle: nowS + 150 * 86_400, high: nowS + 250 * 86_400 },
          sharesOfDates: [],
          beyondHorizon: { early: false, middle: false, late: false },
        },
      } as unknown as BoxReport),
  }
  test('those read lately and good for long can wait; the others are the round', async () => {
    renderPlace(<RoundPlace />, {
      store: memoryStore([...acts]),
      path: '/round',
      at: `/round?from=${NOW}`,
      estimator: goodForLong,
    })
    const choice = await waitFor(() => {
      const found = document.querySelector('[data-part="round-choice"]')
      expect(found).not.toBeNull()
      return found!
    })
    const [worth, of] = /^(\d+) of (\d+) are worth/.exec(choice.textContent)!.slice(1).map(Number)
    expect(of).toBe(9)
    expect(worth).toBeGreaterThan(0)
    expect(worth).toBeLessThan(9)
    fireEvent.click(screen.getByRole('button', { name: 'Only those' }))
    // the room and those boxes are what is left
    await waitFor(() => expect(screen.getByText(`1 of ${worth! + 1}`)).toBeTruthy())
    expect(document.querySelector('[data-part="round-choice"]')).toBeNull()
  })
})
