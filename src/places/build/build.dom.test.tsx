import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { fold } from '#journal/fold.ts'
import { undoSteps } from '#journal/undo.ts'
import { makeAct, type Act } from '#records/act.ts'
import { NOW, testMaker } from '#testing/place-harness.tsx'
import {
  headingOf as heading,
  loftActs as loft,
  openBuild as open,
  planIn as plan,
} from '#testing/open-build.tsx'
import { everyFigureAgrees } from '#testing/every-figure.ts'

afterEach(cleanup)
const column = (name: string) => within(document.querySelector<HTMLElement>(`[data-candidate="${name}"]`)!)
const judged = () => waitFor(() => expect(heading()).toMatch(/^The .* takes/))
const typeIn = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })

describe('the plans', () => {
  test('those begun stand in a list; an address of none leads back', async () => {
    open('/build')
    expect(await screen.findByText('2 boxes are being planned')).toBeTruthy()
    expect(screen.getByText('Coxless').getAttribute('href')).toBe('/build/coxless')
    cleanup()
    open('/build/nowhere')
    expect(await screen.findByText('No such plan')).toBeTruthy()
  })
  test('an outline begins a plan with it chosen; a size of one’s own is checked by field', async () => {
    const store = open('/build', [])
    fireEvent.click((await screen.findByText('pail')).closest('button')!)
    fireEvent.change(await screen.findByLabelText('Their size'), { target: { value: 'own size' } })
    typeIn('How many spools', '2')
    typeIn(/^Over the rim/, '20')
    typeIn(/^Bore/, '300')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^Over the rim: type 40/)).toBeTruthy()
    expect(screen.getByText(/^Bore: type 5/)).toBeTruthy()
    typeIn(/^Over the rim/, '180')
    typeIn(/^Bore/, '190')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^Bore: it is wider than the rim/)).toBeTruthy()
    typeIn(/^Bore/, '48')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(fold(store.acts).plans.size).toBe(1))
    const [made] = fold(store.acts).plans.values()
    expect(made!.candidates[made!.chosen]!.name).toBe('pail')
    expect(made!.spools).toMatchObject([{ of: 'sized', rimDiameterMm: 180, boreMm: 48, count: 2 }])
  })
  test('from nothing: four spools to buy, and two that might do stand beside each other', async () => {
    const store = open('/build', [])
    fireEvent.click(await screen.findByText('Plan a box'))
    expect((await screen.findByLabelText<HTMLInputElement>('How many spools')).value).toBe('4')
    typeIn('How many spools', 'many')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/How many: type a whole number/)).toBeTruthy()
    typeIn('How many spools', '5')
    fireEvent.click(screen.getByText('Keep it'))
    await judged()
    expect(heading()).toBe('The tote takes all five on an axle')
    const state = fold(store.acts)
    expect([...state.plans.values()][0]).toMatchObject({
      name: 'Plan 1',
      spools: [{ of: 'class', count: 5 }],
    })
    expect(state.rooms.size).toBe(1)
    expect(state.contradictions).toEqual([])
    expect(store.acts).toHaveLength(1)
  })
})

