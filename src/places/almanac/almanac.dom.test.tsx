import { describe, expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { sameThreadEstimator } from '#workers/calls.ts'
import { memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import AlmanacPlace from './almanac-place.tsx'
import { ALMANAC_PAGES, pageOfFormula } from '#ui/almanac-pages.ts'
import { FORMULAS } from '#core/answers/catalogue.ts'
import { isothermOption, isothermPoints } from './isotherm-option.ts'

const open = (page: string, change: Partial<Parameters<typeof renderPlace>[1]> = {}) =>
  renderPlace(<AlmanacPlace />, {
    store: memoryStore(boathouseLoft(NOW, 'UTC')),
    path: '/almanac/:page',
    at: `/almanac/${page}`,
    ...change,
  })
const row = async (name: string) => (await screen.findByRole('rowheader', { name })).closest('tr')!

describe('materials', () => {
  test('stand at their targets, none in trouble; the slider shows them in other air', async () => {
    open('materials')
    expect((await row('PA6')).textContent).toContain('0.54, usable')
    expect((await row('HIPS')).textContent).toContain('clean')
    fireEvent.change(screen.getByLabelText('RH of the air'), { target: { value: '50' } })
    expect((await row('PLA')).textContent).toContain('0.40, usable')
    fireEvent.click(screen.getByText('each at its target'))
    expect((await row('PLA')).textContent).toContain('usable')
  })
})

describe('humidity', () => {
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
  test('any two give the rest; two places are held against each other; heat keeps the dew point', async () => {
    open('air')
    await screen.findByText('Here')
    type('Here, temperature, °C', '23')
    type('Here, relative humidity, %', '50')
    const here = screen.getByText('Here').closest('section')!
    expect(within(here).getByText('dew point', { selector: 'dt' }).nextSibling?.textContent).toContain('12.0')
    type('There, temperature, °C', '10')
    type('There, relative humidity, %', '80')
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(
      /Water moves from here to there.*filament ends drier here/,
    )
    type('Temperature, °C', '60')
    expect(screen.getByText(/It then has/).textContent).toContain('7.0')
    type('Temperature, °C', '4')
    expect(screen.getByText(/Dew: below/)).toBeTruthy()
    type('Temperature, °C', '900')
    expect(screen.getByText(/Type −?-?40.* to 200/)).toBeTruthy()
  })
  test('whether heated air can dry a material at all, and what would', async () => {
    open('air')
    await screen.findByText('Here')
    type('Here, temperature, °C', '29.4')
    type('Here, relative humidity, %', '75')
    type('Temperature, °C', '65')
    fireEvent.change(screen.getByLabelText('To dry'), { target: { value: 'PA6' } })
    expect(screen.getByText(/PA6 in it ends at/).textContent).toMatch(
      /0\.66.*however long.*takes 69\.1.*at least; or draw in air of a dew point below/,
    )
    type('Temperature, °C', '90')
    expect(screen.getByText(/PA6 in it ends at/).textContent).toContain('low enough')
    type('Temperature, °C', '120')
    expect(screen.getByText(/Never above 95/)).toBeTruthy()
  })
  test('what cannot be is said, with the remedy', async () => {
    open('air')
    await screen.findByText('Here')
    fireEvent.change(screen.getByLabelText('Here, second quantity'), { target: { value: 'dew point' } })
    type('Here, temperature, °C', '20')
    type('Here, dew point, °C', '25')
    expect(screen.getByText(/the rest would be dew/)).toBeTruthy()
    type('Here, dew point, °C', 'warm')
    expect(screen.getByText('Type a number.')).toBeTruthy()
  })
  test('begins with the last readings of the journal', async () => {
    open('air')
    await screen.findByText('Here')
    expect(screen.getByLabelText<HTMLInputElement>('There, relative humidity, %').value).not.toBe('')
  })
})

describe('check the engine', () => {
  test('runs the very cases of the tests and counts those that hold', async () => {
    open('checks', {
      estimator: { ...sameThreadEstimator },
    })
    expect((await screen.findByText(/outside checks hold/, {}, { timeout: 20_000 })).textContent).toMatch(
      /^All \d\d/,
    )
  }, 30_000)
  test('one that does not hold, and one that cannot run, are said', async () => {
    open('checks', {
      estimator: {
        ...sameThreadEstimator,
        check: async checks =>
          checks.map((check, i) =>
            i === 0
              ? { id: check.id, ran: false, reason: 'Nothing answers it.' }
              : { id: check.id, ran: true, value: 0, low: 1, high: 2, passed: i > 1 },
          ),
      },
    })
    expect((await screen.findByText(/do not hold/)).textContent).toMatch(/^2 of/)
    expect(screen.getByText('Nothing answers it.')).toBeTruthy()
  })
})

test.each(ALMANAC_PAGES.filter(page => page.path !== 'desiccants').map(page => page.path))(
  'the page %s opens and is named',
  async path => {
    open(path)
    expect(await screen.findByRole('heading', { level: 1 })).toBeTruthy()
  },
)

test('every formula leads to a page of the almanac', () => {
  for (const id of Object.keys(FORMULAS))
    expect(ALMANAC_PAGES.map(page => page.path)).toContain(pageOfFormula(id))
})

test('isotherms rise from nothing; warmth lowers silica gel', () => {
  for (const kind of ['silica-a', 'clay', 'calcium-chloride'] as const) {
    const points = isothermPoints(kind, 20)
    points.slice(1).forEach((point, i) => expect(point[1]).toBeGreaterThanOrEqual(points[i]![1] - 1e-9))
  }
  const at = (temperatureC: number) => isothermPoints('clay', temperatureC).find(([rh]) => rh === 40)![1]
  expect(at(40)).toBeLessThan(at(10))
  const colours = { ink: '#000', pencil: '#111', water: '#222', heat: '#333', faint: '#444' }
  expect(isothermOption(20, colours, 800)['series']).toHaveLength(8)
})

describe('a person’s own values', () => {
  const fill = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
  test('are refused where they cannot be, kept as entries, marked, and used everywhere', async () => {
    const store = memoryStore(boathouseLoft(NOW, 'UTC'))
    open('materials', { store })
    fireEvent.click(await screen.findByRole('button', { name: 'PLA' }))
    await screen.findByText('PLA: your own values')
    fill('Target, % RH', '900')
    fill('Moisture when saturated, wt %', '0.3')
    fill('Trouble above, wt %', '0.05')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/Type 1 to 80 % RH/)).toBeTruthy()
    expect(screen.getByText(/type more than 0\.4/)).toBeTruthy()
    expect(screen.getByText(/type 0\.1 or more/)).toBeTruthy()
    expect(store.acts.at(-1)?.what).not.toContain('own values')
    fill('Target, % RH', '18')
    fill('Moisture when saturated, wt %', '')
    fill('Trouble above, wt %', '0.3')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(store.acts.at(-1)?.what).toBe('PLA: own values'))
    expect(store.acts.at(-1)!.entries.map(entry => entry.payload)).toEqual([
      { material: 'PLA', field: 'targetRhPercent', value: 18 },
      { material: 'PLA', field: 'troubleAbovePercent', value: 0.3 },
    ])
    const cell = (await row('PLA')).querySelector('[data-own]')
    expect(cell?.textContent).toBe('18')
    // the boxes go by it: a shelf of PLA has another target now
    const state = fold(store.acts)
    expect(boxView(state, 'launch', NOW)!.target!.rhPercent).toBe(18)
    expect(boxFacts(state, boxView(state, 'launch', NOW)!, NOW)!.targetRhPercent).toBe(18)
  })
  test('what one dries at: in order, below what it stands; hotter than the almanac is one’s own choice', async () => {
    const store = memoryStore(boathouseLoft(NOW, 'UTC'))
    open('materials', { store })
    fireEvent.click(await screen.findByRole('button', { name: 'PLA' }))
    await screen.findByText('PLA: your own values')
    fill('Dried at, from, °C', '56')
    fill('Dried for, to, h', '2')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/The hotter end comes second: type 56 or more/)).toBeTruthy()
    expect(screen.getByText(/The longer end comes second: type 4 or more/)).toBeTruthy()
    fill('Dried at, to, °C', '57')
    fill('Dried for, to, h', '')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/It is dried below what it stands: type 57 or more/)).toBeTruthy()
    fill('Never above, °C', '57')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(store.acts.at(-1)?.what).toBe('PLA: own values'))
    const { PLA } = fold(store.acts).materials
    expect([PLA.dryAtC, PLA.dryForHours, PLA.neverAboveC]).toEqual([[56, 57], [4, 6], 57])
    await waitFor(async () => expect((await row('PLA')).textContent).toMatch(/56–574–657$/))
  })
})
