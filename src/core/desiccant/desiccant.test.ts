import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { vapourPressureOfRhPa } from '../air/vapour.ts'
import { rhAtConstantLoadingPercent } from './constant-loading.ts'
import { equilibriumRhPercent, residualLoadingGPerG } from './regeneration.ts'
import {
  linearisedLoading,
  linearisedLoadingSlope,
  SILICA_GEL,
  silicaLoadingGPerG,
  silicaVapourPressurePa,
} from './silica-gel.ts'

const A = SILICA_GEL['silica-a']
const RD = SILICA_GEL['silica-rd']
const at = (relativeHumidityPercent: number, temperatureC = 25) => ({
  vapourPressurePa: vapourPressureOfRhPa({ relativeHumidityPercent, temperatureC }),
  temperatureC,
})

describe('derived values of the Tóth isotherm, Ng et al. 2001 (constants from memory), type A at 25 °C', () => {
  test.each([
    [10, 0.053],
    [20, 0.105],
    [40, 0.211],
    [60, 0.313],
    [80, 0.382],
  ])('%d %% RH', (rh, loading) => expect(silicaLoadingGPerG(A, at(rh))).toBeCloseTo(loading, 3))
  test('RD holds about 39 % more', () =>
    expect(silicaLoadingGPerG(RD, at(20)) / silicaLoadingGPerG(A, at(20))).toBeCloseTo(1.39, 1))
})

describe('outside check: what heating leaves on type A in 1.5 kPa of vapour (same isotherm, worked by hand)', () => {
  test.each([
    [45, 0.072, 14],
    [60, 0.032, 6],
    [80, 0.012, 2],
    [105, 0.004, 1],
    [120, 0.002, 0],
  ])('%d °C', (heatingTemperatureC, residual, floorPercent) => {
    const loadingGPerG = residualLoadingGPerG(A, { roomVapourPressurePa: 1500, heatingTemperatureC })
    expect(Math.abs(loadingGPerG - residual)).toBeLessThan(0.001) // stated to a thousandth
    expect(Math.round(equilibriumRhPercent(A, { loadingGPerG, temperatureC: 25 }))).toBe(floorPercent)
  })
})

test('outside check (worked example): a charged box at 30 °C / 20 % reads 19.1 ± 0.1 % at 23 °C', () => {
  const rh = rhAtConstantLoadingPercent(A, {
    relativeHumidityPercent: 20,
    fromTemperatureC: 30,
    toTemperatureC: 23,
  })
  expect(Math.abs(rh - 19.1)).toBeLessThan(0.1)
})

test('the net heat is 4.8 kJ/mol: the reading climbs by 0.65 % of itself per kelvin (from memory)', () => {
  const warmer = rhAtConstantLoadingPercent(A, {
    relativeHumidityPercent: 20,
    fromTemperatureC: 25,
    toTemperatureC: 26,
  })
  expect(warmer / 20 - 1).toBeCloseTo(0.0065, 3)
})

test('pressure and loading invert each other, the slope is the derivative, more vapour means more loading', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(A, RD),
      fc.double({ min: 0.5, max: 99, noNaN: true }),
      fc.double({ min: -20, max: 120, noNaN: true }),
      (gel, rh, temperatureC) => {
        const point = at(rh, temperatureC)
        const loadingGPerG = silicaLoadingGPerG(gel, point)
        // above this share of q_m the inverse is clipped on purpose
        fc.pre(loadingGPerG < 0.98 * gel.monolayerLoadingGPerG)
        const back = silicaVapourPressurePa(gel, { loadingGPerG, temperatureC })
        expect(Math.abs(back / point.vapourPressurePa - 1)).toBeLessThan(1e-9)
        const step = 1e-6
        const numeric =
          (linearisedLoading(gel, loadingGPerG + step) - linearisedLoading(gel, loadingGPerG - step)) /
          (2 * step)
        expect(Math.abs(linearisedLoadingSlope(gel, loadingGPerG) / numeric - 1)).toBeLessThan(1e-4)
        expect(silicaLoadingGPerG(gel, at(rh * 1.005, temperatureC))).toBeGreaterThan(loadingGPerG)
      },
    ),
    { seed: 11, numRuns: 200 },
  )
})