describe('a plan', () => {
  test('says what the chosen one takes, and each beside it; every figure can be worked out from its reason', async () => {
    open('/build/coxless')
    await judged()
    expect(heading()).toBe('The tote from the chandler takes all four on an axle')
    expect(column('clip box, long').getByText(/takes/).textContent).toMatch(
      /^takes two on an axle, front to back/,
    )
    expect(await everyFigureAgrees()).toBeGreaterThan(30)
  }, 120_000)
  test('another is chosen, left out, put beside; what does not fit says what it wants and what there is', async () => {
    const store = open('/build/coxless')
    await judged()
    fireEvent.click(screen.getByRole('radio', { name: 'clip box, long' }))
    await waitFor(() => expect(heading()).toMatch(/^The clip box, long takes two/))
    expect(plan(store).chosen).toBe(0)
    fireEvent.click(column('tote').getByText('Leave it out'))
    await waitFor(() => expect(plan(store).candidates).toHaveLength(2))
    fireEvent.click(screen.getByText('Another that might do'))
    typeIn(/^Height to the lid/, '120')
    typeIn(/^Depth at the rim/, '130')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(plan(store).candidates).toHaveLength(3))
    expect(plan(store).candidates[2]).toMatchObject({
      name: 'clip box, square',
      heightMm: 120,
      sizeKnown: 'measured',
    })
    await waitFor(() =>
      expect(column('clip box, square').getByText(/Takes none/).textContent).toMatch(
        /PLA chalk is 200 across and 66.mm wide, and wants 210.mm .* Inside there are 266 × 130 × 120.mm: take a larger box/,
      ),
    )
    expect(undoSteps(store.acts, () => false).undo?.what).toBe('Coxless: the clip box, square beside it')
  })
  test('litres that contradict the lengths are asked about; the answer is what is kept', async () => {
    const store = open('/build/coxless')
    await judged()
    fireEvent.click(column('tote from the chandler').getByText('Change it'))
    typeIn(/^Its label says/, '60')
    fireEvent.click(screen.getByText('Keep it'))
    const asked = within(
      await waitFor(() => document.querySelector<HTMLElement>('[data-part="size-question"]')!),
    )
    fireEvent.click(asked.getByRole('button', { name: /^The lengths/ }))
    await waitFor(() => expect(plan(store).candidates[1]!.litresTold).toBeNull())
    expect(plan(store).candidates[1]!.heightMm).toBe(272)
  })
  test('what is asked: a rod too thick is refused by name, more room takes fewer', async () => {
    const store = open('/build/coxless')
    await judged()
    fireEvent.click(screen.getByText('What is asked'))
    typeIn(/^Rod/, '58')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/does not go through/)).toBeTruthy()
    typeIn(/^Rod/, '14')
    typeIn(/^Between spools/, '40')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() =>
      expect(plan(store)).toMatchObject({ rodDiameterMm: 14, clearances: { betweenMm: 40 } }),
    )
    await waitFor(() => expect(heading()).toMatch(/takes three/))
  })
  test('onto the shelf: the box with its measures, its own spools in it, the plan done with', async () => {
    const store = open('/build/coxless')
    await judged()
    fireEvent.click(screen.getByText('Put it on the shelf'))
    await screen.findByText('elsewhere')
    const state = fold(store.acts)
    const box = [...state.boxes.values()].find(one => one.name === 'Coxless')!
    expect(box).toMatchObject({
      widthMm: 372,
      depthMm: 284,
      heightMm: 272,
      sizeKnown: 'measured',
      lid: 'foam',
      planId: 'coxless',
    })
    // base against rim: √(344·258/(372·284))
    expect(box.baseShare).toBeCloseTo(0.9166, 3)
    expect([...state.charges.values()].find(charge => charge.boxId === box.boxId)).toMatchObject({
      dryMassG: 120,
      pieces: 3,
      desiccant: 'silica-a',
      freshness: 'new',
    })
    expect([1, 2, 3].map(n => state.spools.get(`spare-spool-${n}`)!.where)).toEqual([
      { at: 'box', boxId: box.boxId },
      { at: 'box', boxId: box.boxId },
      { at: 'box', boxId: box.boxId },
    ])
    expect(plan(store).retiredMs).not.toBeNull()
    expect(state.contradictions).toEqual([])
    // one act: one undo takes it all back
    expect(store.acts).toHaveLength(loft.length + 1)
    // what was built stays to be read, and leads to its box
    cleanup()
    open('/build/coxless/drill', store.acts)
    await waitFor(() => expect(heading()).toMatch(/^Six holes, five drilled/))
    cleanup()
    open('/build/coxless', store.acts)
    await judged()
    expect(screen.getByText('It stands on the shelf').getAttribute('href')).toBe(`/box/${box.boxId}`)
  })
  test('what was left out by hand stays where it is', async () => {
    const byHand = makeAct(testMaker, 'x', [
      {
        kind: 'plan.changed',
        atMs: NOW - 1000,
        payload: {
          planId: 'coxless',
          arrangement: {
            kind: 'axle',
            axis: 0,
            lines: [{ at: [0, 0, 170], spools: [{ id: 'spare-spool-1', alongMm: 0 }] }],
          },
        },
      },
    ])
    const store = open('/build/coxless', [...loft, byHand])
    await judged()
    fireEvent.click(screen.getByText('Put it on the shelf'))
    await screen.findByText('elsewhere')
    const { spools } = fold(store.acts)
    expect(spools.get('spare-spool-1')!.where.at).toBe('box')
    expect(spools.get('spare-spool-2')!.where.at).toBe('open')
  })
  test('put away, and the page says so', async () => {
    const store = open('/build/sculler')
    await judged()
    fireEvent.click(screen.getByText('Put this plan away'))
    await waitFor(() => expect(plan(store, 'sculler').retiredMs).not.toBeNull())
    expect(await screen.findByText('One box is being planned')).toBeTruthy()
  })
})

