import { describe, expect, test } from '@jest/globals'
import { MATERIALS } from '../filament/catalogue.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import { someBox, someCharge, someSpool } from '#testing/box-models.ts'
import { firstAbove } from './first-above.ts'
import { leastGrams, leastGramsUntil, type LeastGrams } from './least-grams.ts'
import { constantSeries, sampledSurroundings } from '../room/sampled-room.ts'
import {
  canHeatedAirDry,
  heatedRhPercent,
  intakeDewPointNeeded,
  leastDryingTemperature,
} from './heated-air.ts'
import { daysToLimit, steadyAir } from './spool-time.ts'

const DAY = 86_400
const spool = {
  id: 's',
  material: MATERIALS.PLA,
  size: USUAL_SPOOL,
  filamentG: 940,
  diameterMm: 1.75 as const,
  flanges: 'closed' as const,
}
const box = someBox({
  insideL: 9,
  inlets: [
    { by: 'lid', conductanceLPerH: 0.3 },
    { by: 'wall', conductanceLPerH: 0.03 },
    { by: 'openings', conductanceLPerH: 0.09 },
  ],
  charges: [someCharge({ dryMassG: 130, loadingGPerG: 0.03, conductanceLPerH: 8 })],
  spools: [someSpool('PLA', 32, { id: 's', filamentG: 940 })],
  airRhPercent: 45,
  surroundings: steadyAir(18, 62),
})
const holding = (dryMassG: number) => ({
  ...box,
  charges: [{ ...box.charges[0]!, dryMassG, conductanceLPerH: 8 * Math.max(1, dryMassG / 130) ** (2 / 3) }],
})
const untilDay = (days: number) => ({ fromS: 0, toS: days * DAY, settleS: 4 * DAY })
const TOLERANCES = { relativeTolerance: 5e-4, airToleranceRhPercent: 0.1, maxSteps: 60_000 }
const passes25 = (model: typeof box, days: number) => firstAbove(model, 25, untilDay(days), TOLERANCES, 8)
const dayPassed = (model: typeof box): number => {
  const passing = passes25(model, 900)
  return passing.ends === 'passes' ? passing.atS / DAY : Number.NaN
}

const sizing = { charge: box.charges[0]!, limitRhPercent: 25, mostG: 5000, ratio: 1.02 }

describe('of a box', () => {
  test('the limit is passed later with more beads, never without a leak', () => {
    const few = dayPassed(box)
    expect(few).toBeGreaterThan(4)
    expect(dayPassed(holding(260))).toBeGreaterThan(1.5 * few)
    expect(passes25({ ...box, inlets: [] }, 300).ends).toBe('holds')
  })
  test('grams needed hold the interval, a tenth less does not', () => {
    const wanted = leastGrams(box, { ...sizing, span: untilDay(90) }, TOLERANCES, 8)
    if (wanted.ends !== 'found') throw new Error(wanted.ends)
    expect(passes25(holding(wanted.grams), 90).ends).toBe('holds')
    expect(passes25(holding(0.9 * wanted.grams), 90).ends).toBe('passes')
    // a lid so open that the floor stands above the limit: no amount does
    const open = { ...box, inlets: [{ by: 'lid' as const, conductanceLPerH: 900 }] }
    expect(leastGrams(open, { ...sizing, span: untilDay(60) }, TOLERANCES, 8).ends).toBe('no amount does')
  })
})

describe('grams for several ends of one span', () => {
  const days = [60, 90, 200]
  const until = (of: readonly number[], nearG?: number) => of.map(day => ({ untilS: day * DAY, nearG }))
  const { ratio, ...asked } = sizing
  const apart = days.map(day => leastGrams(box, { ...sizing, span: untilDay(day) }, TOLERANCES))
  const grams = (list: readonly LeastGrams[]) =>
    list.map(one => (one.ends === 'found' ? one.grams : Number.NaN))
  test.each([
    ['from the middle', undefined],
    ['from near', 60],
    ['from far below', 3],
    ['from more than there may be', 5000],
  ])('are what each alone would be, begun %s, in whatever order', (_, nearG) => {
    const span = untilDay(1)
    const together = leastGramsUntil(box, { ...asked, ratio, span, untilS: until(days, nearG) }, TOLERANCES)
    grams(together).forEach((one, i) => {
      expect(one / grams(apart)[i]!).toBeLessThanOrEqual(ratio)
      expect(one / grams(apart)[i]!).toBeGreaterThanOrEqual(1 / ratio)
    })
    const turned = leastGramsUntil(
      box,
      { ...asked, ratio, span, untilS: until([...days].reverse(), nearG) },
      TOLERANCES,
    )
    expect(turned.reverse()).toEqual(together)
  })
  test('no amount for the latest is no word of the others', () => {
    const few = { ...asked, ratio, mostG: 1.2 * grams(apart)[1]!, span: untilDay(1) }
    const ends = leastGramsUntil(box, { ...few, untilS: until(days) }, TOLERANCES)
    expect(ends.map(one => one.ends)).toEqual(['found', 'found', 'no amount does'])
  })
})

