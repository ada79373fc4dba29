import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { cannedEstimator, someReport } from '#testing/canned-estimator.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import RenewPlace from './renew-place.tsx'

afterEach(cleanup)
const DAY = 86_400_000
const loft = boathouseLoft(NOW, 'UTC')
const state = fold(loft)
const base = someReport(boxFacts(state, boxView(state, 'cox', NOW)!, NOW)!)
/** A crystal pack in Cox, in place of its beads. */
const crystals: Draft[] = [
  {
    kind: 'charge.made',
    payload: {
      chargeId: 'pack',
      name: 'Crystal pack',
      desiccant: 'calcium-chloride',
      dryMassG: 70,
      massKnown: 'told',
      holder: 'crystal pack',
      freshness: 'new',
      freshnessKnown: 'told',
      indicator: 'none',
      boxId: null,
    },
  },
  { kind: 'charge.replaced', payload: { boxId: 'cox', outChargeId: 'cox-beads', inChargeId: 'pack' } },
]
/** A box is known by the first beads it ever had. */
const crystalBox: readonly string[] = ['cox-beads', 'pack']
/** Heated so often that by what is usual it is worn. */
const worn: Draft[] = Array.from({ length: 52 }, (_, i) => ({
  kind: 'charge.heated',
  atMs: NOW - (40 - 0.7 * i) * DAY,
  payload: {
    chargeId: 'spare-beads-2',
    temperatureC: 110,
    hours: 2,
    oven: 'electric',
    roomId: null,
  },
}))
const open = async (page: string, drafts: readonly Draft[] = []) => {
  const hasCrystals = drafts === crystals
  const store = memoryStore([...loft, ...(drafts.length > 0 ? [makeAct(testMaker, 'more', drafts)] : [])])
  renderPlace(<RenewPlace />, {
    store,
    path: '/renew/:page?/:id?',
    at: `/renew/${page}`,
    estimator: cannedEstimator(base, id =>
      hasCrystals && crystalBox.includes(id)
        ? { early: 20, late: 60, fresh: 90 }
        : { early: 200, late: 300, fresh: 300 },
    ),
  })
  await waitFor(() => expect(screen.getByRole('heading', { level: 1 }).textContent).not.toMatch(/Reckoning/))
  return store
}
const answer = () => screen.getByRole('heading', { level: 1 }).textContent
const part = (name: string) => document.querySelector<HTMLElement>(`[data-part="${name}"]`)

describe('replace', () => {
  test('a crystal pack: by when, by which weight, by its fill line; brine’s caution stands there', async () => {
    await open('replace', crystals)
    expect(answer()).toMatch(/^Replace Cox by \w+ 2[78] Nov/)
    const row = part('replace')!.textContent
    expect(row).toMatch(/70.g of calcium chloride.*used once: no heat brings it back/)
    expect(row).toMatch(/at \d+.g.*when the brine stands at its fill line/)
    expect(document.querySelector('[data-caution]')!.parentElement!.textContent).toMatch(/[Bb]rine/)
    expect(part('shopping')!.textContent).toMatch(/70.g of calcium chloride.*, by \w+ 2[78] Nov: Cox/)
    expect(await everyFigureAgrees()).toBeGreaterThanOrEqual(3)
  })
  test('worn beads are due now, and say how far they are gone', async () => {
    await open('replace', worn)
    expect(answer()).toBe('Replace Spare packet, starboard now.')
    expect(part('replace')!.textContent).toMatch(/worn out: holds about 7\d.% of what it did/)
    expect(part('shopping')!.textContent).toMatch(/60.g of silica gel.*, now: Spare packet, starboard/)
  })
  test('what no oven here brings back is named', async () => {
    await open('replace')
    expect(part('replace')!.textContent).toMatch(
      /Ferry45.g of molecular sieve 4A.*nothing here is hot enough/,
    )
  })
  test('it is replaced: the form of renewing opens', async () => {
    await open('replace', crystals)
    fireEvent.click(screen.getAllByRole('button', { name: 'It is replaced' })[0]!)
    await waitFor(() => expect(screen.getByRole('dialog')).toBeTruthy())
  })
})

describe('look back', () => {
  test('water, energy, every heat, days kept and missed, what the beads hold, the score', async () => {
    await open('back')
    expect(answer()).toMatch(/^\d+.g of water taken out in 10 heats\.$/)
    expect(document.body.textContent).toMatch(/Of three planned days two were kept/)
    expect(part('heats')!.querySelectorAll('tbody tr').length).toBe(10)
    expect(part('capacities')!.textContent).toMatch(/Spare packet, port98.% after four heats/)
    expect(screen.getByRole('link', { name: 'Each date, and what came' })).toBeTruthy()
    expect(await everyFigureAgrees()).toBe(2)
  })
  test('nothing yet', async () => {
    renderPlace(<RenewPlace />, {
      store: memoryStore([]),
      path: '/renew/:page?/:id?',
      at: '/renew/back',
    })
    expect((await screen.findByRole('heading', { level: 1 })).textContent).toBe('Nothing was heated yet.')
  })
})
