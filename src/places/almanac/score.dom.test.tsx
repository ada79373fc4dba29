import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { KeptResults } from '#store/kept-results.ts'
import { secondsFromDays } from '#units/time.ts'
import { inCount, scoreSentence } from '#ui/score-words.ts'
import { idleEstimator, memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import AlmanacPlace from './almanac-place.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')

/** An estimator that gives every box the same days from its own day on. */
function daysFromThen(lowDays: number, highDays: number, asked: BoxFacts[] = []) {
  return {
    ...idleEstimator,
    report: (facts: BoxFacts) => {
      asked.push(facts)
      const at = (days: number) => facts.nowS + secondsFromDays(days)
      return Promise.resolve({
        standing: { is: 'shown' },
        leaves: {
          spread: { low: at(lowDays), middle: at((lowDays + highDays) / 2), high: at(highDays) },
          beyondHorizon: { early: false, middle: false, late: false },
        },
      } as unknown as BoxReport)
    },
  }
}
const open = (estimator = daysFromThen(1, 300), search = '') =>
  renderPlace(<AlmanacPlace />, {
    store: memoryStore([...acts]),
    path: '/almanac/:page',
    at: `/almanac/score${search}`,
    estimator,
  })
const heading = async () => {
  await waitFor(
    () => expect(screen.getByRole('heading', { level: 1 }).textContent).not.toMatch(/^Reckoning/),
    {
      timeout: 20_000,
    },
  )
  return screen.getByRole('heading', { level: 1 }).textContent
}

describe('the score of the dates', () => {
  test('ranges wide enough hold all that came', async () => {
    open()
    expect(await heading()).toMatch(/^Of \d+ dates Veld gave, all fell in their range$/)
    expect(document.querySelectorAll('[data-miss]')).toHaveLength(0)
    expect(screen.getByText(/more are open/)).toBeTruthy()
  })
  test('dates far off are missed, each listed with what came', async () => {
    open(daysFromThen(200, 300))
    expect(await heading()).toMatch(/^Of \d+ dates Veld gave, 0 fell in their range$/)
    expect(document.querySelectorAll('[data-miss="early"]').length).toBeGreaterThan(2)
    expect(screen.getAllByText(/over between .* and .*: earlier/).length).toBeGreaterThan(2)
  })
  test('each date is reckoned by what was known on its day', async () => {
    const asked: BoxFacts[] = []
    open(daysFromThen(1, 300, asked))
    await heading()
    expect(asked.length).toBeGreaterThan(30)
    for (const { nowS, readings } of asked)
      for (const reading of readings) expect(reading.atS).toBeLessThanOrEqual(nowS)
  })
  test('one box by its name, and the way to all', async () => {
    open(daysFromThen(1, 300), '?box=rigger')
    await heading()
    expect(screen.getByRole('link', { name: 'The score of every box' })).toBeTruthy()
  })
})

test('counts and sentences', () => {
  expect(inCount(14.4)).toBe('14 or 15')
  expect(inCount(8)).toBe('8')
  const dates = (...scores: readonly ('within' | 'early' | 'open')[]) => scores.map(score => ({ score }))
  expect(scoreSentence(dates('within', 'within', 'early', 'open'))).toBe(
    'Of 3 dates Veld gave, 2 fell in their range',
  )
  expect(scoreSentence(dates('within'), 'given for Cox')).toBe('The one date given for Cox fell in its range')
  expect(scoreSentence(dates('open'))).toBe('Of no date Veld gave is it known yet what came')
})

/** What was reckoned once is looked up, not reckoned again. */
test('a second visit reckons nothing', async () => {
  const kept = new Map<string, { standsOn: string; value: unknown }>()
  const results: KeptResults = {
    last: name => Promise.resolve(kept.get(name) ?? null),
    keep: (name, result) => Promise.resolve(void kept.set(name, result)),
  }
  const visit = async (asked: BoxFacts[]) => {
    renderPlace(<AlmanacPlace />, {
      store: memoryStore([...acts]),
      path: '/almanac/:page',
      at: '/almanac/score',
      estimator: daysFromThen(1, 300, asked),
      results,
    })
    await heading()
    cleanup()
    return asked.length
  }
  expect(await visit([])).toBeGreaterThan(30)
  expect(await visit([])).toBe(0)
})
