import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { makeAct } from '#records/act.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import DisplaysPlace from './displays-place.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const open = (list = acts) => {
  const store = memoryStore([...list])
  renderPlace(<DisplaysPlace />, { store, path: '/kit/displays', at: '/kit/displays' })
  return store
}
const heading = async () => (await screen.findByRole('heading', { level: 1 })).textContent
const type = (label: string | RegExp, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
const offOf = (id: string) => document.querySelector(`[data-display="${id}"] [data-part="off"]`)!.textContent

describe('how true the displays are', () => {
  test('who was never checked is the answer; how far the others are off stands beside each', async () => {
    open()
    expect(await heading()).toBe('Two of four displays were never checked')
    expect(offOf('display-skeg')).toMatch(/^shows 2 high \(±2.%\)/)
    expect(offOf('display-launch')).toMatch(/^shows 1 low/)
    expect(offOf('display-cox')).toBe('never checked: ±5\u2006%')
    expect(screen.getByText('One check so far')).toBeTruthy()
    expect(screen.getByText(/over magnesium chloride: Skeg’s display 36/)).toBeTruthy()
  })
  test('an hour in one bag: what it would tell is said before it is kept, and then counts for old readings', async () => {
    const store = open()
    await heading()
    type('Small round display', '41')
    type('Skeg’s display', '37')
    const wouldBe = document.querySelector('[data-part="would-be"]')!
    expect(wouldBe.textContent).toMatch(/Small round display shows \d high/)
    const before = fold(acts).readings.filter(one => one.instrumentId === 'round-display')
    keep()
    await waitFor(() => expect(store.acts).toHaveLength(acts.length + 1))
    expect(store.acts.at(-1)!.entries[0]).toMatchObject({
      kind: 'instrument.checked',
      payload: {
        air: 'bag',
        waitedHours: 1,
        shown: [
          { instrumentId: 'round-display', relativeHumidityPercent: 41 },
          { instrumentId: 'display-skeg', relativeHumidityPercent: 37 },
        ],
      },
    })
    await waitFor(async () => expect(await heading()).toBe('Cox’s display was never checked'))
    const after = fold(store.acts).readings.filter(one => one.instrumentId === 'round-display')
    after.forEach((one, i) => {
      expect(one.putRight!.shownRhPercent).toBe(before[i]!.relativeHumidityPercent)
      expect(one.relativeHumidityPercent).toBeLessThan(before[i]!.relativeHumidityPercent)
    })
  })
  test('what cannot be is said at its field, and nothing is lost', async () => {
    const store = open()
    await heading()
    keep()
    expect(await screen.findByText('Type what at least one display shows.')).toBeTruthy()
    type('Small round display', '41')
    keep()
    expect(await screen.findByText(/One display alone in a bag tells nothing/)).toBeTruthy()
    type('Skeg’s display', 'wet')
    keep()
    expect(await screen.findByText(/What Skeg’s display shows is a number from 0 to 100/)).toBeTruthy()
    type('In what air', 'sodium bromide')
    type('Temperature, °C', '2')
    type('Waited, hours', 'long')
    keep()
    expect(await screen.findByText(/Over this salt the air is known from 5 to 30 °C/)).toBeTruthy()
    expect(screen.getByText(/Waited is a number of hours, such as 12/)).toBeTruthy()
    expect(screen.getByLabelText<HTMLInputElement>('Small round display').value).toBe('41')
    expect(store.acts).toHaveLength(acts.length)
  })
  test('over a salt: how to, its cautions, and a word where the wait was too short', async () => {
    open()
    await heading()
    type('In what air', 'lithium chloride')
    expect(document.querySelector('[data-caution="salt-hurts"]')).not.toBeNull()
    expect(screen.getByLabelText<HTMLInputElement>('Waited, hours').value).toBe('12')
    expect(document.querySelector('[data-part="too-short"]')).toBeNull()
    type('Waited, hours', '3')
    expect(document.querySelector('[data-part="too-short"]')!.textContent).toMatch(/less than 12 hours/)
  })
  test('a fresh cell is an entry; refused, it is said', async () => {
    const store = open()
    await heading()
    const fresh = () =>
      fireEvent.click(screen.getByRole('button', { name: 'Fresh today: the cell in Cox’s display' }))
    store.refuse = true
    fresh()
    expect((await screen.findByRole('alert')).textContent).toMatch(/its storage is full.*press it again/)
    store.refuse = false
    fresh()
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]).toMatchObject({
        kind: 'instrument.cell',
        payload: { instrumentId: 'display-cox' },
      }),
    )
    const row = document.querySelector<HTMLElement>('[data-display="display-cox"]')!
    await waitFor(() => expect(within(row).getByText(/since/)).toBeTruthy())
  })
  test('a display that shows the same two figures for weeks is asked about', async () => {
    const stuck = [0, 7, 14, 21].map(daysAgo =>
      makeAct(testMaker, 'read', [
        {
          kind: 'reading.taken',
          atMs: NOW - (30 - daysAgo) * 86_400_000,
          payload: {
            place: { in: 'box', boxId: 'cox' },
            instrumentId: 'display-cox',
            relativeHumidityPercent: 22,
            temperatureC: 9.5,
            temperatureKnown: 'measured',
          },
        },
      ]),
    )
    open([...acts, ...stuck])
    await heading()
    expect(offOf('display-cox')).toMatch(/shows the same two figures since .*: a weak cell\?/)
  })
  test('without a display it says where one is entered', async () => {
    open([])
    expect(await heading()).toBe('No display is here')
  })
})
