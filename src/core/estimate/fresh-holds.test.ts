import { expect, test } from '@jest/globals'
import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'
import { ensembleOf } from './estimate-box.ts'
import { freshHoldsUntilS } from './fresh-holds.ts'
import { seededRandom } from './random.ts'

const { facts } = syntheticBox(seededRandom(3 * 104_729), 60, 6)
const ensemble = ensembleOf(facts, { drawsPerRound: 60 })
const holds = (days: readonly number[], sure: number) =>
  freshHoldsUntilS(
    facts,
    ensemble,
    days.map(day => facts.nowS + secondsFromDays(day)),
    sure,
  )!.map(atS => daysFromSeconds(atS - facts.nowS))

test('beads renewed later hold until later, and until long after the day', () => {
  const until = holds([0, 14, 28, 56], 0.9)
  expect([...until].sort((a, b) => a - b)).toEqual(until)
  until.forEach((day, i) => expect(day).toBeGreaterThan([0, 14, 28, 56][i]!))
})
test('fresh beads hold longer than those that are in', () => {
  const now = daysFromSeconds(ensemble.report.leaves!.spread.low - facts.nowS)
  expect(holds([0], 0.9)[0]).toBeGreaterThan(now)
})
test('who asks for more certainty gets an earlier date', () => {
  const [sure, even, bold] = [0.95, 0.8, 0.5].map(share => holds([7], share)[0]!)
  expect(sure).toBeLessThanOrEqual(even!)
  expect(even).toBeLessThanOrEqual(bold!)
})
test('the same facts, the same dates; no target, no date', () => {
  expect(holds([7, 14], 0.9)).toEqual(holds([7, 14], 0.9))
  expect(freshHoldsUntilS({ ...facts, targetRhPercent: null }, ensemble, [facts.nowS], 0.9)).toBeNull()
})
