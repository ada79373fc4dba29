import { describe, expect, test } from '@jest/globals'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import type { MaterialId } from '../filament/material.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import { untoldSource, type HeatSource, type HeatSourceKind } from '../renewal/heat-source.ts'
import { dialOf, dryThese, type DryAsked } from './dry-these.ts'
import {
  refusedDrying,
  spoolLimits,
  type HeatedParts,
  type SpoolBody,
  type SpoolLabel,
} from './spool-limits.ts'

/** A source that has what its dial says, give or take. */
const source = (kind: HeatSourceKind, swingC = 0): HeatSource => ({
  ...untoldSource(kind),
  lowestC: 35,
  highestC: 120,
  measured: [
    { dialC: 50, advertisedC: null, measuredC: 50, swingC },
    { dialC: 100, advertisedC: null, measuredC: 100, swingC },
  ],
})
const on = (body: SpoolBody | null, label: SpoolLabel | null = null): HeatedParts => ({
  body,
  label,
  holder: null,
})
const asked = (id: MaterialId, dialC: number, more: Partial<DryAsked> = {}): DryAsked => ({
  at: {
    spool: { id: 's', material: MATERIALS[id], size: USUAL_SPOOL, diameterMm: 1.75, flanges: 'closed' },
    filamentG: 750,
    ringsRhPercent: new Array<number>(8).fill(50),
  },
  parts: on('board'),
  source: source('dryer'),
  dialC,
  air: 'vented',
  intake: { temperatureC: celsiusFromFahrenheit(85), relativeHumidityPercent: 75 },
  nextG: 100,
  ...more,
})

describe('can this dryer, in this room, do it', () => {
  // worked apart: 85 °F and 75 % is 12 % at 150 °F and 6 % at 180 °F; nylon ends near 0.65 and 0.33 there
  test.each([
    [150, 12, 0.65, false],
    [180, 6, 0.33, true],
  ] as const)('nylon at %d °F', (fahrenheit, rh, ends, can) => {
    const found = dryThese(asked('PA6', celsiusFromFahrenheit(fahrenheit)))!
    expect(Math.abs(found.rhPercent!.middle - rh)).toBeLessThan(0.6)
    expect(Math.abs(found.endsAtPercent!.middle - ends)).toBeLessThan(0.04)
    expect([found.canUsable, found.canClean]).toEqual([can, false])
    expect(found.next.usable.usual === null).toBe(!can)
  })
  test('its outer turns print after some eight hours at 80 °C, the core needs days', () => {
    const { next, mean } = dryThese(
      asked('PA6', 80, { intake: { temperatureC: 22, relativeHumidityPercent: 45 } }),
    )!
    expect(next.usable.usual!).toBeGreaterThan(3)
    expect(next.usable.usual!).toBeLessThan(16)
    expect(mean.usable.usual!).toBeGreaterThan(2 * next.usable.usual!)
    expect(mean.clean.usual ?? Infinity).toBeGreaterThan(36)
    expect(next.usable.early!).toBeLessThan(next.usable.usual!)
    expect(next.usable.late!).toBeGreaterThan(next.usable.usual!)
  })
  test('the least heat and the dew point of the air, solved by hand', () => {
    const intake = { temperatureC: 24, relativeHumidityPercent: 60 }
    const found = dryThese(asked('PA6', 65, { intake }))!
    // c = A·a/(1 − K²a²) at 0.55 wt %: K² = (9.5/3 − 2)/(9.5/3 − 0.5) = 0.4375, A = 9.5·0.5625, a = 0.1025
    const wanted = 0.1025
    const magnus = (t: number) => 611.2 * Math.exp((17.62 * t) / (243.12 + t))
    const inverse = (e: number) => (243.12 * Math.log(e / 611.2)) / (17.62 - Math.log(e / 611.2))
    expect(Math.abs(found.leastC - inverse((0.6 * magnus(24)) / wanted))).toBeLessThan(0.5)
    expect(Math.abs(found.dewPointC - inverse(wanted * magnus(65)))).toBeLessThan(0.3)
  })
  test('shut in it is only warmed; with beads the room does not matter', () => {
    expect(dryThese(asked('PLA', 50, { air: 'closed' }))).toMatchObject({
      endsAtPercent: null,
      canUsable: false,
      hours: null,
    })
    const damp = { temperatureC: 29, relativeHumidityPercent: 90 }
    const dry = { temperatureC: 29, relativeHumidityPercent: 20 }
    const ends = (intake: typeof damp) =>
      dryThese(asked('PLA', 50, { air: 'with beads', intake }))!.endsAtPercent
    expect(ends(damp)).toEqual(ends(dry))
  })
  test('energy: what a small dryer draws over its hours', () => {
    const small = { ...untoldSource('dryer'), measured: source('dryer').measured }
    const { hours, kWh, waterOutG } = dryThese(
      asked('PLA', 50, { source: small, intake: { temperatureC: 20, relativeHumidityPercent: 45 } }),
    )!
    expect(hours).not.toBeNull()
    expect(kWh! / (hours! * 0.048)).toBeGreaterThan(0.4)
    expect(kWh! / (hours! * 0.048)).toBeLessThan(1.01)
    expect(waterOutG!).toBeGreaterThan(0.3)
  })
})