describe('of a spool in the open', () => {
  test('in a damp room the next print goes first, nylon within hours', () => {
    const room = { wetRhPercent: 8, temperatureC: 21, relativeHumidityPercent: 55 }
    const outer = daysToLimit(spool, room, 'next', 0.25)
    const mean = daysToLimit(spool, room, 'mean', 0.25)
    expect(outer.value).toBeLessThan(mean.value)
    expect(mean.earlyDays).toBeLessThan(mean.lateDays)
    expect(
      daysToLimit({ ...spool, material: MATERIALS.PA6 }, { ...room, wetRhPercent: 3 }, 'next', 0.4).value,
    ).toBeLessThan(0.3)
    expect(daysToLimit(spool, { ...room, relativeHumidityPercent: 20 }, 'mean', 0.25).value).toBe(Infinity)
  })
})

describe('heated air', () => {
  const room = { temperatureC: 24, relativeHumidityPercent: 60 }
  test('nylon: the least temperature just reaches the limit, and no less does', () => {
    const least = leastDryingTemperature(MATERIALS.PA6, room, 0.4).value
    expect(canHeatedAirDry(MATERIALS.PA6, room, least + 0.1, 0.4).can).toBe(true)
    expect(canHeatedAirDry(MATERIALS.PA6, room, least - 1, 0.4).can).toBe(false)
    expect(canHeatedAirDry(MATERIALS.PA6, room, 100, 0.4).tooHot).toBe(true)
  })
  test('where no safe heat does, the intake dew point that would is named and is right', () => {
    const limit = 0.02
    expect(
      leastDryingTemperature(MATERIALS.PC, { temperatureC: 34, relativeHumidityPercent: 90 }, 0.001).value,
    ).toBeNaN()
    const dewC = intakeDewPointNeeded(MATERIALS.TPU, 60, limit).value
    const rh = heatedRhPercent({ temperatureC: dewC, relativeHumidityPercent: 100 }, 60)
    expect(equilibriumMoisturePercent(MATERIALS.TPU, rh)).toBeCloseTo(limit, 6)
  })
})

describe('a run that did not finish is neither never nor then', () => {
  const bare = { ...box, spools: [] }
  test('samples every minute of eighty days are no reason to stop: the day is found', () => {
    const days = 80
    const series = constantSeries({ temperatureC: 18, relativeHumidityPercent: 62 }, 0, days * DAY)
    const samples = days * 1440
    const everyMinute = {
      ...series,
      everyS: 60,
      temperatureC: new Float64Array(samples + 1).fill(18),
      relativeHumidityPercent: new Float64Array(samples + 1).fill(62),
    }
    const slow = { ...bare, charges: [someCharge({ dryMassG: 40, loadingGPerG: 0.03 })] }
    const smooth = passes25(slow, days)
    const sampled = passes25({ ...slow, surroundings: sampledSurroundings(everyMinute) }, days)
    if (smooth.ends !== 'passes' || sampled.ends !== 'passes') throw new Error(sampled.ends)
    expect(sampled.atS / DAY).toBeCloseTo(smooth.atS / DAY, 1)
  })
  const starved = { maxSteps: 4 }
  const span90 = { fromS: 0, toS: 90 * DAY, settleS: 4 * DAY }
  test('starved of steps, a limit has no answer, and sizing none either', () => {
    expect(firstAbove(bare, 25, span90, starved)).toMatchObject({ ends: 'unfinished', why: 'too many steps' })
    const sizing = leastGrams(
      bare,
      { charge: bare.charges[0]!, limitRhPercent: 25, span: span90, mostG: 900, ratio: 1.05 },
      starved,
    )
    expect(sizing).toEqual({ ends: 'unfinished', why: 'too many steps' })
  })
  test('no free air: said by its name', () => {
    expect(passes25({ ...bare, insideL: 0 }, 300)).toMatchObject({
      ends: 'unfinished',
      why: 'nothing to hold water',
    })
    const sizing = { charge: bare.charges[0]!, limitRhPercent: 25, span: span90, mostG: 900, ratio: 1.05 }
    expect(leastGrams({ ...bare, insideL: 0 }, sizing, TOLERANCES).ends).toBe('unfinished')
  })
  test('leak 0 holds, beads 0 passes', () => {
    expect(passes25({ ...bare, inlets: [{ by: 'lid', conductanceLPerH: 0 }] }, 300).ends).toBe('holds')
    expect(passes25({ ...bare, charges: [someCharge({ dryMassG: 0 })] }, 300).ends).toBe('passes')
  })
})

test('heated air taken below its dew point stands at 100 %, not above', () => {
  expect(heatedRhPercent({ temperatureC: 24, relativeHumidityPercent: 80 }, 10)).toBe(100)
})
