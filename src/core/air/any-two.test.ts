import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { AIR_QUANTITIES, airFromTwo, type AirQuantity } from './any-two.ts'

describe('air from any two quantities', () => {
  const pairs = AIR_QUANTITIES.flatMap((a, i) =>
    AIR_QUANTITIES.slice(i + 1).map(b => [a, b] as const),
  ).filter(([a, b]) => !(a === 'dew point' && b === 'vapour pressure'))
  test.each(pairs)('%s and %s give the same air back', (a, b) => {
    fc.assert(
      fc.property(
        fc.double({ min: -15, max: 90, noNaN: true }),
        fc.double({ min: 2, max: 99, noNaN: true }),
        (temperature, rh) => {
          const first = airFromTwo({ temperature, rh })
          if (!first.ok) throw new Error(first.kind)
          const of: Record<AirQuantity, number> = {
            temperature,
            rh,
            'dew point': first.air.dewPointC,
            'vapour density': first.air.vapourDensityGPerM3,
            'vapour pressure': first.air.vapourPressurePa,
          }
          const again = airFromTwo({ [a]: of[a], [b]: of[b] })
          if (!again.ok) throw new Error(again.kind)
          expect(Math.abs(again.air.temperatureC - temperature)).toBeLessThan(1e-3)
          expect(Math.abs(again.air.relativeHumidityPercent - rh)).toBeLessThan(1e-2)
        },
      ),
      { seed: 8, numRuns: 40 },
    )
  })
  test('what cannot be is refused by name', () => {
    expect(airFromTwo({ temperature: 20 })).toEqual({ ok: false, kind: 'two needed' })
    expect(airFromTwo({ 'dew point': 3, 'vapour pressure': 700 })).toEqual({
      ok: false,
      kind: 'same thing twice',
    })
    expect(airFromTwo({ temperature: 20, 'dew point': 25 })).toEqual({ ok: false, kind: 'above saturation' })
    expect(airFromTwo({ temperature: 20, rh: 0 })).toEqual({ ok: false, kind: 'out of range' })
    expect(airFromTwo({ temperature: 900, rh: 10 })).toEqual({ ok: false, kind: 'out of range' })
  })
  test('mixing ratio: outside check, ASHRAE Handbook Fundamentals (from memory): 20 °C, 50 % is 7.26 g/kg', () => {
    const result = airFromTwo({ temperature: 20, rh: 50 })
    expect(result.ok && result.air.mixingRatioGPerKg).toBeCloseTo(7.26, 1)
  })
})

test('vapour as dense as steam leaves no air: a failure with a name, not a ratio below nothing', () => {
  expect(airFromTwo({ temperature: 130, rh: 90 })).toEqual({ ok: false, kind: 'no air left' })
  const below = airFromTwo({ temperature: 99, rh: 90 })
  expect(below.ok && below.air.mixingRatioGPerKg).toBeGreaterThan(1000)
})
