import { describe, expect, test } from '@jest/globals'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { warmUp, type WarmedReading } from './warm-up.ts'

/** A display that shows just this many grams of vapour in a cubic metre. */
const showing = (temperatureC: number, gPerM3: number): WarmedReading => ({
  temperatureC,
  relativeHumidityPercent: (100 * gPerM3) / (1000 * saturationDensityGPerL(temperatureC)),
})
const HEATS = [22, 30, 35, 40, 45, 50, 55, 60]
/** The walls give off a little, more the hotter. */
const empty = HEATS.map(at => showing(at, 8 + 0.03 * (at - 22)))
const withSpool = (added: (at: number) => number, before = 8) =>
  HEATS.map(at => showing(at, before + 0.03 * (at - 22) + added(at)))

describe('a closed chamber, warmed', () => {
  test('a wet spool: water, from which heat on, and how much at least', () => {
    const found = warmUp({
      chamberL: 10,
      baseline: empty,
      readings: withSpool(at => (at <= 45 ? 0 : at === 50 ? 2 : at === 55 ? 5 : 8)),
    })
    expect(found.beganC).toBe(50)
    expect(found.beyond).toBe(0)
    // by hand: 60 °C holds 129.9 g/m³, 1.5 % of it twice over is 2.76; 8 less 2.76 in ten litres
    expect(found.leastMg!).toBeCloseTo(10 * (8 - Math.SQRT2 * 0.015 * 1000 * saturationDensityGPerL(60)), 6)
    expect(found.leastMg!).toBeGreaterThan(50)
    expect(found.leastMg!).toBeLessThan(54)
    expect(found.points.map(one => Number(one.addedGPerM3!.toFixed(6)))).toEqual([0, 0, 0, 0, 0, 2, 5, 8])
  })
  test('a dry one, and less than a display can tell: nothing is said', () => {
    expect(warmUp({ chamberL: 10, baseline: empty, readings: empty })).toMatchObject({
      beganC: null,
      leastMg: null,
    })
    const little = warmUp({ chamberL: 10, baseline: empty, readings: withSpool(at => 0.02 * (at - 22)) })
    expect(little.beganC).toBeNull()
    expect(little.leastMg).toBeNull()
  })
  test('a damper day to begin with is no water of the spool', () => {
    const found = warmUp({ chamberL: 10, baseline: empty, readings: withSpool(() => 0, 12) })
    expect(found.leastMg).toBeNull()
  })
  test('hotter than the empty chamber was, or cooler: left out and counted; any order', () => {
    const readings = [...withSpool(at => (at < 50 ? 0 : 9)), showing(66, 40), showing(15, 7)]
    const found = warmUp({ chamberL: 4, baseline: empty, readings: readings.reverse() })
    expect(found.beyond).toBe(2)
    expect(found.points.map(one => one.temperatureC)).toEqual([15, ...HEATS, 66])
    expect(found.points.at(-1)!.addedGPerM3).toBeNull()
    expect(found.beganC).toBe(50)
  })
  test('an empty chamber that is only warmed falls in RH; with water in it, it rises above 40 °C (common practice)', () => {
    const rh = (list: readonly WarmedReading[]) => list.map(one => one.relativeHumidityPercent)
    const falls = rh(empty).every((value, i, all) => i === 0 || value < all[i - 1]!)
    expect(falls).toBe(true)
    const wet = withSpool(at => Math.max(0, at - 40) * 3)
    expect(rh(wet).at(-1)!).toBeGreaterThan(rh(wet)[HEATS.indexOf(40)]!)
    expect(warmUp({ chamberL: 10, baseline: empty, readings: wet }).beganC).toBe(45)
  })
  test('more water never says less', () => {
    let least = 0
    for (const most of [4, 6, 9, 14]) {
      const found = warmUp({ chamberL: 10, baseline: empty, readings: withSpool(at => (at < 50 ? 0 : most)) })
      expect(found.leastMg!).toBeGreaterThan(least)
      least = found.leastMg!
    }
  })
})
