import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { greedyPlan } from '#core/renewal/greedy-plan.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import type { Planner } from '#session/oven-plan/planner.ts'
import { PlannerContext } from '#session/oven-plan/use-oven-plan.ts'
import { cannedEstimator, someReport, type Canned } from '#testing/canned-estimator.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { fourteenBoxes } from '#testing/fourteen-boxes.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import RenewPlace from './renew-place.tsx'

afterEach(cleanup)
/** Their last reading is a good one: what is over now is another story. */
const dry = (boxId: string): Draft => ({
  kind: 'reading.taken',
  atMs: NOW - 3_600_000,
  payload: {
    place: { in: 'box', boxId },
    instrumentId: 'round-display',
    relativeHumidityPercent: 12,
    temperatureC: 14,
    temperatureKnown: 'measured',
  },
})
const damp = (hoursAgo: number): Draft => ({
  kind: 'reading.taken',
  atMs: NOW - hoursAgo * 3_600_000,
  payload: {
    place: { in: 'box', boxId: 'gaff' },
    instrumentId: 'round-display',
    relativeHumidityPercent: 48,
    temperatureC: 14,
    temperatureKnown: 'measured',
  },
})
const acts = [...fourteenBoxes(NOW, 'UTC'), makeAct(testMaker, 'read', [dry('stroke'), dry('launch')])]
const state = fold(acts)
const base = someReport(boxFacts(state, boxView(state, 'cox', NOW)!, NOW)!)

/** Today is Saturday, 8 Nov. Gaff and Cleat first, then a few weeks later the others; most hold the half year. */
const DATES: Readonly<Record<string, Canned>> = {
  'gaff-beads': { early: 17.5, late: 40, fresh: 120 },
  'cleat-beads': { early: 20.5, late: 44, fresh: 130 },
  'tiller-beads': { early: 60, late: 90, fresh: 120 },
  'cox-beads': { early: 64, late: 99, fresh: 300 },
  'bilge-beads': { early: 1, late: 2, fresh: 1 },
}
const LONG: Canned = { early: 300, late: 380, fresh: 400 }
/** The quick plan, told as proven: what is proven is the solver's, and tested beside it. */
const planner: Planner = asked => {
  const plan = greedyPlan(asked)
  return Promise.resolve({ plan, proven: true, leastSessions: plan.sessions.length })
}
const open = async (
  drafts: readonly Draft[] = [],
  {
    at = '/renew',
    plan = planner,
    dates = DATES,
  }: { at?: string; plan?: Planner; dates?: typeof DATES } = {},
) => {
  const store = memoryStore([...acts, ...(drafts.length > 0 ? [makeAct(testMaker, 'more', drafts)] : [])])
  renderPlace(
    <PlannerContext value={plan}>
      <RenewPlace />
    </PlannerContext>,
    {
      store,
      path: '/renew/:page?/:id?',
      at,
      estimator: cannedEstimator(base, id => dates[id] ?? LONG),
    },
  )
  await waitFor(() => expect(screen.getByRole('heading', { level: 1 }).textContent).not.toMatch(/Reckoning/))
  return store
}
const answer = () => screen.getByRole('heading', { level: 1 }).textContent
const uprights = () => [...document.querySelectorAll<SVGGElement>('[data-session]')]
const part = (name: string) => document.querySelector<HTMLElement>(`[data-part="${name}"]`)
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))
const entries = (store: Awaited<ReturnType<typeof open>>) => store.acts.at(-1)!.entries