test('the least of four parts comes first', () => {
  const limits = spoolLimits(MATERIALS.PC, { body: 'PC', label: 'film', holder: 'printed PLA' })
  expect(limits.map(({ of, mostC }) => [of, mostC])).toEqual([
    ['holder', 50],
    ['label', 65],
    ['spool', 115],
    ['filament', 120],
  ])
})

describe('what stands the heat', () => {
  const refusals = (
    id: MaterialId,
    body: SpoolBody | null,
    kind: HeatSourceKind,
    [middleC, swingC]: readonly [number, number],
    air: 'vented' | 'closed' = 'vented',
    by: 'measured' | 'dial' = 'measured',
    label: SpoolLabel | null = null,
  ) =>
    refusedDrying({
      material: MATERIALS[id],
      parts: on(body, label),
      kind,
      heat: { middleC, leastC: middleC - swingC, mostC: middleC + swingC, by },
      air,
    }).map(one => one.of)
  test.each([
    ['a moulded spool at 80 °C with its swing', refusals('PA6', 'plastic', 'dryer', [80, 4]), ['too hot']],
    ['the same with nothing to spare', refusals('PA6', 'plastic', 'dryer', [76, 4]), []],
    ['a printed spool in any dryer', refusals('PLA', 'printed', 'dryer', [48, 4]), ['printed']],
    ['board in an oven', refusals('PC', 'board', 'electric', [105, 20]), ['too hot']],
    ['nylon in a microwave', refusals('PA6', 'plastic', 'microwave', [60, 0]), ['microwave']],
    ['shut in without beads', refusals('PLA', 'plastic', 'dryer', [45, 5], 'closed'), ['shut']],
    ['an oven by its dial', refusals('ABS', 'board', 'electric', [60, 20], 'vented', 'dial'), ['unmeasured']],
    [
      'a card label in the oven',
      refusals('ABS', 'ABS', 'electric', [60, 5], 'vented', 'measured', 'paper'),
      ['label'],
    ],
    ['the same in a dryer', refusals('ABS', 'ABS', 'dryer', [60, 5], 'vented', 'measured', 'paper'), []],
    ['a spool of polycarbonate stands more', refusals('PC', 'PC', 'dryer', [105, 5]), []],
    ['above what the filament stands', refusals('PLA', null, 'dryer', [55, 5]), ['too hot']],
  ] as const)('%s', (_what, found, expected) => expect(found).toEqual(expected))

  test('two schools: well below where it softens, or as hot as all parts stand', () => {
    const of = (id: MaterialId, body: SpoolBody) => {
      const about = { at: asked(id, 0).at, parts: on(body), source: source('dryer', 3) }
      return [dialOf('gentle', about), dialOf('hot', about)]
    }
    expect(of('PLA', 'plastic')).toEqual([45, 50])
    expect(of('PA6', 'plastic')).toEqual([75, 75])
    expect(of('PETG', 'board')).toEqual([60, 65])
    expect(
      dialOf('hot', {
        at: asked('PLA', 0).at,
        parts: on('plastic'),
        source: { ...source('dryer'), lowestC: 60 },
      }),
    ).toBeNull()
  })
})
