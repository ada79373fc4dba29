import { schoolOf } from '#session/spools/school-of.ts'
import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { calls } from '#workers/calls.ts'
import type { Estimator } from '#workers/protocol.ts'
import { askedOnce } from '#testing/asked-once.ts'
import { cannedEstimator, someReport } from '#testing/canned-estimator.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import SpoolsPlace from './spools-place.tsx'

afterEach(cleanup)
/** A page as wide as this: a phone has the list, a desk the board. */
let pagePx = 390
class Sized implements ResizeObserver {
  readonly #tell: ResizeObserverCallback
  constructor(tell: ResizeObserverCallback) {
    this.#tell = tell
  }
  observe(target: Element) {
    const contentRect = {
      x: 0,
      y: 0,
      top: 0,
      left: 0,
      right: pagePx,
      bottom: 600,
      width: pagePx,
      height: 600,
    }
    this.#tell([{ target, contentRect } as unknown as ResizeObserverEntry], this)
  }
  unobserve() {}
  disconnect() {}
}
beforeEach(() => {
  pagePx = 390
  globalThis.ResizeObserver = Sized
  // no letters are measured where nothing is painted
  HTMLCanvasElement.prototype.getContext = () => null
})
const acts = boathouseLoft(NOW, 'UTC')
const state = fold(acts)
let estimator: Estimator
beforeAll(() => {
  const base = someReport(boxFacts(state, boxView(state, 'cox', NOW)!, NOW)!)
  estimator = {
    ...cannedEstimator(base, () => ({ early: 60, late: 90, fresh: 120 })),
    spool: askedOnce(asked => calls.spool(asked)),
    print: askedOnce(asked => calls.print(asked)),
    dry: askedOnce(asked => calls.dry(asked)),
    run: askedOnce(asked => calls.run(asked)),
  }
}, 60_000)

async function open(at = '/spools', with_: Estimator = estimator) {
  const store = memoryStore([...acts])
  renderPlace(<SpoolsPlace />, { store, path: '/spools/:spoolId?/:page?', at, estimator: with_ })
  await waitFor(() => expect(document.querySelector('[data-place]')).not.toBeNull())
  await waitFor(() => expect(document.querySelector('[data-looking]')).toBeNull(), { timeout: 30_000 })
  await waitFor(() => expect(document.querySelector('li a, [data-part="life-line"], h1')).not.toBeNull())
  return store
}
const answer = () => screen.getByRole('heading', { level: 1 }).textContent
const rows = () => [...document.querySelectorAll('li a')].map(item => item.textContent)
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))