describe('the plan', () => {
  test('its days in one sentence; each box a lane, each day an upright through the strokes it serves', async () => {
    await open()
    // Gaff holds until 25 Nov: the Saturday before is the 22nd
    expect(answer()).toMatch(/^\w+ Saturdays in half a year: 22 Nov/)
    expect(document.querySelectorAll('[data-lane]').length).toBe(12)
    const [first] = uprights()
    expect(first!.getAttribute('aria-valuetext')).toBe('Sat 22 Nov')
    expect(first!.querySelectorAll('[data-part="lozenge"]').length).toBe(4)
    expect(part('away')!.textContent).toBe('away')
    await waitFor(() => expect(part('standing')!.textContent).toMatch(/proven, no plan has fewer/))
  })
  test('boxes that no beads would help are left out, and named with what would', async () => {
    await open()
    const out = [...document.querySelectorAll('[data-part="left out"]')].map(item => item.textContent)
    const said = [...out, ...[...document.querySelectorAll('li')].map(item => item.textContent)].join()
    expect(said).toMatch(/Bilge.*even fresh beads would not hold it for long: more beads, or a tighter lid/)
  })
  test('over again a week after a heat: no more heat, its sentence says where to look', async () => {
    await open([
      {
        kind: 'charge.heated',
        atMs: NOW - 8 * 86_400_000,
        payload: { chargeId: 'gaff-beads', temperatureC: 110, hours: 2, oven: 'electric', roomId: null },
      },
      damp(2),
      damp(1),
    ])
    expect(document.body.textContent).toMatch(
      /Gaff.*over again 8 days after its beads were heated: look first at what is wrong/,
    )
  })
  test('fresh beads that hold for days only: planned a fortnight apart, and said', async () => {
    await open([], { dates: { ...DATES, 'gaff-beads': { early: 17.5, late: 40, fresh: 8 } } })
    expect(part('standing')!.textContent).toMatch(
      /From 8 Nov on fresh beads are sure to hold Gaff for less than a fortnight: more beads/,
    )
    const days = uprights().map(one => one.getAttribute('aria-valuetext'))
    expect(days.length).toBeGreaterThan(5)
    expect(new Set(days).size).toBe(days.length)
  })
  test('why that day, and what happens if it is skipped', async () => {
    await open()
    const day = part('day')!
    expect(day.dataset['day']).toBe('2025-11-22')
    expect(day.textContent).toMatch(/The next day you are there, 29 Nov, may be too late for Gaff \(25 Nov\)/)
    expect(day.textContent).toMatch(/Next is 29 Nov\. By then Gaff may be over since 25 Nov \(\d+–\d+.%\)/)
  })
  test('every figure opens to its reason and recomputes', async () => {
    await open()
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(10)
  }, 30_000)
  test('by arrow keys to a day on which all still hold: written at once, the plan seen with it', async () => {
    const store = await open()
    const [first] = uprights()
    fireEvent.keyDown(first!, { key: 'ArrowLeft' })
    expect(part('moved')!.textContent).toMatch(/On 15 Nov every box still holds/)
    fireEvent.keyDown(uprights()[0]!, { key: 'Enter' })
    await waitFor(() => expect(store.acts.at(-1)!.what).toBe('Oven day moved from 22 Nov to 15 Nov'))
    expect(entries(store).map(entry => entry.kind)).toEqual(['ovenPlan.seen', 'ovenDays.wished'])
    expect(entries(store)[1]!.payload).toEqual({ day: '2025-11-15', wish: 'pinned' })
    await waitFor(() => expect(answer()).toMatch(/15 Nov/))
    expect(part('wishes')!.textContent).toMatch(/15 Nov kept: take it back/)
    press('take it back')
    await waitFor(() => expect(answer()).toMatch(/: 22 Nov/))
  })
  test('to a day that is too late: nothing is written, who fails is named, with the ways out', async () => {
    const store = await open()
    const before = store.acts.length
    fireEvent.keyDown(uprights()[0]!, { key: 'ArrowRight' })
    expect(part('moved')!.textContent).toMatch(/On 29 Nov two fail: Gaff may be over from 26 Nov and Cleat/)
    expect(document.querySelectorAll('[data-part="over"]').length).toBe(2)
    fireEvent.keyDown(uprights()[0]!, { key: 'Enter' })
    expect(store.acts.length).toBe(before)
    press('Put it back to 22 Nov')
    await waitFor(() => expect(part('moved')).toBeNull())
    fireEvent.keyDown(uprights()[0]!, { key: 'ArrowRight' })
    fireEvent.keyDown(uprights()[0]!, { key: 'Enter' })
    press('Ask 8 in 10 of Gaff')
    await waitFor(() => expect(store.acts.length).toBe(before + 1))
    expect(entries(store).at(-1)!.payload).toEqual({ boxId: 'gaff', sure: 0.8 })
  })
  test('Escape leaves it where it is', async () => {
    const store = await open()
    const before = store.acts.length
    fireEvent.keyDown(uprights()[0]!, { key: 'ArrowRight' })
    fireEvent.keyDown(uprights()[0]!, { key: 'Escape' })
    expect(part('moved')).toBeNull()
    expect(store.acts.length).toBe(before)
  })
  test('not on this day: another is found; struck out by hand on the ground', async () => {
    await open()
    press('Not on this day')
    await waitFor(() => expect(answer()).toMatch(/15 Nov/))
    expect(part('struck')).not.toBeNull()
  })
  test('wishes that cannot all be met: who would be over, and which to relax', async () => {
    const strike = (day: string): Draft => ({ kind: 'ovenDays.wished', payload: { day, wish: 'struck' } })
    const store = await open([strike('2025-11-08'), strike('2025-11-15'), strike('2025-11-22')])
    const said = part('lapsing')!
    expect(said.textContent).toMatch(/May be over in this plan: Gaff from 26 Nov to 29 Nov/)
    expect(
      within(said)
        .getAllByRole('button')
        .map(one => one.textContent),
    ).toContain('Allow Sat 22 Nov after all')
    fireEvent.click(within(said).getByRole('button', { name: 'Allow Sat 22 Nov after all' }))
    await waitFor(() => expect(part('lapsing')).toBeNull())
    expect(entries(store)[0]!.payload).toEqual({ day: '2025-11-22', wish: null })
  })
  test('days too short for one filling: said, and how long would do', async () => {
    const store = await open([{ kind: 'ovenDays.told', payload: { presentMinutes: 45 } }])
    expect(answer()).toBe('No day at the oven is long enough, or free.')
    const longer = within(part('lapsing')!).getByRole('button', { name: /^Stay \d/ })
    fireEvent.click(longer)
    await waitFor(() => expect(answer()).toMatch(/Saturdays in half a year/))
    expect(entries(store)[0]!.kind).toBe('ovenDays.told')
  })
  test('looked for and given up: the quick plan stands, and says so', async () => {
    const never: Planner = (_, signal) =>
      new Promise((_resolve, reject) => {
        signal.addEventListener('abort', () => reject(new DOMException('Given up.', 'AbortError')))
      })
    await open([], { plan: never })
    await waitFor(() => expect(part('standing')!.textContent).toMatch(/whether there is a better one/))
    press('Leave it at that')
    await waitFor(() => expect(part('standing')!.textContent).toMatch(/not looked for to its end/))
    expect(uprights().length).toBeGreaterThan(0)
  })
  test('my days and hours: bad ones are refused with their remedy, good ones change the plan', async () => {
    const store = await open()
    press('Change these')
    const form = await waitFor(() => {
      expect(part('hours')).not.toBeNull()
      return part('hours')!
    })
    fireEvent.change(within(form).getByLabelText('Hours you are there'), { target: { value: '1' } })
    fireEvent.submit(form)
    expect(form.textContent).toMatch(/One filling takes \d\.\d hours with all around it/)
    fireEvent.change(within(form).getByLabelText('Hours you are there'), { target: { value: '6' } })
    fireEvent.click(within(form).getByLabelText('Wed'))
    fireEvent.click(within(form).getByLabelText('Sat'))
    fireEvent.submit(form)
    await waitFor(() => expect(store.acts.at(-1)!.what).toBe('Days at the oven changed'))
    await waitFor(() => expect(answer()).toMatch(/Wednesdays in half a year: 19 Nov/))
  })
})

