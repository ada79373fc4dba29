import { expect, test } from '@jest/globals'
import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'
import { freshHeldDays } from '../renewal/hold-dates.ts'
import { ensembleOf } from './estimate-box.ts'
import { freshHolds } from './fresh-holds.ts'
import { seededRandom } from './random.ts'

const { facts } = syntheticBox(seededRandom(5 * 104_729), 60, 6)
const ensemble = ensembleOf(facts, { drawsPerRound: 60 })
const from = (day: number) => facts.nowS + secondsFromDays(day)
const holds = (days: readonly number[], share: number) =>
  freshHolds(facts, ensemble, days.map(from))!.map(({ heldS }) =>
    daysFromSeconds(heldS.find(one => Math.abs(one.share - share) < 1e-9)!.heldS),
  )

test('beads renewed later hold until later, and for days', () => {
  const days = [0, 14, 28, 56]
  const held = holds(days, 0.1)
  const until = held.map((one, i) => one + days[i]!)
  expect([...until].sort((a, b) => a - b)).toEqual(until)
  for (const one of held) expect(one).toBeGreaterThan(0)
})
test('fresh beads hold longer than those that are in', () => {
  const now = daysFromSeconds(ensemble.report.leaves!.spread.low - facts.nowS)
  expect(holds([0], 0.1)[0]).toBeGreaterThan(now)
})
test('who asks for more certainty gets an earlier date', () => {
  const [sure, even, bold] = [0.05, 0.2, 0.5].map(share => holds([7], share)[0]!)
  expect(sure).toBeLessThanOrEqual(even!)
  expect(even).toBeLessThanOrEqual(bold!)
})
test('between the days it was worked out for, what is read off lies within a tenth', () => {
  const coarse = freshHolds(facts, ensemble, [0, 26, 52, 78, 104].map(from))!
  for (const day of [13, 39, 65, 91]) {
    const read = freshHeldDays(coarse, from(day), 0.1)
    expect(Math.abs(read / holds([day], 0.1)[0]! - 1)).toBeLessThan(0.1)
  }
})
test('the same facts, the same dates; no target, no date', () => {
  expect(holds([7, 14], 0.1)).toEqual(holds([7, 14], 0.1))
  expect(freshHolds({ ...facts, targetRhPercent: null }, ensemble, [facts.nowS])).toBeNull()
})