describe('Spools', () => {
  test('what is too damp to print stands first, and is named; what is sealed keeps', async () => {
    await open()
    expect(answer()).toMatch(/^Dry .* before (they print|it prints); everything else may print\.$/)
    const all = rows()
    expect(all).toHaveLength(29)
    const past = all.map(text => text.includes('expect trouble'))
    // nothing that may print stands before what may not
    expect(past.indexOf(false)).toBe(past.lastIndexOf(true) + 1)
    expect(all.find(text => text.startsWith('PLA chalk'))).toMatch(/in its bag.*keeps, sealed/)
    expect(all.find(text => text.startsWith('PLA sloe'))).toMatch(/in the open.*past it/)
  }, 60_000)
  test('on a desk they stand on boards, each over its own time, and each leads to its page', async () => {
    pagePx = 1184
    await open()
    const board = await screen.findByRole('group', { name: /Spools, each with how long/ })
    const links = within(board).getAllByRole('link')
    expect(links).toHaveLength(29)
    const tarn = links.find(one => one.getAttribute('aria-label')!.includes('PA12 tarn'))!
    expect(tarn.getAttribute('aria-label')).toMatch(
      /on the printer, next print (clean|usable), prints for \d+.h \(/,
    )
    expect(tarn.getAttribute('href')).toMatch(/spools\/spare-spool-4$/)
    expect(board.textContent).toMatch(/expect trouble/)
    // the last row outlasts the scale, and takes no room for it
    expect(board.textContent.match(/1 month/g)).toHaveLength(1)
    expect(board.textContent).toMatch(/over 26 weeks/)
  }, 60_000)
  test('found by typing a name, a material, a place or a maker; sorted by material', async () => {
    await open()
    const find = screen.getByRole('searchbox')
    fireEvent.change(find, { target: { value: 'launch pla' } })
    expect(rows().length).toBeGreaterThan(1)
    expect(rows().every(text => /^PLA.*Launch/.test(text))).toBe(true)
    fireEvent.change(find, { target: { value: 'slipway' } })
    expect(rows()).toHaveLength(2)
    fireEvent.change(find, { target: { value: 'no such thing' } })
    expect(document.body.textContent).toMatch(/No spool has “no such thing” in its name/)
    fireEvent.change(find, { target: { value: '' } })
    fireEvent.click(screen.getByRole('radio', { name: 'by material' }))
    const materials = rows().map(text => text.split(' ')[0]!)
    expect(materials).toEqual([...materials].sort((a, b) => a.localeCompare(b)))
  }, 60_000)
  test('while it is reckoned, and where it cannot be', async () => {
    renderPlace(<SpoolsPlace />, { store: memoryStore([...acts]), path: '/spools/:spoolId?', at: '/spools' })
    await waitFor(() => expect(answer()).toBe('Reckoning …'))
    cleanup()
    await open('/spools', {
      ...estimator,
      spool: () => Promise.reject(new Error('The reckoning broke off.')),
    })
    expect(rows().every(text => text.includes('could not be reckoned'))).toBe(true)
  }, 60_000)
  test('no spool yet', async () => {
    renderPlace(<SpoolsPlace />, { store: memoryStore([]), path: '/spools/:spoolId?', at: '/spools' })
    await waitFor(() => expect(answer()).toBe('No spool yet.'))
  })
})

describe('one spool', () => {
  test('its words, its ranges and its whole life; every figure opens and recomputes', async () => {
    await open('/spools/spare-spool-4')
    expect(answer()).toMatch(/^It may print: (clean|usable), prints for/)
    const line = await screen.findByRole('img', {
      name: 'Its life: sealed, in the open, dried, in the open, sealed, on the printer',
    })
    expect(line.textContent).toMatch(/−84/)
    await screen.findByText(/are left on it/)
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(5)
  }, 60_000)
  test('a print from somewhere, of so many grams and hours: in time, or how many metres late', async () => {
    await open('/spools/spare-spool-4')
    const said = async (pattern: RegExp) =>
      waitFor(
        () => {
          const part = document.querySelector('[data-part="print-answer"]')!
          expect(part.getAttribute('data-looking')).toBeNull()
          expect(part.textContent).toMatch(pattern)
        },
        { timeout: 10_000 },
      )
    await said(/Idle there it may wait .*h .*before that print suffers/)
    fireEvent.change(screen.getByLabelText('For, hours'), { target: { value: '14' } })
    await said(/of its 4\d.m go through past what prints bear/)
    // from a box that stands dry enough
    fireEvent.change(screen.getByLabelText('From where'), { target: { value: 'box:cox' } })
    await said(/none of its 4\d.m suffers|finishes in time/)
    fireEvent.change(screen.getByLabelText(/^It takes/), { target: { value: '5000' } })
    expect(screen.getByText(/Only 696.g are left on it: type less, or another spool/)).toBeTruthy()
    fireEvent.change(screen.getByLabelText('For, hours'), { target: { value: '-1' } })
    expect(screen.getByText(/Hours are a number from 0.1 to 400, or blank/)).toBeTruthy()
  }, 60_000)
  test.each([
    ['spare-spool-1', 'leave', /Leave itsealed it keeps what it has/],
    ['spare-spool-4', 'box', /Box it(in \w+ it ends near|\w+ gives it)/],
    ['spare-spool-2', 'let dry', /Let a box dry it\w+ brings it down in .*; its beads take the water/],
  ] as const)(
    'which of four for %s: %s, and what the others would come to',
    async (id, best, says) => {
      await open(`/spools/${id}`)
      const ways = await waitFor(
        () => {
          const found = document.querySelector<HTMLElement>('[data-part="four-ways"]')
          expect(found).not.toBeNull()
          return found!
        },
        { timeout: 15_000 },
      )
      expect(ways.dataset['best']).toBe(best)
      expect(ways.textContent).toMatch(says)
      expect(ways.querySelectorAll('dt')).toHaveLength(4)
      expect(await everyFigureAgrees('[data-part="four-ways"] [data-quantity]')).toBeGreaterThanOrEqual(1)
    },
    60_000,
  )
  test('a print is written, and taken off what is left', async () => {
    const store = await open('/spools/spare-spool-4')
    press('It printed')
    const form = within(await screen.findByRole('dialog'))
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    expect(await form.findByText(/Printed is a weight above nothing: type the g the print took/)).toBeTruthy()
    const grams = form.getByLabelText(/^Printed, g/)
    fireEvent.change(grams, { target: { value: '900' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    expect(await form.findByText(/There are 696.g on it: type less, or weigh the spool first/)).toBeTruthy()
    fireEvent.change(grams, { target: { value: '46' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(store.acts.at(-1)!.entries[0]).toMatchObject({ kind: 'spool.printed' }))
    expect(fold(store.acts).spools.get('spare-spool-4')!.filamentG).toBe(650)
  }, 60_000)
  test('weighed below its empty weight, dried without a heat: named, with the remedy; nothing is written', async () => {
    const store = await open('/spools/spare-spool-6')
    const before = store.acts.length
    press('Weigh it')
    const form = within(await screen.findByRole('dialog'))
    fireEvent.change(form.getByLabelText(/^Spool and all, g/), { target: { value: '90' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    expect(await form.findByText(/The empty spool alone is 180.g: weigh again/)).toBeTruthy()
    fireEvent.click(form.getByRole('radio', { name: 'it was dried' }))
    fireEvent.change(form.getByLabelText(/^Heat at the spool, °C/), { target: { value: '900' } })
    fireEvent.change(form.getByLabelText('For, hours'), { target: { value: '0' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    expect(await form.findByText(/Heat is a number from 30.* to 350/)).toBeTruthy()
    expect(form.getByText(/Hours are a number from 0.1 to 500/)).toBeTruthy()
    expect(store.acts).toHaveLength(before)
    // above what the filament stands: said before it is kept
    fireEvent.change(form.getByLabelText(/^Heat at the spool, °C/), { target: { value: '80' } })
    expect(form.getByText(/TPU softens above 65/)).toBeTruthy()
    fireEvent.change(form.getByLabelText(/^Heat at the spool, °C/), { target: { value: '55' } })
    fireEvent.change(form.getByLabelText('For, hours'), { target: { value: '5' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(store.acts).toHaveLength(before + 1))
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({
      temperatureC: 55,
      hours: 5,
      air: 'vented',
    })
  }, 60_000)
  test('no such spool', async () => {
    await open('/spools/nobody')
    expect(answer()).toBe('No such spool')
  })
})

describe('can this dryer, in this room, do it', () => {
  const choose = (label: string | RegExp, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } })
  const said = (pattern: RegExp) =>
    waitFor(
      () => {
        expect(document.querySelector('[data-looking]')).toBeNull()
        expect(answer()).toMatch(pattern)
      },
      { timeout: 15_000 },
    )

  test('hours at a heat, with what lies behind them; every figure opens and recomputes', async () => {
    await open('/spools/spare-spool-2/dry')
    await said(/^[\d.]+.h .*at 43.°C, and its next print may go/)
    expect(document.body.textContent).toMatch(
      /PLA softens above 55.°C; a moulded spool of polystyrene softens/,
    )
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(5)
    // the cautions of this step, the maker first
    expect(document.body.textContent).toMatch(/Never bypass a dryer’s thermostat/)
    expect(document.body.textContent).toMatch(/Filament and spool soften before they look it/)
  }, 60_000)
  test('set too hot: why not, and what would do', async () => {
    await open('/spools/launch-spool-1/dry')
    choose('How hot', 'own')
    expect(screen.getByText(/can be set from .* to /)).toBeTruthy()
    choose(/^Set to/, '65')
    await said(/^It gets as hot as \d+ °C there, and PLA softens above 55 °C: set it lower/)
  }, 60_000)
  test('shut in it is only warmed', async () => {
    await open('/spools/launch-spool-1/dry')
    choose('Its air', 'closed')
    await said(/^Shut in without vent or beads this only warms it/)
  }, 60_000)
  test('what no heat of this room does: where it ends, the least heat, the dew point; then fresh beads', async () => {
    await open('/spools/skeg-spool-1/dry')
    choose('How hot', 'own')
    choose(/^Set to/, '45')
    await said(/^Not at \d+.°C in this room: it ends near 0\.\d\d.%, however long/)
    expect(document.body.textContent).toMatch(/what would do\d+.°C, or air with a dew point under −?\d+/)
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(4)
    choose('Its air', 'with beads')
    await waitFor(() => expect(document.body.textContent).toMatch(/its air~*8.%/), { timeout: 15_000 })
  }, 60_000)
  test('as hot as all parts stand: kept for this spool, or for all of its material', async () => {
    const store = await open('/spools/spare-spool-2/dry')
    await said(/at 43.°C/)
    choose('How hot', 'hot')
    press('for all PLA')
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries.map(one => one.payload)).toEqual([
        { material: 'PLA', spoolId: null, school: 'hot' },
      ]),
    )
    await waitFor(() => expect(screen.queryByText(/^Keep it so/)).toBeNull())
    choose('How hot', 'gentle')
    press('for this spool')
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({
        spoolId: 'spare-spool-2',
        school: 'gentle',
      }),
    )
    const state = fold(store.acts)
    const schools = ['spare-spool-2', 'launch-spool-1'].map(id => schoolOf(state, state.spools.get(id)!))
    expect(schools).toEqual(['gentle', 'hot'])
    // for all again: what was kept for this one no longer stands before it
    choose('How hot', 'hot')
    press('for all PLA')
    await waitFor(() => expect(store.acts.at(-1)!.entries).toHaveLength(2))
    expect(schoolOf(fold(store.acts), state.spools.get('spare-spool-2')!)).toBe('hot')
  }, 60_000)
  test('its label and what it stands on: the least of all parts rules', async () => {
    await open('/spools/spare-spool-2/dry')
    await said(/at 43.°C/)
    choose('It stands on', 'printed PLA')
    await said(/at 43.°C/)
    expect(document.body.textContent).toMatch(
      /what it stands on, printed of PLA, softens above 50.°C; PLA softens/i,
    )
    choose('Its label', 'film')
    await waitFor(() => expect(document.body.textContent).toMatch(/its label of film shrinks above 65.°C/))
  }, 60_000)
  test('it was dried: as it was asked about, taken over into what is told', async () => {
    const store = await open('/spools/spare-spool-2/dry')
    await said(/its next print may go/)
    press('It was dried')
    const form = within(await screen.findByRole('dialog'))
    expect(form.getByLabelText<HTMLInputElement>(/^Heat at the spool/).value).toBe('43')
    expect(Number(form.getByLabelText<HTMLInputElement>('For, hours').value)).toBeGreaterThan(2)
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(store.acts.at(-1)!.entries[0]).toMatchObject({ kind: 'spool.dried' }))
  }, 60_000)
})

describe('a drying run', () => {
  const HOUR = 3_600_000
  const SPOOL = 'spare-spool-2'
  const run = (drafts: readonly Draft[]) => makeAct(testMaker, 'dried', drafts)
  const begun: Draft = {
    kind: 'drying.begun',
    atMs: NOW - 3 * HOUR,
    payload: {
      runId: 'run-1',
      spoolId: SPOOL,
      temperatureC: 48,
      air: 'vented',
      roomId: null,
      nextG: 90,
      grossG: 844,
      scaleErrorG: 0.1,
    },
  }
  const weighed = (hoursAgo: number, grossG: number): Draft => ({
    kind: 'drying.weighed',
    atMs: NOW - hoursAgo * HOUR,
    payload: { runId: 'run-1', grossG },
  })
  async function follow(drafts: readonly Draft[]) {
    const store = memoryStore([...acts, run(drafts)])
    renderPlace(<SpoolsPlace />, {
      store,
      path: '/spools/:spoolId?/:page?',
      at: `/spools/${SPOOL}/run`,
      estimator,
    })
    await waitFor(() => expect(document.querySelector('[data-place="run"]')).not.toBeNull())
    await still()
    return store
  }
  const still = () =>
    waitFor(() => expect(document.querySelector('[data-looking]')).toBeNull(), { timeout: 30_000 })
  const weigh = (text: string) => {
    fireEvent.change(screen.getByLabelText(/^Spool and all, g/), { target: { value: text } })
    press('Write it down')
  }

  test('it goes in with its weight, from what was asked about', async () => {
    const store = await open(`/spools/${SPOOL}/dry`)
    press('It goes in')
    const form = within(await screen.findByRole('dialog'))
    fireEvent.change(form.getByLabelText(/^Spool and all, g/), { target: { value: '20' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    expect(await form.findByText(/a weight above its empty 210.g, or blank/)).toBeTruthy()
    fireEvent.change(form.getByLabelText(/^Spool and all, g/), { target: { value: '834.2' } })
    fireEvent.click(form.getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(store.acts.at(-1)!.entries[0]).toMatchObject({ kind: 'drying.begun' }))
    expect(store.acts.at(-1)!.entries[0]!.payload).toMatchObject({
      spoolId: SPOOL,
      grossG: 834.2,
      air: 'vented',
    })
  }, 60_000)
  test('followed by the scale: what is out, when it is done; weights refused and written', async () => {
    const store = await follow([begun, weighed(2, 843.1), weighed(1, 842.5)])
    expect(answer()).toMatch(/^(Still falling: done about|Done: its next 90.g may print)/)
    expect(document.body.textContent).toMatch(/Water out \d\.\d.g of about \d\.\d.\(\d/)
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(5)
    const before = store.acts.length
    weigh('')
    expect(await screen.findByText(/On the scale is a weight: put spool and all on it/)).toBeTruthy()
    weigh('420')
    expect(await screen.findByText(/It was 842.*g before: weigh again/)).toBeTruthy()
    expect(store.acts).toHaveLength(before)
    weigh('842.1')
    await waitFor(() => expect(store.acts.at(-1)!.entries[0]).toMatchObject({ kind: 'drying.weighed' }))
  }, 90_000)
  test('it goes off and on again, and is taken out: two heats in its life', async () => {
    const store = await follow([begun, weighed(2, 843.1)])
    press('It went off')
    await waitFor(() => expect(answer()).toMatch(/^It is off: nothing comes out/), { timeout: 30_000 })
    press('It is on again')
    await waitFor(() => expect(answer()).not.toMatch(/^It is off/), { timeout: 30_000 })
    await still()
    press('Take it out')
    await waitFor(() => expect(document.body.textContent).toMatch(/Taken out .*How it stands now/))
    const state = fold(store.acts)
    expect(state.contradictions).toEqual([])
    expect(state.spools.get(SPOOL)!.dryings.length).toBeGreaterThanOrEqual(1)
    expect(state.spools.get(SPOOL)!.dryings[0]).toMatchObject({ temperatureC: 48 })
  }, 120_000)
  test('left in for standby: dry while it is hot; a power cut is one press, and is reckoned anew', async () => {
    const store = await follow([
      { ...begun, atMs: NOW - 40 * HOUR, payload: { ...begun.payload, heatSourceId: 'drum-dryer' } },
    ])
    expect(answer()).toMatch(/^Done: its next 90.g may print/)
    expect(document.body.textContent).toMatch(/It may stay in: it keeps so while it really runs at 48.°C/)
    press(/^Power cut: now \d\d.°C/)
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]).toMatchObject({
        kind: 'drying.heat',
        payload: { runId: 'run-1' },
      }),
    )
    await still()
    expect(screen.queryByText(/^Power cut/)).toBeNull()
    press('Set otherwise')
    press('From now on')
    expect(await screen.findByText('Type the heat at the spool, a plain number.')).toBeTruthy()
    fireEvent.change(screen.getByLabelText(/^Heat at the spool/), { target: { value: '46' } })
    press('From now on')
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]!.payload).toEqual({ runId: 'run-1', temperatureC: 46 }),
    )
    expect(fold(store.acts).contradictions).toEqual([])
  }, 120_000)
  test('in no dryer', async () => {
    renderPlace(<SpoolsPlace />, {
      store: memoryStore([...acts]),
      path: '/spools/:spoolId?/:page?',
      at: `/spools/${SPOOL}/run`,
    })
    await waitFor(() => expect(answer()).toBe('PLA sloe is in no dryer.'))
  })
})
