import { describe, expect, test } from '@jest/globals'
import { loadingAfterHeatGPerG } from '../renewal/loading-after-heat.ts'
import { loadingAtRhGPerG, rhAtConstantLoadingPercent, rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { DESICCANTS } from './catalogue.ts'

const A = DESICCANTS['silica-a'].sorbent
const RD = DESICCANTS['silica-rd'].sorbent
const at = (relativeHumidityPercent: number, temperatureC = 25) => ({ relativeHumidityPercent, temperatureC })

describe('derived values of the Tóth isotherm, Ng et al. 2001 (constants from memory), type A at 25 °C', () => {
  test.each([
    [10, 0.053],
    [20, 0.105],
    [40, 0.211],
    [60, 0.313],
    [80, 0.382],
  ])('%d %% RH', (rh, loading) => expect(loadingAtRhGPerG(A, at(rh))).toBeCloseTo(loading, 3))
  test('RD holds about 39 % more', () =>
    expect(loadingAtRhGPerG(RD, at(20)) / loadingAtRhGPerG(A, at(20))).toBeCloseTo(1.39, 1))
})

describe('outside check: what heating leaves on type A in 1.5 kPa of vapour (same isotherm, worked by hand)', () => {
  test.each([
    [45, 0.072, 14],
    [60, 0.0315, 6],
    [80, 0.012, 2],
    [105, 0.004, 1],
    [120, 0.002, 0],
  ])('%d °C', (temperatureC, residual, floorPercent) => {
    const loadingGPerG = loadingAfterHeatGPerG(DESICCANTS['silica-a'], {
      airVapourPressurePa: 1500,
      temperatureC,
    })
    expect(Math.abs(loadingGPerG - residual)).toBeLessThan(0.001) // stated to a thousandth
    expect(Math.round(rhOverLoadingPercent(A, { loadingGPerG, temperatureC: 25 }))).toBe(floorPercent)
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
