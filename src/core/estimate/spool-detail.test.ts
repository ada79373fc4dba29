import { expect, test } from '@jest/globals'
import { nextPrintAnswer, passingAnswer } from '../answers/box-answers.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import { estimateBox } from './estimate-box.ts'
import { seededRandom } from './random.ts'
import { spoolDetails } from './spool-detail.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'

test('spools looked at ring by ring agree with the lumped spool in the mean, and last less in the open than inside', () => {
  const { facts: made } = syntheticBox(seededRandom(77), 60, 6)
  const facts = {
    ...made,
    spools: made.spools.map((spool, i) => (i === 0 ? { ...spool, material: MATERIALS.PA6 } : spool)),
  }
  const report = estimateBox(facts, { seed: 3, drawsPerRound: 60 })
  const details = spoolDetails(facts, report.sampleDraws)
  expect(details.map(detail => detail.id)).toEqual(report.spools.map(spool => spool.id))
  details.forEach((detail, i) => {
    const lumped = report.spools[i]!.moisturePercent
    expect(Math.abs(detail.meanPercent / lumped - 1)).toBeLessThan(0.15)
    expect(detail.nextSpread.low).toBeLessThanOrEqual(detail.nextSpread.high)
    expect(nextPrintAnswer(detail, 'x').value).toBe(detail.nextPercent)
    if (detail.open?.passing && detail.here) {
      expect(detail.open.usual).toBeLessThan(detail.here.usual ?? Infinity)
      const { inputs } = passingAnswer('q', detail.open, detail.open.passing).because
      expect(inputs).toHaveLength(5)
    }
  })
  // nylon that stands past its limit already dries, or does not; the rest are judged on the next print
  expect(details.every(detail => detail.nextG === 100)).toBe(true)
  expect(details.some(detail => detail.nextPercent > detail.meanPercent)).toBe(true)
})
