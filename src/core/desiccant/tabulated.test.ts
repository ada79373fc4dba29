import { describe, expect, test } from '@jest/globals'
import { activityAt25, activityAt25Slope, TABULATED, tabulatedLoadingGPerG } from './tabulated.ts'
import {
  capacityAfterCycles,
  loadingAtRhGPerG,
  rhOverLoadingPercent,
  sorbentOf,
  waterUntilTrayFullG,
} from './sorbent.ts'

describe.each(Object.values(TABULATED).map(item => [item.name, item] as const))('%s', (_name, item) => {
  test('passes through its table at 25 °C and rises all the way', () => {
    item.loadingGPerG.forEach((loading, i) =>
      expect(activityAt25(item, loading) * 100).toBeCloseTo(item.relativeHumidityPercent[i]!, 9),
    )
    let before = -1
    for (let q = 0; q <= item.loadingGPerG.at(-1)!; q += item.loadingGPerG.at(-1)! / 4000) {
      const activity = activityAt25(item, q)
      expect(activity).toBeGreaterThanOrEqual(before)
      before = activity
    }
  })
  test('its slope is the derivative, its inverse the inverse', () => {
    for (const share of [0.13, 0.41, 0.77]) {
      const q = share * item.loadingGPerG.at(-2)!
      const numeric = (activityAt25(item, q + 1e-6) - activityAt25(item, q - 1e-6)) / 2e-6
      expect(activityAt25Slope(item, q)).toBeCloseTo(numeric, 4)
      expect(tabulatedLoadingGPerG(item, { activity: activityAt25(item, q), temperatureC: 25 })).toBeCloseTo(
        q,
        3,
      )
    }
  })
  test('holds less when warm (brine: lower RH over the same loading)', () => {
    const sorbent = sorbentOf(item.kind)
    const cold = rhOverLoadingPercent(sorbent, { loadingGPerG: item.loadingGPerG[3]!, temperatureC: 10 })
    const warm = rhOverLoadingPercent(sorbent, { loadingGPerG: item.loadingGPerG[3]!, temperatureC: 35 })
    if (item.kind === 'calcium-chloride') expect(warm).toBeLessThan(cold)
    else expect(warm).toBeGreaterThan(cold)
  })
})

describe('order of dryness', () => {
  test('the sieve is driest at 5 %, silica gel passes it above 50 %', () => {
    const at = (kind: Parameters<typeof sorbentOf>[0], rh: number) =>
      loadingAtRhGPerG(sorbentOf(kind), { relativeHumidityPercent: rh, temperatureC: 25 })
    expect(at('sieve-4a', 5)).toBeGreaterThan(3 * at('silica-a', 5))
    expect(at('silica-a', 60)).toBeGreaterThan(at('sieve-4a', 60))
    expect(at('sieve-3a', 10) / at('sieve-4a', 10)).toBeCloseTo(0.9, 6)
  })
})

test('a tray of brine is full sooner when small; ageing takes its share each cycle', () => {
  const [small, large] = [waterUntilTrayFullG(150, 200), waterUntilTrayFullG(150, 600)]
  expect(small).toBeGreaterThan(50)
  expect(large).toBeGreaterThan(small + 380)
  // with endless water the brine is water: a litre of tray more, a kilogram more
  expect(waterUntilTrayFullG(150, 5000) - waterUntilTrayFullG(150, 4000)).toBeCloseTo(1000, -1)
  expect(capacityAfterCycles(0)).toBe(1)
  expect(capacityAfterCycles(100, 'high')).toBeCloseTo(0.366, 2)
  expect(capacityAfterCycles(10, 'overheated')).toBeLessThan(capacityAfterCycles(10))
})