test('an empty start: what to do first, and nothing is promised', async () => {
  renderPlace(
    <PlannerContext value={planner}>
      <RenewPlace />
    </PlannerContext>,
    { store: memoryStore([]), path: '/renew/:page?/:id?', at: '/renew' },
  )
  await waitFor(() => expect(answer()).toBe('No box is in the plan yet.'))
  expect(screen.getByRole('link', { name: 'Add a box' })).toBeTruthy()
  expect(part('standing')!.textContent).toBe('')
})

describe('the sheet for a day', () => {
  test('spares first, each batch with its hours, the weight to look for, and where it goes back', async () => {
    await open([], { at: '/renew/day/2025-11-22' })
    expect(answer()).toBe('Sat 22 Nov: four boxes, one batch.')
    expect(part('swaps')!.textContent).toMatch(/Gaff.*Beads in Gaff, to be heated.*Spare packet/)
    const batch = part('batch')!.textContent
    expect(batch).toMatch(/Gaff.*62.g dry.*done at 62.g to 6\d.g.*a sealed jar/)
    expect(batch).toMatch(/Cleat.*28.g dry.*then into Cleat/)
    expect(document.querySelector('[data-caution="electronics-out"]')).not.toBeNull()
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(4)
  })
  test('begun: spares in and beads to the oven are one act', async () => {
    const store = await open([], { at: '/renew/day/2025-11-22' })
    press('Spares are in: begin')
    await waitFor(() => expect(store.acts.at(-1)!.what).toBe('Heating begun in Bay oven'))
    expect(entries(store).map(entry => entry.kind)).toEqual([
      'charge.replaced',
      'charge.replaced',
      'session.begun',
    ])
    expect(entries(store)[0]!.payload).toMatchObject({ boxId: 'gaff', outChargeId: 'gaff-beads' })
    const after = fold(store.acts)
    expect(after.contradictions).toEqual([])
    expect(after.charges.get('gaff-beads')!.boxId).toBeNull()
  })
  test('no such day', async () => {
    await open([], { at: '/renew/day/2025-11-23' })
    expect(answer()).toBe('No oven is wanted on that day.')
  })
})
