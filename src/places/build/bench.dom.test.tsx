import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { writePlanFile } from '#formats/plan-file/plan-file.ts'
import { fold } from '#journal/fold.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import { newPlan } from '#session/build/plan-drafts.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { headingOf as heading, openBuild as open, planIn as plan } from '#testing/open-build.tsx'

afterEach(cleanup)
const atBench = () => waitFor(() => expect(heading()).toMatch(/^Step \d+ of \d+$/))
const step = (id: string) => within(document.querySelector<HTMLElement>(`[data-bench="${id}"]`)!)

describe('at the bench', () => {
  test('the next hole, as drawn: ticked off, its measures kept; back and not done yet take it back', async () => {
    const store = open('/build/coxless/bench')
    await atBench()
    fireEvent.click(step('drill 4').getByText(/^Hole 4/))
    await waitFor(() => expect(document.querySelector('[data-step="drill 4"]')).not.toBeNull())
    expect(document.querySelector('[data-caution="drilling"]')).not.toBeNull()
    expect(await everyFigureAgrees('[data-part="step"] [data-quantity]')).toBe(3)
    fireEvent.click(screen.getByText(/^As drawn\. Next: deburr$/))
    await waitFor(() => expect(plan(store).done).toContain('drill 4'))
    expect(plan(store).drilled.find(one => one.hole === '4')).toMatchObject({ drillMm: 5, mend: null })
    fireEvent.click(step('drill 4').getByText(/^Hole 4/))
    fireEvent.click(await screen.findByText('Not done yet'))
    await waitFor(() => expect(plan(store).drilled.some(one => one.hole === '4')).toBe(false))
  })
  test('somewhere else: typed, and the step of mending follows', async () => {
    const store = open('/build/coxless/bench')
    await atBench()
    fireEvent.click(step('drill 4').getByText(/^Hole 4/))
    fireEvent.click(await screen.findByText('somewhere else'))
    fireEvent.change(screen.getByLabelText(/^Down from the rim/), { target: { value: '46' } })
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(plan(store).drilled.find(one => one.hole === '4')?.downMm).toBe(46))
    await waitFor(() => expect(document.querySelector('[data-bench="mend 4"]')).not.toBeNull())
  })
  test('prices are written with the plan; the sum agrees with its reason', async () => {
    const store = open('/build/coxless/bench')
    await atBench()
    const price = screen.getByLabelText(/^Price of rod of steel/)
    fireEvent.change(price, { target: { value: '4,5' } })
    fireEvent.blur(price)
    await waitFor(() => expect(plan(store).prices).toEqual([{ part: 'rod', price: 4.5 }]))
    await waitFor(() =>
      expect(document.querySelector('[data-part="parts"]')?.textContent).toMatch(/30\.50 in all/),
    )
    expect(await everyFigureAgrees('[data-part="parts"] [data-quantity]')).toBe(2)
    fireEvent.change(price, { target: { value: 'dear' } })
    expect(await screen.findByText('a price from 0, or nothing')).toBeTruthy()
  })
  test('no plan is finished without beads and a place for the display; each is waived by name', async () => {
    const store = open('/build/sculler/bench')
    await atBench()
    fireEvent.click(screen.getByText('Put it on the shelf'))
    const dialog = within(await screen.findByRole('dialog'))
    const finish = dialog.getByRole<HTMLButtonElement>('button', { name: 'Put it on the shelf' })
    expect(finish.disabled).toBe(true)
    fireEvent.click(dialog.getByText('It does without beads'))
    await waitFor(() => expect(plan(store, 'sculler').without).toEqual(['charge']))
    fireEvent.click(dialog.getByText('It does without a display'))
    await waitFor(() => expect(plan(store, 'sculler').without).toEqual(['charge', 'display']))
    await waitFor(() =>
      expect(dialog.getByRole<HTMLButtonElement>('button', { name: 'Put it on the shelf' }).disabled).toBe(
        false,
      ),
    )
    fireEvent.click(dialog.getByRole('button', { name: 'Put it on the shelf' }))
    await waitFor(() => expect(plan(store, 'sculler').retiredMs).not.toBeNull())
    const state = fold(store.acts)
    const box = [...state.boxes.values()].find(one => one.name === 'Sculler')!
    expect(box.planId).toBe('sculler')
    expect([...state.charges.values()].some(charge => charge.boxId === box.boxId)).toBe(false)
    expect(state.contradictions).toEqual([])
  })
})

describe('a plan file', () => {
  const file = (text: string) => {
    const made = new File([text], 'x.json', { type: 'application/json' })
    // jsdom's files have no text()
    Object.defineProperty(made, 'text', { value: () => Promise.resolve(text) })
    return made
  }
  const bring = (text: string) => {
    const input = document.querySelector<HTMLInputElement>('input[type="file"]')!
    fireEvent.change(input, { target: { files: [file(text)] } })
  }
  test('opened it is a plan of this journal; what is no plan says why, and nothing is taken in', async () => {
    const store = open('/build')
    await screen.findByText('Open a plan file')
    bring('{"format":"something"}')
    expect(await screen.findByText(/no plan of a box.*Nothing was taken in/)).toBeTruthy()
    const before = store.acts.length
    const {
      planId: _,
      roomId: _room,
      ...given
    } = newPlan('x', 'From afar', 'r', [
      {
        of: 'sized',
        name: 'PETG dune',
        material: 'PETG',
        body: 'plastic',
        rimDiameterMm: 190,
        widthMm: 60,
        boreMm: 40,
        filamentG: 800,
        emptyG: 190,
        count: 2,
      },
    ])
    bring(writePlanFile({ ...given, candidates: [outlineCandidate('tote')], chosen: 0 }))
    await waitFor(() => expect(store.acts.length).toBe(before + 1))
    await waitFor(() => expect(heading()).toMatch(/^The tote takes all two/))
    expect([...fold(store.acts).plans.values()].find(one => one.name === 'From afar')).toBeTruthy()
  })
})
