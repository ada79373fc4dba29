import { describe, expect, test } from '@jest/globals'
import { secondsFromHours } from '#units/time.ts'
import { seededRandom } from '../estimate/random.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import type { MaterialId } from '../filament/material.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import { dryingRun, type DryingRunFacts } from './drying-run.ts'
import { tell } from './life.ts'

const HOURS = 8
const AHEAD = 24
const STEP_G = 1

/** A run whose truth is drawn apart: how damp, how fast, how much it holds, its air and its board; a weight every 40 min. */
function madeUp(seed: number): { facts: DryingRunFacts; leavesG: number } {
  const random = seededRandom(9000 + seed * 31)
  const between = (low: number, high: number) => low + (high - low) * random.uniform()
  const id = (['PA6', 'PA12', 'PVA', 'PA6-CF', 'PLA'] as const satisfies readonly MaterialId[])[seed % 5]!
  const material = MATERIALS[id]
  const temperatureC = { PA6: 82, PA12: 78, PVA: 52, 'PA6-CF': 85, PLA: 48 }[id]
  const spool = {
    id: 's',
    material,
    size: USUAL_SPOOL,
    diameterMm: 1.75 as const,
    flanges: 'closed' as const,
  }
  const filamentG = between(550, 1000)
  const cardboardG = between(120, 220)
  const rhPercent = { low: 4, middle: 6, high: 8 }
  const trueRh = between(4, 8)
  const trueStart = between(28, 62)
  const legs = [
    {
      untilS: secondsFromHours(AHEAD),
      temperatureC,
      air: [{ atS: 0, temperatureC, rhPercent: { low: trueRh, middle: trueRh, high: trueRh } }],
      points: 400,
    },
  ]
  const truth = tell(
    {
      spool,
      filamentG,
      cardboardG: cardboardG * between(0.8, 1.25),
      start: { low: trueStart, high: trueStart },
      fromS: 0,
      legs,
      prints: [],
    },
    {
      damp: 0.5,
      slitShare: 0.067 * between(0.6, 1.7),
      diffusivity: 2 ** between(-0.9, 0.9),
      moisture: 1.15 ** between(-0.9, 0.9),
    },
  )!
  const outAt = (hours: number) => {
    const i = truth.atS.findIndex(s => s >= secondsFromHours(hours) - 1)
    return truth.waterG[0]! - truth.waterG[i]!
  }
  const emptyG = 30
  const weigh = (g: number) => Math.round(g / STEP_G) * STEP_G
  const weights = Array.from({ length: 12 }, (_, i) => {
    const hours = (HOURS * i) / 11
    return {
      atS: secondsFromHours(hours),
      grossG: weigh(filamentG + emptyG + cardboardG + truth.waterG[0]! - outAt(hours)),
    }
  })
  return {
    leavesG: outAt(AHEAD - 0.01),
    facts: {
      spool,
      filamentG,
      cardboardG,
      start: { low: 25, high: 65 },
      fromS: 0,
      air: [{ fromS: 0, temperatureC, rhPercent }],
      weights,
      scaleStepG: STEP_G,
      nextG: 100,
      limitPercent: material.troubleAbovePercent!,
      untilS: secondsFromHours(AHEAD),
    },
  }
}

describe('a run followed by the scale', () => {
  test('twelve weights at a step of a gram: the end within a fifth, its range neither too narrow nor too wide', () => {
    const runs = Array.from({ length: 10 }, (_, seed) => {
      const { facts, leavesG } = madeUp(seed)
      const { endOutG } = dryingRun(facts)!
      return {
        near: Math.abs(endOutG.middle - leavesG) <= 0.2 * leavesG,
        held: endOutG.low <= leavesG && leavesG <= endOutG.high,
      }
    })
    expect(runs.filter(one => one.near).length).toBeGreaterThanOrEqual(8)
    const held = runs.filter(one => one.held).length
    expect(held).toBeGreaterThanOrEqual(7)
    expect(held).toBeLessThanOrEqual(9)
  }, 120_000)
  test('weights narrow what is believed, and the same weights say the same', () => {
    const { facts } = madeUp(1)
    const before = dryingRun({ ...facts, weights: facts.weights.slice(0, 1) })!
    const after = dryingRun(facts)!
    const width = ({ endOutG }: typeof before) => endOutG.high - endOutG.low
    expect(width(after)).toBeLessThan(0.6 * width(before))
    expect(dryingRun(facts)).toEqual(after)
    // what is out grows, as long as it is hot
    const middles = after.outG.map(one => one.middle)
    expect(middles.at(-1)!).toBeGreaterThan(middles[10]!)
  }, 60_000)
  test('off for some hours: nothing is lost, and it is done later', () => {
    const { facts } = madeUp(2)
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
