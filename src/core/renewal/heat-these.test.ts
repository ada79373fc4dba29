import { describe, expect, test } from '@jest/globals'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import { bakingKWh, bakingMinutes, bedOf, unitMinutes } from './baking.ts'
import { heatAt, untoldSource, type HeatSource, type HeatSourceKind } from './heat-source.ts'
import { heatThese, type ChargeToHeat, type HeatTheseAsked } from './heat-these.ts'

const source = (kind: HeatSourceKind, change: Partial<HeatSource> = {}): HeatSource => ({
  ...untoldSource(kind),
  food: false,
  ...change,
})
const charge = (change: Partial<ChargeToHeat> = {}): ChargeToHeat => ({
  desiccant: 'silica-a',
  indicator: 'orange',
  holder: 'canister',
  body: null,
  saysC: null,
  saysHours: null,
  dryMassG: 150,
  waterG: { low: 24, middle: 27, high: 30 },
  capacityFactor: 1,
  tareG: 40,
  ...change,
})
const ask = (change: Partial<HeatTheseAsked> = {}) =>
  heatThese({
    charge: charge(),
    source: source('electric', { swingC: 0 }),
    heatedIn: 'dish',
    dialC: 120,
    displaysOut: true,
    roomPa: 1500,
    roomC: 20,
    boxC: 25,
    ...change,
  })

describe('what a heating leaves, by hand', () => {
  // type A in air of 1.5 kPa, derived with Ng et al. 2001 (from memory): 60 °C .0315 g/g, 80 °C .012, 105 °C .004
  test.each([
    [60, 0.0315],
    [80, 0.012],
    [105, 0.004],
  ])('%i °C: the isotherm’s %f g/g and 0.2 to 2 g in 100 beyond it', (dialC, isotherm) => {
    const { leftG } = ask({ dialC })
    expect(leftG.low / 150).toBeCloseTo(isotherm + 0.002, 2.7)
    expect(leftG.high / 150).toBeCloseTo(isotherm + 0.02, 2.7)
  })
  test('150 g of beads with 27 g of water: out, left, and on the scale', () => {
    const { leftG, waterOutG, endWeightG, floorRhPercent } = ask({ dialC: 80 })
    // .012 + .011 in the middle: 3.45 g of 150 g stay
    expect(leftG.middle).toBeCloseTo(150 * 0.023, 0)
    expect(waterOutG.middle).toBeCloseTo(27 - 150 * 0.023, 0)
    expect(endWeightG.low).toBeCloseTo(40 + 150 + leftG.low, 6)
    expect(endWeightG.high).toBeCloseTo(40 + 150 + leftG.high, 6)
    // .0140 g/g is 2.6 % at 25 °C, .0320 is 6.0 (.053 at 10 %, straight below)
    expect(floorRhPercent.low).toBeCloseTo(2.6, 0)
    expect(floorRhPercent.high).toBeCloseTo(6.0, 0)
  })
  test('a flame leaves more; a swing widens; worn beads hold less; dry beads give off nothing', () => {
    expect(ask({ source: source('gas', { swingC: 0 }) }).leftG.middle).toBeGreaterThan(ask().leftG.middle)
    const wide = ask({ source: source('electric') })
    expect(wide.leftG.high).toBeGreaterThan(ask().leftG.high)
    expect(wide.leftG.low).toBeLessThan(ask().leftG.low)
    const worn = ask({ charge: charge({ capacityFactor: 0.8 }) })
    expect(worn.leftG.middle).toBeCloseTo(0.8 * ask().leftG.middle, 6)
    const dry = ask({ charge: charge({ waterG: { low: 0, middle: 0.1, high: 0.2 } }) })
    expect(dry.waterOutG.middle).toBe(0)
    expect(dry.leftG.high).toBeCloseTo(0.2, 6)
  })
  test('a microwave asks no heat, and leaves a wide range', () => {
    const { heat, steps, leftG, refusals } = ask({ source: source('microwave') })
    expect(heat).toBeNull()
    expect(refusals).toEqual([])
    expect(leftG.high - leftG.low).toBeCloseTo(150 * 0.07, 6)
    expect(steps!.steps).toBeGreaterThan(1)
  })
})

describe('times of the trade lie in the ranges (common practice)', () => {
  const bake = (celsius: number, depthMm: number) =>
    bakingMinutes({
      heat: { middleC: celsius, leastC: celsius, mostC: celsius, by: 'measured' },
      roomC: 20,
      depthMm,
      bulkDensityGPerMl: 0.72,
      waterShare: 0.2,
    })
  test('200–250 °F for half an hour to two hours', () => {
    const [low, high] = [celsiusFromFahrenheit(200), celsiusFromFahrenheit(250)]
    // a thin layer in a hot oven, and a deeper one in a cooler
    expect(bake(high, 4).low).toBeLessThan(30)
    expect(bake(high, 4).high).toBeGreaterThan(30)
    expect(bake(low, 10).low).toBeLessThan(120)
    expect(bake(low, 10).high).toBeGreaterThan(120)
    expect(bake(high, 10).middle).toBeGreaterThan(30)
    expect(bake(high, 10).middle).toBeLessThan(120)
  })
  test('150 °C is faster', () => expect(bake(150, 10).middle).toBeLessThan(bake(120, 10).middle))
  test('a microwave on defrost: six to ten minutes, by amount', () => {
    const minutes = (dryMassG: number) =>
      ask({
        source: source('microwave'),
        charge: charge({
          dryMassG,
          waterG: { low: 0.18 * dryMassG, middle: 0.2 * dryMassG, high: 0.22 * dryMassG },
        }),
      }).minutes
    expect(minutes(100).low).toBeLessThan(6)
    expect(minutes(100).high).toBeGreaterThan(6)
    expect(minutes(200).low).toBeLessThan(10)
    expect(minutes(200).high).toBeGreaterThan(10)
    expect(minutes(300).middle).toBeGreaterThan(minutes(100).middle)
  })
  test('a plug-in unit: 8 to 24 hours', () =>
    expect(unitMinutes()).toEqual({ low: 480, middle: 960, high: 1440 }))
  test('a small dryer that runs a day: 1.15 kWh', () => {
    const dryer = source('dryer')
    const kWh = bakingKWh(dryer, { heat: heatAt(dryer, 65), roomC: 20, minutes: 1440, waterG: 0 })
    expect(Math.abs(kWh - 1.15)).toBeLessThan(0.06)
  })
})

describe('beds and batches', () => {
  test('more than the trays take well goes in batches, all alike', () => {
    const oven = source('electric', { trays: 2, trayAreaCm2: 1000, trayDepthMm: 25 })
    // 2 × 1000 cm² × 2 cm × 0.72 g/mL
    expect(bedOf(oven, 2880, 0.72, null)).toMatchObject({ batches: 1, depthMm: 20 })
    const two = bedOf(oven, 2900, 0.72, null)
    expect(two.batches).toBe(2)
    expect(two.gramsEach).toBe(1450)
    expect(bedOf(oven, 100, 0.72, null).depthMm).toBe(4)
    expect(bedOf(oven, 100, 0.72, 'canister').depthMm).toBe(45)
  })
  test('money is for kilowatt hours: two batches take less than twice one', () => {
    const small = source('electric', { trays: 1, trayAreaCm2: 50 })
    const one = ask({ source: source('electric') })
    const many = ask({ source: small })
    expect(many.bed.batches).toBeGreaterThan(1)
    expect(many.kWh).toBeGreaterThan(one.kWh)
  })
})
