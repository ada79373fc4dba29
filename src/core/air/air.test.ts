import { describe, expect, test } from '@jest/globals'
import psychrolib from 'psychrolib'
import { celsiusFromKelvin } from '#units/temperature.ts'
import { vapourDiffusivityM2PerS } from './diffusivity.ts'
import {
  dewPointC,
  equationPressureWaterPa,
  frostPointC,
  saturationPressureIcePa,
  saturationPressureWaterPa,
} from './saturation.ts'
import {
  dewPointOfRhC,
  relativeHumidityPercent,
  rhAtConstantVapourDensityPercent,
  vapourDensityGPerM3,
  vapourDensityOfRhGPerM3,
  vapourPressurePa,
} from './vapour.ts'

psychrolib.SetUnitSystem(psychrolib.SI)
const grid = (from: number, to: number, step: number) =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step)

describe('outside check: IAPWS SR1-86(1992), fixed points stated in the release', () => {
  test('triple point', () => expect(saturationPressureWaterPa(0.01) / 611.657).toBeCloseTo(1, 5))
  test('normal boiling point', () =>
    expect(saturationPressureWaterPa(celsiusFromKelvin(373.1243)) / 101_325).toBeCloseTo(1, 5))
  test('critical point', () =>
    expect(saturationPressureWaterPa(celsiusFromKelvin(647.096))).toBeCloseTo(22.064e6, 0))
})

test('outside check: IAPWS R14-08(2011), 230 K over ice is 8.94735 Pa', () =>
  expect(saturationPressureIcePa(celsiusFromKelvin(230))).toBeCloseTo(8.94735, 4))

test('outside check: Murphy & Koop 2005, supercooled water at −40 °C is 18.9 Pa (from memory), within 1 %', () =>
  expect(Math.abs(saturationPressureWaterPa(-40) / 18.9 - 1)).toBeLessThan(0.01))

describe('outside check: psychrolib (ASHRAE Handbook Fundamentals, psychrometrics), −20…90 °C within 0.1 %', () => {
  // psychrolib goes over ice below the triple point, so each side is held against its own curve.
  test('saturation pressure', () => {
    for (const t of grid(-20, 90, 0.5)) {
      const ours = t < 0.01 ? saturationPressureIcePa(t) : saturationPressureWaterPa(t)
      expect(Math.abs(ours / psychrolib.GetSatVapPres(t) - 1)).toBeLessThan(1e-3)
    }
  })
  test('dew and frost point', () => {
    for (const t of grid(-19.5, 90, 0.5)) {
      const pressurePa = psychrolib.GetSatVapPres(t)
      const reference = psychrolib.GetTDewPointFromVapPres(t, pressurePa)
      const ours = t < 0.01 ? frostPointC(pressurePa) : dewPointC(pressurePa)
      // 0.1 % of the absolute temperature would be 0.3 K; 0.1 % of pressure is about 0.015 K, which is what we hold
      expect(Math.abs(ours - reference)).toBeLessThan(0.02)
    }
  })
})

test('outside check (common practice): 11.5 °C / 26 % inside, 11.6 °C / 75 % outside: 2.7 against 7.8 g/m³', () => {
  const inside = { temperatureC: 11.5, relativeHumidityPercent: 26 }
  const outside = { temperatureC: 11.6, relativeHumidityPercent: 75 }
  expect(vapourDensityOfRhGPerM3(inside)).toBeCloseTo(2.7, 1)
  expect(vapourDensityOfRhGPerM3(outside)).toBeCloseTo(7.8, 1)
  const lessBy = 1 - vapourDensityOfRhGPerM3(inside) / vapourDensityOfRhGPerM3(outside)
  expect(Math.abs(lessBy - 0.65)).toBeLessThan(0.01) // stated to a whole per cent
  const dewPointGapK = dewPointOfRhC(outside) - dewPointOfRhC(inside)
  expect(dewPointGapK).toBeGreaterThan(13.5)
  expect(dewPointGapK).toBeLessThan(15)
})

test('outside check (common practice): 28.7 °C / 18 % is 5 g/m³', () =>
  expect(vapourDensityOfRhGPerM3({ temperatureC: 28.7, relativeHumidityPercent: 18 })).toBeCloseTo(5, 0))

test('dew point inverts saturation over −40…200 °C, vapour density inverts pressure', () => {
  for (const t of grid(-40, 200, 7)) {
    expect(dewPointC(saturationPressureWaterPa(t))).toBeCloseTo(t, 8)
    const density = vapourDensityGPerM3({ vapourPressurePa: 700, temperatureC: t })
    expect(vapourPressurePa({ vapourDensityGPerM3: density, temperatureC: t })).toBeCloseTo(700, 9)
  }
  expect(frostPointC(saturationPressureIcePa(-15))).toBeCloseTo(-15, 8)
  expect(frostPointC(700)).toBeNaN()
  expect(dewPointC(0)).toBeNaN()
})

test('ice lies below supercooled water, both meet at the triple point', () => {
  for (const t of grid(-40, -1, 3))
    expect(saturationPressureIcePa(t)).toBeLessThan(saturationPressureWaterPa(t))
  expect(saturationPressureIcePa(0.01) / saturationPressureWaterPa(0.01)).toBeCloseTo(1, 5)
})

test('derived: an empty box goes from 30 °C / 20 % to 29.5 % at 23 °C', () =>
  expect(
    rhAtConstantVapourDensityPercent({
      relativeHumidityPercent: 20,
      fromTemperatureC: 30,
      toTemperatureC: 23,
    }),
  ).toBeCloseTo(29.5, 1))

test('vapour diffuses faster in thin and in warm air', () => {
  expect(vapourDiffusivityM2PerS(20)).toBeCloseTo(2.48e-5, 6)
  expect(vapourDiffusivityM2PerS(20, 80_000)).toBeGreaterThan(vapourDiffusivityM2PerS(20))
  expect(relativeHumidityPercent({ vapourPressurePa: saturationPressureWaterPa(5), temperatureC: 5 })).toBe(
    100,
  )
})

describe('the table of saturation, for speed', () => {
  const temperatures = Array.from({ length: 800 }, (_, i) => 0.05 + i * 0.13)
  const worst = (of: (temperatureC: number) => number) =>
    Math.max(...temperatures.map(t => Math.abs(of(t) / equationPressureWaterPa(t) - 1)))
  test('is nearer to IAPWS than the peer it is timed against', () => {
    const peer = worst(t => psychrolib.GetSatVapPres(t))
    expect(worst(saturationPressureWaterPa)).toBeLessThan(1e-9)
    expect(peer).toBeGreaterThan(1e-9)
    expect(peer).toBeLessThan(1e-3)
  })
  test('gives dew points within 1e-8 K of the equation, and the equation itself beyond its ends', () => {
    for (const t of temperatures)
      expect(Math.abs(dewPointC(equationPressureWaterPa(t)) - t)).toBeLessThan(1e-8)
    expect(saturationPressureWaterPa(250)).toBe(equationPressureWaterPa(250))
    expect(saturationPressureWaterPa(-55)).toBe(equationPressureWaterPa(-55))
    expect(saturationPressureWaterPa(Number.NaN)).toBeNaN()
    expect(dewPointC(-1)).toBeNaN()
  })
})
