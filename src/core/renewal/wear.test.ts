import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../estimate/random.ts'
import { capacityTrend, WORN_SHARE, type CapacitySeen } from './wear.ts'

describe('the trend of a charge’s capacity', () => {
  test('nothing seen: what is usual, half a per cent a heat, and a range that widens', () => {
    const fresh = capacityTrend([], 0)
    const used = capacityTrend([], 40)
    expect(fresh.now.middle).toBe(1)
    expect(used.now.middle).toBeCloseTo(0.8, 10)
    expect(used.now.high - used.now.low).toBeGreaterThan(fresh.now.high - fresh.now.low)
    expect([fresh.isWorn, used.isWorn, capacityTrend([], 60).isWorn]).toEqual([false, false, true])
    // by hand: 0.8 − 10 · 0.005 = 0.75
    expect(used.cyclesLeft).toBe(10)
  })
  test('too hot counts from the beginning', () => {
    expect(capacityTrend([], 0, 0.06).now.middle).toBeCloseTo(0.94, 10)
  })
  test('one poor weighing moves it little, many move it to where they stand', () => {
    const at = (n: number) => capacityTrend(Array<CapacitySeen>(n).fill({ cycles: 10, share: 0.6 }), 10)
    expect(at(1).now.middle).toBeGreaterThan(0.85)
    expect(at(40).now.middle).toBeLessThan(0.66)
    expect(at(40).isWorn).toBe(true)
  })
  test('of a hundred charges that wear faster than usual nine in ten lie within the range, give or take', () => {
    let within = 0
    for (let seed = 1; seed <= 100; seed++) {
      const random = seededRandom(seed * 7919)
      const loss = 0.005 + 0.003 * random.normal()
      const first = 1 + 0.04 * random.normal()
      const seen = Array.from({ length: 12 }, (_, i) => ({
        cycles: i,
        share: first - loss * i + 0.08 * random.normal(),
      }))
      const { now } = capacityTrend(seen, 12)
      if (now.low <= first - loss * 12 && first - loss * 12 <= now.high) within += 1
    }
    // a range of eight in ten
    expect(within).toBeGreaterThanOrEqual(70)
    expect(within).toBeLessThanOrEqual(90)
  })
  test('worn only where the middle says so', () => {
    expect(capacityTrend([], 49).isWorn).toBe(false)
    expect(capacityTrend([], 51).now.middle).toBeLessThan(WORN_SHARE)
  })
})
