import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import WeighBeads from '#places/box/weigh-beads.tsx'
import { memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import RenewDialog from './renew-dialog.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const dry = fold(acts).charges.get('launch-beads')!.dryMassG
const open = async () => {
  const store = memoryStore([...acts])
  renderPlace(<RenewDialog chargeId="launch-beads" close={() => {}} />, { store })
  await screen.findByText('Keep it')
  return store
}
const keep = () => fireEvent.click(screen.getByText('Keep it'))
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const written = async (store: { acts: typeof acts }) => {
  await waitFor(() => expect(store.acts).toHaveLength(acts.length + 1))
  const state = fold(store.acts)
  return {
    act: store.acts.at(-1)!,
    state,
    facts: boxFacts(state, boxView(state, 'launch', NOW)!, NOW)!,
  }
}
const shownCautions = () =>
  [...document.querySelectorAll<HTMLElement>('[data-caution]')].map(item => item.dataset['caution'])

describe('renewing', () => {
  test('heated: what it leaves is said first, then kept as one act', async () => {
    const store = await open()
    const said = () => document.querySelector('[data-part="after-line"]')!.textContent
    expect(said()).toMatch(/this leaves .* in the beads. The box can then come down to/)
    const before = said()
    type('At, °C', '65')
    expect(said()).not.toBe(before)
    type('For, hours', '1,5')
    keep()
    const { act, facts, state } = await written(store)
    expect(act.entries.map(entry => entry.kind)).toEqual(['charge.heated'])
    expect(state.charges.get('launch-beads')!.heatings.at(-1)).toMatchObject({
      temperatureC: 65,
      hours: 1.5,
      oven: 'electric',
    })
    const heating = facts.charges.at(-1)!.heatings.at(-1)!
    expect(heating.airVapourPressurePa).toBeGreaterThan(500)
    expect(heating.leftWaterG).toBeUndefined()
  })
  test('at a renewal the browser is asked to keep what is here', async () => {
    const asked: string[] = []
    Object.defineProperty(navigator, 'storage', {
      configurable: true,
      value: {
        persisted: () => Promise.resolve(asked.length > 0),
        persist: () => Promise.resolve(asked.push('persist') > 0),
      },
    })
    const store = await open()
    keep()
    await written(store)
    await waitFor(() => expect(asked).toEqual(['persist']))
    cleanup()
    const again = await open()
    keep()
    await written(again)
    // granted once, not asked again
    expect(asked).toEqual(['persist'])
  })
  test('a flame’s water is reckoned, and its cautions shown', async () => {
    const store = await open()
    expect(shownCautions()).not.toContain('gas-oven')
    fireEvent.change(screen.getByLabelText('Heated in'), { target: { value: 'gas' } })
    expect(shownCautions()).toContain('gas-oven')
    type('At, °C', '135')
    expect(shownCautions()).toContain('too-hot')
    keep()
    const { facts } = await written(store)
    expect(facts.charges.at(-1)!.heatings.at(-1)!.airVapourPressurePa).toBe(10_000)
  })
  test('weighed afterwards: the weight wins over the isotherm', async () => {
    const store = await open()
    const [, after] = screen.getAllByLabelText(/on the scale, g/)
    fireEvent.change(after!, { target: { value: String(dry + 5) } })
    keep()
    const { facts } = await written(store)
    expect(facts.charges.at(-1)!.heatings.at(-1)!.leftWaterG).toBeCloseTo(5, 9)
  })
  test('replaced: the old beads are retired, the new ones are in', async () => {
    const store = await open()
    fireEvent.click(screen.getByLabelText('new beads in'))
    expect(shownCautions()).toEqual(['swallow'])
    type('New beads, g', '175')
    keep()
    const { act, state } = await written(store)
    expect(act.entries.map(entry => entry.kind)).toEqual(['charge.made', 'charge.replaced', 'charge.retired'])
    expect(state.contradictions).toEqual([])
    const inside = [...state.charges.values()].filter(charge => charge.boxId === 'launch')
    expect(inside.map(charge => charge.dryMassG)).toEqual([175])
    expect(state.charges.get('launch-beads')!.retiredMs).toBe(NOW)
  })
  test.each([
    ['At, °C', '900', /Heating temperature is a number from 30 to 350 °C/],
    ['For, hours', '0', /Hours are a number from 0.01 to 72/],
  ])('%s %s is refused with what to do', async (label, value, message) => {
    const store = await open()
    type(label, value)
    keep()
    expect(await screen.findByText(message)).toBeTruthy()
    expect(store.acts).toHaveLength(acts.length)
  })
})

test('a weighing says the air over the beads, with its range, before it is kept', async () => {
  const store = memoryStore([...acts])
  const charge = fold(acts).charges.get('launch-beads')!
  renderPlace(<WeighBeads charge={charge} boxC={7} close={() => {}} />, { store })
  await screen.findByLabelText(/on the scale, g/)
  type(/on the scale, g/, String(dry + 0.1 * dry))
  expect(document.querySelector('[data-part="after-line"]')!.textContent).toMatch(
    /They hold .* of water: air of \d+ \(\d+–\d+\)/,
  )
  keep()
  const { facts } = await written(store)
  expect(facts.charges.at(-1)!.weighings.at(-1)).toMatchObject({ waterG: expect.closeTo(0.1 * dry, 6) })
})
