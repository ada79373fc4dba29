import { describe, expect, test } from '@jest/globals'
import { MATERIALS } from '../filament/catalogue.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { openingsEvery, someBox, someCharge, someSpool } from '#testing/box-models.ts'
import { daysToDry, gramsNeeded, steadyRh, waterByPath, whenPassesLimit } from './box-questions.ts'
import { firstAbove } from './first-above.ts'
import { fitWeights } from './fit-weights.ts'
import { leastGrams } from './least-grams.ts'
import { constantSeries, sampledSurroundings } from '../room/sampled-room.ts'
import {
  canHeatedAirDry,
  heatedRhPercent,
  intakeDewPointNeeded,
  leastDryingTemperature,
} from './heated-air.ts'
import { daysToLimit, moistureInAir, steadyAir } from './spool-time.ts'

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
  ],
  charges: [someCharge({ dryMassG: 130, loadingGPerG: 0.03, conductanceLPerH: 8 })],
  spools: [someSpool('PLA', 32, { id: 's', filamentG: 940 })],
  openings: openingsEvery(8, 25, 300),
  airRhPercent: 45,
  surroundings: steadyAir(18, 62),
})
const span = { fromS: 0, days: 300, settleS: 4 * DAY }

describe('of a box', () => {
  test('the limit is passed later with more beads, never without a leak', () => {
    const few = whenPassesLimit(box, 25, span)
    const many = whenPassesLimit({ ...box, charges: [{ ...box.charges[0]!, dryMassG: 260 }] }, 25, span)
    expect(few.value).toBeGreaterThan(4)
    expect(many.value).toBeGreaterThan(1.5 * few.value)
    expect(whenPassesLimit({ ...box, inlets: [], openings: [] }, 25, span).value).toBe(Infinity)
    expect(few.because.inputs.map(item => item.unit)).toContain('L/h')
  })
  test('grams needed hold the interval, a tenth less does not', () => {
    const days = 90
    const wanted = gramsNeeded(box, box.charges[0]!, 25, { ...span, days })
    const holds = (grams: number) =>
      whenPassesLimit(
        {
          ...box,
          charges: [
            {
              ...box.charges[0]!,
              dryMassG: grams,
              conductanceLPerH: 8 * Math.max(1, grams / 130) ** (2 / 3),
            },
          ],
        },
        25,
        { ...span, days },
      ).value
    expect(holds(wanted.value)).toBe(Infinity)
    expect(holds(0.9 * wanted.value)).toBeLessThan(days)
    // a lid so open that the floor stands above the limit: no amount does
    const open = { ...box, inlets: [{ by: 'lid' as const, conductanceLPerH: 900 }] }
    expect(gramsNeeded(open, open.charges[0]!, 25, { ...span, days: 60 }).value).toBe(Infinity)
  })
  test('steady RH lies between beads and room, worked by hand', () => {
    const answer = steadyRh(
      { sorbent: DESICCANTS['calcium-sulfate'].sorbent, loadingGPerG: 0, conductanceLPerH: 6 },
      { leakLPerH: 2, roomRhPercent: 60, temperatureC: 20 },
    )
    expect(answer.value).toBeCloseTo((60 * 2) / 8, 6)
  })
  test('a damp spool dries; the tight winding later, the loose one sooner; nylon never to clean', () => {
    const damp = { ...box, charges: [{ ...box.charges[0]!, dryMassG: 400 }], openings: [] }
    const answer = daysToDry(damp, 's', 'mean', 0.2, { fromS: 0, days: 60 })
    expect(answer.earlyDays).toBeLessThan(answer.value)
    expect(answer.value).toBeLessThan(answer.lateDays)
    expect(answer.endsAtPercent).toBeLessThan(0.2)
    const nylon = { ...damp, spools: [{ ...damp.spools[0]!, material: MATERIALS.PA6 }] }
    expect(daysToDry(nylon, 's', 'mean', 0.2, { fromS: 0, days: 60 }).value).toBe(Infinity)
  })
  test('shares of water by path sum to one; the lid brings more than the wall by their conductances', () => {
    const { paths, because } = waterByPath(box, { fromS: 0, days: 120 })
    expect(because.inputs.length).toBeGreaterThan(3)
    expect(paths.reduce((sum, path) => sum + path.share, 0)).toBeCloseTo(1, 9)
    const grams = (name: string) => paths.find(item => item.way.by === name)!.broughtG
    expect(grams('lid') / grams('wall')).toBeCloseTo(10, 3)
    expect(grams('openings')).toBeGreaterThan(0)
    expect(grams('charge')).toBeLessThan(0)
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

describe('a person’s own weights', () => {
  const truth = { slitShare: 0.11, scale: 1.25 }
  const material = {
    ...MATERIALS.PLA,
    moistureAt50Percent: MATERIALS.PLA.moistureAt50Percent * truth.scale,
    saturatedMoisturePercent: MATERIALS.PLA.saturatedMoisturePercent * truth.scale,
  }
  const at = { spool, wetRhPercent: 12, air: steadyAir(21, 48) }
  const atS = [0, 0.5, 1, 2, 4, 8, 20].map(days => days * DAY)
  const weighings = moistureInAir(
    { ...at, spool: { ...spool, material }, slitShare: truth.slitShare },
    atS,
  ).map((moisture, i) => ({ atS: atS[i]!, filamentAndWaterG: 940 * (1 + moisture.meanPercent / 100) }))
  test('fix slit transport and c50', () => {
    const fit = fitWeights(at, weighings)
    expect(fit.outcome).toBe('fitted')
    expect(Math.abs(fit.slitShare / truth.slitShare - 1)).toBeLessThan(0.15)
    expect(fit.moistureAt50Percent).toBeCloseTo(0.5, 1)
    expect(fit.residualG).toBeLessThan(0.05)
  })
  test('too few of them, or none that moved, are said', () => {
    expect(fitWeights(at, weighings.slice(0, 2)).outcome).toBe('too few weighings')
    expect(
      fitWeights(
        at,
        weighings.map(item => ({ ...item, filamentAndWaterG: 945 })),
      ).outcome,
    ).toBe('no change to fit')
  })
})

describe('a run that did not finish is neither never nor then', () => {
  const bare = { ...box, spools: [], openings: [] }
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
    const smooth = whenPassesLimit(slow, 25, { fromS: 0, days })
    const sampled = whenPassesLimit({ ...slow, surroundings: sampledSurroundings(everyMinute) }, 25, {
      fromS: 0,
      days,
    })
    expect(smooth.passing.ends).toBe('passes')
    expect(sampled.value).toBeCloseTo(smooth.value, 1)
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
  test('no free air: said by its name, the figure is no number', () => {
    const none = whenPassesLimit({ ...bare, insideL: 0 }, 25, span)
    expect(none.passing).toMatchObject({ ends: 'unfinished', why: 'nothing to hold water' })
    expect(none.value).toBeNaN()
    expect(gramsNeeded({ ...bare, insideL: 0 }, bare.charges[0]!, 25, span).value).toBeNaN()
  })
  test('leak 0 holds, beads 0 passes', () => {
    const shut = { ...bare, inlets: [{ by: 'lid' as const, conductanceLPerH: 0 }] }
    expect(whenPassesLimit(shut, 25, { ...span, settleS: 5 * DAY }).value).toBe(Infinity)
    expect(whenPassesLimit({ ...bare, charges: [someCharge({ dryMassG: 0 })] }, 25, span).passing.ends).toBe(
      'passes',
    )
  })
})

test('heated air taken below its dew point stands at 100 %, not above', () => {
  expect(heatedRhPercent({ temperatureC: 24, relativeHumidityPercent: 80 }, 10)).toBe(100)
})
