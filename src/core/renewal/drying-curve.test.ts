import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { drying, type DryingAsked, type HotWeight } from './drying-curve.ts'
import { packBatches } from './batches.ts'
import { nextStep, sessionSteps } from './session.ts'
import type { HeatSource } from './heat-source.ts'

const asked = (change: Partial<DryingAsked> = {}): DryingAsked => ({
  startG: 30,
  leftG: { low: 0.8, middle: 2, high: 3.5 },
  minutes: { low: 35, middle: 60, high: 100 },
  dryMassG: 200,
  scaleStepG: 1,
  weights: [],
  ...change,
})
/** A truth of its own: 30 g towards 2, after ten minutes, so fast an hour. */
const truth = (perMinute: number, minutes: readonly number[]): HotWeight[] =>
  minutes.map(at => ({
    minutes: at,
    waterG: Math.round(2 + 28 * Math.exp(-perMinute * Math.max(0, at - 10))),
  }))

describe('beads that dry on the scale', () => {
  test('the rule is what the scale can see: its step, or 0.4 % of the beads', () => {
    expect(drying(asked()).lessThanG).toBe(1)
    expect(drying(asked({ scaleStepG: 0.1 })).lessThanG).toBeCloseTo(0.8, 9)
    expect(drying(asked({ scaleStepG: 0.1, dryMassG: 60 })).lessThanG).toBeCloseTo(0.24, 9)
  })
  test('before any weight it goes by the minutes, with their range', () => {
    const { doneAtMinutes, waterAt, losesGPerH, isDone } = drying(asked())
    expect(doneAtMinutes.low).toBeLessThan(doneAtMinutes.middle)
    expect(doneAtMinutes.middle).toBeLessThan(doneAtMinutes.high)
    expect(waterAt(0).middle).toBe(30)
    // 95 % of what comes out is out when the reckoned hour is over
    expect(waterAt(60).middle).toBeCloseTo(2 + 0.05 * 28, 6)
    expect(losesGPerH).toBeNull()
    expect(isDone).toBe(false)
  })
  test.each([0.03, 0.05, 0.09])(
    'a truth of %f a minute is followed by the weights, and the range narrows',
    rate => {
      const before = drying(asked()).doneAtMinutes
      const after = drying(asked({ weights: truth(rate, [25, 40, 55]) }))
      const meant = drying(asked({ minutes: { low: 1, middle: 10 - Math.log(0.05) / rate, high: 999 } }))
        .doneAtMinutes.middle
      expect(Math.abs(after.doneAtMinutes.middle - meant)).toBeLessThan(0.25 * meant)
      expect(after.doneAtMinutes.high - after.doneAtMinutes.low).toBeLessThan(before.high - before.low)
      expect(after.doneAtMinutes.low).toBeLessThanOrEqual(meant)
      expect(after.doneAtMinutes.high).toBeGreaterThanOrEqual(0.9 * meant)
    },
  )
  test('still falling, then done, by two weights far enough apart', () => {
    const falls = drying(asked({ weights: truth(0.04, [30, 45]) }))
    expect(falls.isDone).toBe(false)
    expect(falls.losesGPerH).toBeGreaterThan(10)
    const still = drying(
      asked({
        weights: [
          { minutes: 90, waterG: 3 },
          { minutes: 120, waterG: 3 },
        ],
      }),
    )
    expect(still.isDone).toBe(true)
    expect(still.losesGPerH).toBe(0)
    // two looks within a minute tell no rate
    expect(
      drying(
        asked({
          weights: [
            { minutes: 30, waterG: 12 },
            { minutes: 31, waterG: 12 },
          ],
        }),
      ).isDone,
    ).toBe(false)
    // a gram in half an hour is not less than a gram
    expect(
      drying(
        asked({
          weights: [
            { minutes: 90, waterG: 4 },
            { minutes: 120, waterG: 3 },
          ],
        }),
      ).isDone,
    ).toBe(false)
  })
  test('any weights at all give finite times in their order', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 80, noNaN: true }),
        fc.array(
          fc.tuple(fc.double({ min: 0, max: 900, noNaN: true }), fc.double({ min: 0, max: 80, noNaN: true })),
          {
            maxLength: 8,
          },
        ),
        fc.constantFrom(0.01, 0.1, 1, 5),
        (startG, list, scaleStepG) => {
          const weights = list.sort((a, b) => a[0] - b[0]).map(([minutes, waterG]) => ({ minutes, waterG }))
          const { doneAtMinutes, waterAt } = drying(asked({ startG, weights, scaleStepG }))
          for (const value of [...Object.values(doneAtMinutes), ...Object.values(waterAt(45))])
            expect(Number.isFinite(value)).toBe(true)
          expect(doneAtMinutes.low).toBeLessThanOrEqual(doneAtMinutes.high)
        },
      ),
      { seed: 5, numRuns: 300 },
    )
  })
})

describe('batches and steps', () => {
  const oven = {
    kind: 'electric',
    trays: 2,
    trayAreaCm2: 500,
    trayDepthMm: 25,
    measured: [],
  } as unknown as HeatSource
  const charge = (id: string, dryMassG: number) => ({ id, desiccant: 'silica-a' as const, dryMassG })
  test('what fits goes together, each once; the largest first; one too large by itself', () => {
    // 1000 cm² at a centimetre: 720 g
    expect(packBatches([charge('a', 300), charge('b', 400), charge('c', 350)], oven)).toEqual([
      ['b', 'a'],
      ['c'],
    ])
    expect(packBatches([charge('a', 2000), charge('b', 10)], oven)).toEqual([['a'], ['b']])
    expect(packBatches([], oven)).toEqual([])
  })
  test('every charge is weighed in before its batch, out after it, and goes back', () => {
    const batches = [{ chargeIds: ['a', 'b'] }, { chargeIds: ['c'] }]
    const steps = sessionSteps(batches).map(({ step, chargeId }) => `${step} ${chargeId ?? ''}`.trim())
    expect(steps).toEqual([
      'displays out',
      'weighed in a',
      'weighed in b',
      'in',
      'out',
      'weighed in c',
      'in',
      'out',
      'cooled',
      'weighed out a',
      'back a',
      'weighed out b',
      'back b',
      'cooled',
      'weighed out c',
      'back c',
    ])
    const done = sessionSteps(batches).map((step, atMs) => ({ ...step, atMs }))
    expect(nextStep(batches, done)).toBeNull()
    expect(nextStep(batches, done.slice(0, 4))).toEqual({ step: 'out', batch: 0, chargeId: null })
  })
})
