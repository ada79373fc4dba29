import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import RenewPlace from './renew-place.tsx'

afterEach(cleanup)
const loft = boathouseLoft(NOW, 'UTC')
/** A packet that lies ready, and was weighed today: nothing has to be reckoned. */
const SPARE = 'spare-beads-1'
const weighed: Draft = {
  kind: 'charge.weighed',
  payload: { chargeId: SPARE, grossG: 72, tareG: 3, scaleErrorG: 0.1 },
}
const told = (payload: object): Draft =>
  ({ kind: 'charge.changed', payload: { chargeId: SPARE, ...payload } }) as unknown as Draft
const open = async (drafts: readonly Draft[] = [], at = `/renew/heat/${SPARE}`) => {
  const store = memoryStore([...loft, makeAct(testMaker, 'more', [weighed, ...drafts])])
  renderPlace(<RenewPlace />, { store, path: '/renew/:page?/:id?', at })
  await screen.findByRole('heading', { level: 1 })
  return store
}
const answer = () => screen.getByRole('heading', { level: 1 }).textContent
const refused = () =>
  [...document.querySelectorAll<HTMLElement>('[data-refused]')].map(item => item.dataset['refused'])
const choose = (words: string) => fireEvent.click(screen.getByLabelText(words))
const figures = () => document.querySelector('dl')!.textContent

describe('heat these', () => {
  test('the setting, the minutes and the weight to look for, each with its reason', async () => {
    await open()
    // measured: 115 gives 107 ± 8, and orange beads stand 120
    expect(answer()).toMatch(
      /^Spare packet, port: Bay oven at \d+.°C, about \d+ min\.$|^Spare packet, port: Bay oven at \d+.°C, about/,
    )
    expect(document.querySelector('[data-part="dial"]')!.textContent).toMatch(/^120/)
    // 60 g dry, 9 g of water: some 8 g come out
    expect(figures()).toMatch(/Water out7\.\d–8\.\d.g/)
    expect(figures()).toMatch(/Energy\d\.\d+.kWh€/)
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(6)
  })
  test('hotter than they stand is refused by name, and the best setting is one press away', async () => {
    await open()
    fireEvent.click(screen.getByLabelText(/five degrees more/))
    expect(answer()).toMatch(/^Not so: Their orange dye stands no more than 120 °C/)
    expect(screen.queryByText('Write it down when done')).toBeNull()
    fireEvent.click(screen.getByText(/is best$/))
    expect(answer()).toMatch(/^Spare packet/)
  })
  test('a display left in is refused before anything is hot', async () => {
    await open()
    choose('Displays and coin cells are out')
    expect(answer()).toMatch(/a coin cell bursts in the heat/)
  })
  test('a printed PLA holder goes into no oven; poured out its beads may', async () => {
    await open([told({ holder: 'canister', body: 'printed PLA' })])
    expect(answer()).toMatch(/^Spare packet/)
    choose('their holder')
    expect(answer()).toMatch(/holder of printed PLA goes into no oven/)
  })
  test('blue beads: not where food is cooked', async () => {
    await open([told({ indicator: 'blue', holder: 'canister' })])
    choose('Club room microwave')
    expect([answer(), ...refused()].join()).toMatch(/never where food is cooked/)
    choose('Bay oven')
    expect(answer()).toMatch(/^Spare packet/)
  })
  test('a microwave asks no degrees: power, short steps, stop when the steam stops, a wide range', async () => {
    await open([told({ holder: 'canister' })])
    choose('Club room microwave')
    expect(document.querySelector('[data-part="dial"]')).toBeNull()
    expect(document.querySelector('ol')!.textContent).toMatch(
      /225.W, 2 minutes at a time.*Stop when no more steam/,
    )
    expect(figures()).toMatch(/Stays in0\.6–4\.7.g/)
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(6)
  })
  test('a packet that says 250 °F: its rounding is said, its word goes first', async () => {
    await open([told({ saysC: 121.1, body: 'fleece' })])
    expect(document.body.textContent).toMatch(/The packet says 121.°C: that is our 120.°C, rounded in °F/)
    expect(answer()).toMatch(/^Spare packet/)
  })
  test('sieve in an oven that cannot reach it', async () => {
    await open([], '/renew/heat/ferry-sieve')
    choose('Drum dryer')
    expect([answer(), document.querySelector('[data-refused]')?.textContent].join()).toMatch(
      /wants 200 °C or more; here it gets 58. It is renewed at 200–300 °C, beyond kitchen ovens/,
    )
  })
  test('no such beads', async () => {
    await open([], '/renew/heat/nobody')
    expect(answer()).toBe('No such beads')
  })
})

describe('what wants heat', () => {
  test('every box with beads is there, and what lies ready', async () => {
    await open([], '/renew/now')
    await waitFor(() => expect(document.querySelectorAll('[data-part="due"] tr').length).toBe(9))
    expect(screen.getByRole('link', { name: 'heat these: Spare packet, port' })).toBeTruthy()
  })
  test('several at once: one setting that all stand, in batches; who may not go is named', async () => {
    await open([told({ holder: 'canister' })], '/renew/now')
    const tick = (name: RegExp) => fireEvent.click(screen.getByRole('checkbox', { name }))
    await screen.findByRole('checkbox', { name: /Spare packet, port/ })
    tick(/Spare packet, port/)
    tick(/Spare packet, starboard/)
    tick(/molecular sieve/)
    choose('Drum dryer')
    const bar = document.querySelector('[data-part="begin"]')!
    expect(bar.textContent).toMatch(/Without .*: .*wants 200 °C or more/)
    expect(bar.textContent).toMatch(/2 charges, 120.g, at 65.°C: one batch/)
  })
  test('begun: the first step is there, and the journal has it', async () => {
    const store = await open()
    fireEvent.click(screen.getByRole('button', { name: 'Begin at the oven' }))
    await waitFor(() => expect(store.acts.at(-1)!.what).toBe('Heating begun in Bay oven'))
    expect(store.acts.at(-1)!.entries[0]).toMatchObject({
      kind: 'session.begun',
      payload: { heatSourceId: 'bay-oven', dialC: 120, batches: [{ chargeIds: [SPARE] }] },
    })
  })
  test('nothing yet', async () => {
    renderPlace(<RenewPlace />, { store: memoryStore([]), path: '/renew/:page?/:id?', at: '/renew/now' })
    expect((await screen.findByRole('heading', { level: 1 })).textContent).toBe('No beads are in a box yet.')
  })
})
