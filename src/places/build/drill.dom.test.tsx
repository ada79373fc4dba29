import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { undoSteps } from '#journal/undo.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { headingOf as heading, openBuild as open, planIn as plan } from '#testing/open-build.tsx'

afterEach(cleanup)
const drawn = () => waitFor(() => expect(heading()).toMatch(/hole/))
const typeIn = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const row = (hole: string) => within(document.querySelector<HTMLElement>(`[data-row="${hole}"]`)!)

describe('the drill sheet', () => {
  test('says what is wrong; every figure can be worked out from its reason', async () => {
    open('/build/coxless/drill')
    await drawn()
    expect(heading()).toMatch(/^Six holes, five drilled; A is 3\.0.mm low$/)
    expect(screen.getByText(/^Left as it is: 2\.8.mm out of level/)).toBeTruthy()
    expect(await everyFigureAgrees()).toBeGreaterThan(20)
  }, 60_000)
  test('the shim puts it right, undo takes it back; the rod can’t be drawn to it, nor a second hole drilled', async () => {
    const store = open('/build/coxless/drill')
    await drawn()
    const remedies = within(document.querySelector<HTMLElement>('[data-part="drill-remedies"]')!)
    expect(remedies.getByText<HTMLButtonElement>('Draw the whole rod to it').disabled).toBe(true)
    expect(remedies.getByText<HTMLButtonElement>('Plug it and drill it anew').disabled).toBe(true)
    fireEvent.click(remedies.getByText(/^File A 3\.0.mm up and set a 3\.0.mm shim under the rod$/))
    await waitFor(() => expect(heading()).toBe('Six holes, five drilled'))
    expect(plan(store).drilled.find(one => one.hole === 'A')).toMatchObject({ downMm: 103.6, mend: 'shim' })
    expect(row('A').getByText(/shimmed/)).toBeTruthy()
    expect(undoSteps(store.acts, () => false).undo?.what).toBe('Coxless: hole A shimmed')
  })
  test('what came out is typed; a slip of the pen is asked about, inches are named', async () => {
    const store = open('/build/coxless/drill')
    await drawn()
    fireEvent.click(row('4').getByRole('button', { name: 'Enter hole 4' }))
    typeIn(/^Down from the rim/, '400')
    typeIn(/^From the right-end edge/, '2.53')
    typeIn(/^Wide/, '0')
    fireEvent.click(screen.getByText('Keep it'))
    expect(
      await screen.findByText(/^Down from the rim: .*far from 40\.0.mm as drawn; measure it again/),
    ).toBeTruthy()
    expect(screen.getByText(/^From the right-end edge: .*was it in inches\? Type it in mm/)).toBeTruthy()
    expect(screen.getByText(/^Wide: type 0\.5/)).toBeTruthy()
    typeIn(/^Down from the rim/, '40,4')
    typeIn(/^From the right-end edge/, '67.4')
    typeIn(/^Wide/, '5')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() =>
      expect(heading()).toMatch(/^Six holes, all drilled; 4 is 3\.\d.mm too far from its edge$/),
    )
    expect(plan(store).drilled.find(one => one.hole === '4')).toEqual({
      hole: '4',
      downMm: 40.4,
      edgeMm: 67.4,
      drillMm: 5,
      mend: null,
    })
    // an outlet may stay where it came out: the plan follows
    const [, forOutlet] = document.querySelectorAll<HTMLElement>('[data-part="drill-remedies"]')
    const [stays] = [...document.querySelectorAll('button')].filter(
      button => button.textContent === 'It stays where it came out',
    )
    expect(forOutlet).toBeTruthy()
    fireEvent.click(stays!)
    await waitFor(() => expect(plan(store).outletsAt).toHaveLength(4))
    await waitFor(() =>
      expect(
        row('4').getByText('67.4', { selector: '[data-quantity="hole 4 from the right-end edge"]' }),
      ).toBeTruthy(),
    )
  })
  test('what is fitted: a thick rod, half a tube, a bore wider than the rod are refused by field and remedy; another fitting is kept', async () => {
    const store = open('/build/coxless/drill')
    await drawn()
    fireEvent.click(screen.getByText('What is fitted'))
    typeIn(/^Rod, mm thick/, '55')
    typeIn('Tubes out', '2.5')
    typeIn('of these idle, capped', '9')
    typeIn(/^Bore of the rod/, '60')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^Rod: it does not go through .* take a thinner one/)).toBeTruthy()
    expect(screen.getByText(/^Tubes out: type a whole number/)).toBeTruthy()
    expect(screen.getByText(/^Bore of the rod: leave it empty for a solid one/)).toBeTruthy()
    typeIn(/^Rod, mm thick/, '16')
    typeIn('Tubes out', '4')
    typeIn('of these idle, capped', '1')
    typeIn(/^Bore of the rod/, '')
    typeIn('Each by', 'own')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^Its name: type 1 to 60 letters/)).toBeTruthy()
    typeIn('Its name', 'cable gland')
    typeIn(/^Its drill/, '7,5')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(plan(store).fitting).toBe('own-cable gland'))
    expect(plan(store)).toMatchObject({
      rodDiameterMm: 16,
      ownFittings: [{ name: 'cable gland', drillMm: 7.5 }],
    })
    expect(plan(store).outletsAt!.map(one => one.capped)).toEqual([false, false, false, true])
    expect(row('A').getByText('16.5')).toBeTruthy()
    expect(row('1').getByText('7.5')).toBeTruthy()
  })
  test('nothing is drilled where spools lie', async () => {
    open('/build/sculler/drill')
    await drawn()
    expect(heading()).toMatch(/^(Two|One) holes?, none drilled yet$/)
  })
  test('templates: the check sheet first, then the walls with holes', async () => {
    open('/build/coxless/print')
    await waitFor(() => expect(document.querySelectorAll('circle[data-hole]')).toHaveLength(10))
    expect(
      [...document.querySelectorAll<HTMLElement>('[data-sheet]')].map(one => one.dataset['sheet']),
    ).toEqual(['check', 'front', 'front', 'right end', 'left end'])
  })
})
