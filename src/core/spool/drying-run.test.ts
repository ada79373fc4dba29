import { describe, expect, test } from '@jest/globals'
import { secondsFromHours } from '#units/time.ts'
import { askedAfter, madeUpRun } from '#testing/drying-runs.ts'
import { dryingRun } from './drying-run.ts'
import { idleClock } from './print-clock.ts'
import { spoolReport } from './spool-report.ts'

// that the end is found, and the spool's own state with it, is measured on forty runs by npm run validate
describe('a run followed by the scale', () => {
  test('weights narrow what is believed, and the same weights say the same', () => {
    const { facts } = madeUpRun(1)
    const before = dryingRun({ ...facts, weights: facts.weights.slice(0, 1) })!
    const after = dryingRun(facts)!
    const width = ({ endOutG }: typeof before) => endOutG.high - endOutG.low
    expect(width(after)).toBeLessThan(0.6 * width(before))
    expect(dryingRun(facts)).toEqual(after)
    // what is out grows, as long as it is hot
    const middles = after.outG.map(one => one.middle)
    expect(middles.at(-1)!).toBeGreaterThan(middles[10]!)
  }, 60_000)
  test('what the weights told goes on: the clock begins where the run left the spool, and is surer', () => {
    const made = madeUpRun(0)
    const { own, next, ringsRhPercent, filamentG } = spoolReport(askedAfter(made))!
    const { spool, limitPercent } = made.facts
    const room = { temperatureC: 22, rhPercent: 50 }
    const at = { spool, filamentG, ringsRhPercent, air: room, limitPercent }
    const usual = idleClock(at, 100)!
    const known = idleClock({ ...at, own: own! }, 100)!
    // as its make usually is, the same rings would hold another weight of water
    expect(Math.abs(usual.fromPercent - next.middle)).toBeGreaterThan(0.01 * next.middle)
    expect(known.fromPercent).toBeCloseTo(next.middle, 9)
    expect(known.lateS! / known.earlyS!).toBeLessThan(0.85 * (usual.lateS! / usual.earlyS!))
  }, 60_000)
  test('off for some hours: nothing is lost, and it is done later', () => {
    const { facts } = madeUpRun(2)
    const hot = facts.air[0]!
    const bare = { ...facts, weights: [] }
    const through = dryingRun(bare)!
    const off = dryingRun({
      ...bare,
      air: [
        hot,
        { fromS: secondsFromHours(2), temperatureC: 22, rhPercent: null },
        { fromS: secondsFromHours(8), temperatureC: hot.temperatureC, rhPercent: hot.rhPercent },
      ],
    })!
    expect(off.endOutG.middle).toBeLessThan(through.endOutG.middle)
    expect(off.endOutG.middle).toBeGreaterThan(0.5 * through.endOutG.middle)
  }, 60_000)
})
