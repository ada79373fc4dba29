import { describe, expect, test } from '@jest/globals'
import { loadingAtRhGPerG, rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { capacityAfterCycles } from './ageing.ts'
import { calciumChlorideDeliquescencePercent, waterUntilTrayFullG } from './calcium-chloride.ts'
import { DESICCANTS } from './catalogue.ts'
import { TABULATED } from './tabulated.ts'

describe.each(Object.values(TABULATED).map(item => [item.name, item] as const))('%s', (_name, item) => {
  const { sorbent } = DESICCANTS[item.kind]
  test('passes through its table at 25 °C', () =>
    item.loadingGPerG.forEach((loadingGPerG, i) =>
      expect(rhOverLoadingPercent(sorbent, { loadingGPerG, temperatureC: 25 })).toBeCloseTo(
        item.relativeHumidityPercent[i]!,
        1,
      ),
    ))
  test('holds less when warm', () => {
    const [cold, warm] = [10, 35].map(temperatureC =>
      rhOverLoadingPercent(sorbent, { loadingGPerG: item.loadingGPerG[3]!, temperatureC }),
    )
    expect(warm).toBeGreaterThan(cold!)
  })
})

describe('calcium chloride has a heat for each of its steps', () => {
  const { sorbent } = DESICCANTS['calcium-chloride']
  const held = (relativeHumidityPercent: number, temperatureC: number) =>
    loadingAtRhGPerG(sorbent, { relativeHumidityPercent, temperatureC })
  test('RH over every hydrate step rises with warmth', () => {
    for (const loadingGPerG of [0.08, 0.25, 0.5, 0.8]) {
      const over = [5, 15, 25].map(temperatureC =>
        rhOverLoadingPercent(sorbent, { loadingGPerG, temperatureC }),
      )
      expect(over[1]).toBeGreaterThan(over[0]!)
      expect(over[2]).toBeGreaterThan(over[1]!)
    }
  })
  test('it dissolves sooner when warm: 38 % at 10 °C, 33 at 20, 29 at 25 (typical, from memory)', () => {
    expect(Math.abs(calciumChlorideDeliquescencePercent(10) - 38)).toBeLessThan(1.5)
    expect(Math.abs(calciumChlorideDeliquescencePercent(20) - 33)).toBeLessThan(2.5)
    expect(calciumChlorideDeliquescencePercent(25)).toBeCloseTo(29, 6)
  })
  test('a fresh pack stands at a hydrate step below its deliquescence', () => {
    for (const temperatureC of [5, 15, 25, 35])
      expect(rhOverLoadingPercent(sorbent, { loadingGPerG: 0.5, temperatureC })).toBeLessThan(
        calciumChlorideDeliquescencePercent(temperatureC),
      )
  })
  test.each([
    [80, 10, 3.8],
    [90, 30, 6.5],
  ])(
    'brine at %d %% and %d °C holds what it does at 25 °C within 15 %% (by water activity)',
    (rh, temperatureC, at25) => expect(Math.abs(held(rh, temperatureC) / at25 - 1)).toBeLessThan(0.15),
  )
})

describe('order of dryness', () => {
  test('the sieve is driest at 5 %, silica gel passes it above 50 %', () => {
    const at = (kind: keyof typeof DESICCANTS, rh: number) =>
      loadingAtRhGPerG(DESICCANTS[kind].sorbent, { relativeHumidityPercent: rh, temperatureC: 25 })
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