describe('arranging it', () => {
  const arranged = async (acts: readonly Act[] = loft) => {
    const store = open('/build/coxless/arrange', acts)
    await waitFor(() => expect(heading()).toMatch(/^Takes/))
    return store
  }
  /** The part of a drawing that says this; the views are drawn once they have a width. */
  const part = (view: string, label: string) =>
    screen.getAllByLabelText(label).find(item => item.dataset['hand']?.startsWith(view))!
  const press = (item: HTMLElement, key: string, times = 1, shiftKey = false) => {
    for (let i = 0; i < times; i++) fireEvent.keyDown(item, { key, shiftKey })
  }
  test('as Veld arranges it everything keeps its room; each says how it hangs', async () => {
    await arranged()
    expect(heading()).toBe('Takes four on an axle, and everything keeps its room')
    expect(screen.getAllByText(/^bore/)).toHaveLength(4)
    expect(screen.getByText('Back to the plan')).toBeTruthy()
  })
  test('the rod by arrow keys: what is short is said in millimetres, the remedy works, and all of it undoes', async () => {
    const store = await arranged()
    press(part('front', 'the rod'), 'ArrowUp', 3, true)
    // 20 mm to the lid of the 10 asked, 30 up
    await waitFor(() =>
      expect(heading()).toMatch(/^Takes four on an axle; PLA chalk stands 10.mm into the lid$/),
    )
    await waitFor(() => expect(store.acts).toHaveLength(loft.length + 1), { timeout: 3000 })
    expect(store.acts.at(-1)!.what).toBe('Coxless: moved')
    const rodMm = plan(store).arrangement!.lines[0]!.at[2]
    fireEvent.click(await screen.findByRole('button', { name: /^Lower the rod/ }))
    await waitFor(() => expect(heading()).toMatch(/everything keeps its room/))
    expect(plan(store).arrangement!.lines[0]!.at[2]).toBeLessThan(rodMm)
    expect(fold(store.acts).contradictions).toEqual([])
  })
  test('a spool along the rod by a millimetre; into its neighbour is said by name', async () => {
    const store = await arranged()
    press(part('front', 'PLA sloe'), 'ArrowRight')
    await waitFor(() => expect(store.acts).toHaveLength(loft.length + 1), { timeout: 3000 })
    press(part('front', 'PLA sloe'), 'ArrowRight', 4, true)
    await waitFor(() => expect(heading()).toMatch(/PLA sloe stands .* into PETG kelp/))
    expect(screen.queryByRole('button', { name: /^Ask/ })).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Let Veld arrange it' }))
    await waitFor(() => expect(heading()).toMatch(/everything keeps its room/))
  })
  test('an outlet by arrow keys: down and along its wall; off its wall is said in millimetres', async () => {
    const store = await arranged()
    press(part('front', 'outlet 2'), 'ArrowDown', 2)
    press(part('front', 'outlet 2'), 'ArrowRight', 1, true)
    await waitFor(() => expect(plan(store).outletsAt).toHaveLength(4), { timeout: 3000 })
    const [first, second] = plan(store).outletsAt!
    expect(second!.belowRimMm).toBe(first!.belowRimMm + 2)
    press(part('front', 'outlet 2'), 'ArrowRight', 7, true)
    await waitFor(() =>
      expect(document.querySelector('[data-part="arrange"]')?.textContent).toMatch(
        /Holes 3 and 2 leave too little wall|Hole 2 runs off its wall: move it|Holes \d and \d leave too little wall between them: move them .*mm further apart/,
      ),
    )
  })
  test('what is short is drawn large beside the views; every length opens to its reason', async () => {
    await arranged()
    expect(document.querySelector('[data-part="loupe"]')).toBeNull()
    press(part('front', 'the rod'), 'ArrowUp', 3, true)
    await waitFor(() =>
      expect(document.querySelector('[data-part="loupe"]')?.textContent).toMatch(/short.*of 10.mm asked/),
    )
    expect(await everyFigureAgrees()).toBeGreaterThan(10)
  }, 60_000)
  test('beads under the spools: lifted into them they are in the way, taken out they are gone', async () => {
    const store = await arranged()
    fireEvent.click(screen.getByText('Take the beads out'))
    await waitFor(() => expect(plan(store).charge).toBeNull())
    fireEvent.click(await screen.findByText(/^Put beads in/))
    await waitFor(() => expect(plan(store).charge).toMatchObject({ heightMm: 36 }))
    press(part('front', 'display'), 'ArrowLeft', 2, true)
    await waitFor(() => expect(plan(store).display?.alongMm).toBe(110), { timeout: 3000 })
    // choosing another container lets go of what was moved in this one
    cleanup()
    open('/build/coxless', store.acts)
    await judged()
    fireEvent.click(screen.getByRole('radio', { name: 'tote' }))
    await waitFor(() => expect(heading()).toMatch(/^The tote takes/))
  })
})
