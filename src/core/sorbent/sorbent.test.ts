import { describe, expect, test } from '@jest/globals'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { BOARD } from '../filament/board.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import { filamentSorbent } from '../filament/sorption.ts'
import {
  loadingAtRhGPerG,
  rhAtConstantLoadingPercent,
  rhOverLoadingPercent,
  type Sorbent,
} from './sorbent.ts'

const ALL: readonly (readonly [string, Sorbent])[] = [
  ...Object.values(DESICCANTS).map(item => [item.kind, item.sorbent] as const),
  ...Object.values(MATERIALS).map(item => [item.id, filamentSorbent(item)] as const),
  ['board', BOARD],
]

describe.each(ALL)('%s as a sorbent', (_name, sorbent) => {
  const temperatures = [-15, 4, 25, 41, 110]
  test('loading and RH are each other’s inverse, at every temperature', () => {
    for (const temperatureC of temperatures)
      for (const rh of [0.5, 4, 17, 33, 52, 71]) {
        const loadingGPerG = loadingAtRhGPerG(sorbent, { relativeHumidityPercent: rh, temperatureC })
        // beyond what it can take, and close below where the curve is clipped on purpose, there is no way back
        if (loadingGPerG > 0.98 * sorbent.mostGPerG) continue
        expect(rhOverLoadingPercent(sorbent, { loadingGPerG, temperatureC })).toBeCloseTo(rh, 6)
      }
  })
  test('loading rises with RH, is nothing in dry air and never more than its most', () => {
    for (const temperatureC of temperatures) {
      let before = -1e-12
      for (let rh = 0; rh <= 100; rh += 2) {
        const loading = loadingAtRhGPerG(sorbent, { relativeHumidityPercent: rh, temperatureC })
        expect(loading).toBeGreaterThanOrEqual(before)
        expect(loading).toBeLessThanOrEqual(sorbent.mostGPerG)
        before = loading
      }
      expect(loadingAtRhGPerG(sorbent, { relativeHumidityPercent: 0, temperatureC })).toBeCloseTo(0, 12)
    }
  })
  test('its slope is the derivative', () => {
    for (const share of [0.13, 0.41, 0.67]) {
      const top = Math.min(loadingAtRhGPerG(sorbent, { relativeHumidityPercent: 70, temperatureC: 20 }), 1)
      const loadingGPerG = share * top
      const curve = sorbent.curveAt(20)
      const step = 1e-6 * top
      const numeric = (curve.valueAt(loadingGPerG + step) - curve.valueAt(loadingGPerG - step)) / (2 * step)
      expect(curve.slopeAt(loadingGPerG) / numeric).toBeCloseTo(1, 2)
    }
  })
  test('there and back at constant loading is where it began', () => {
    const there = rhAtConstantLoadingPercent(sorbent, {
      relativeHumidityPercent: 15,
      fromTemperatureC: 12,
      toTemperatureC: 24,
    })
    expect(
      rhAtConstantLoadingPercent(sorbent, {
        relativeHumidityPercent: there,
        fromTemperatureC: 24,
        toTemperatureC: 12,
      }),
    ).toBeCloseTo(15, 4)
  })
})
