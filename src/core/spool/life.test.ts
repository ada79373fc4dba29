import { describe, expect, test } from '@jest/globals'
import { secondsFromDays, secondsFromHours } from '#units/time.ts'
import { heatedRhPercent } from '../ask/heated-air.ts'
import { moistureInAir, steadyAir } from '../ask/spool-time.ts'
import { seededRandom } from '../estimate/random.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import { MATERIAL_IDS } from '../filament/material.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import { spoolLife, tell, type Leg, type SpoolLifeFacts } from './life.ts'

const day = secondsFromDays
const even = (rhPercent: number) => ({ low: rhPercent, middle: rhPercent, high: rhPercent })
const air = (untilS: number, rhPercent: number, temperatureC = 23): Leg => ({
  untilS,
  temperatureC,
  air: [{ atS: 0, temperatureC, rhPercent: even(rhPercent) }],
})
const bag = (untilS: number): Leg => ({ untilS, temperatureC: 20, air: null })
const INTAKE = { temperatureC: 21, relativeHumidityPercent: 50 }

const life = (legs: readonly Leg[], more: Partial<SpoolLifeFacts> = {}): SpoolLifeFacts => ({
  spool: { id: 's', material: MATERIALS.PA6, size: USUAL_SPOOL, diameterMm: 1.75, flanges: 'closed' },
  filamentG: 800,
  cardboardG: 0,
  start: { low: 12, high: 12 },
  fromS: 0,
  legs,
  prints: [],
  ...more,
})
const MIDDLE = { damp: 0.5, slitShare: 0.07, diffusivity: 1, moisture: 1 }
/** Box, open room, dryer, bag, box again. */
const WAY: readonly Leg[] = [
  air(day(20), 18),
  air(day(22), 60),
  air(day(22) + secondsFromHours(10), heatedRhPercent(INTAKE, 80), 80),
  bag(day(30)),
  air(day(50), 15),
]

describe('a spool’s life', () => {
  test('its water is the same before and after every move, and nothing is lost on the way', () => {
    const told = tell(life(WAY, { cardboardG: 60 }), MIDDLE)!
    const moves = WAY.slice(0, -1).map(leg => leg.untilS)
    for (const atS of moves) {
      const [before, after] = told.atS.flatMap((one, i) => (Math.abs(one - atS) < 1e-6 ? [i] : []))
      expect(Math.abs(told.mean[after!]! / told.mean[before!]! - 1)).toBeLessThan(1e-9)
      expect(Math.abs(told.next[after!]! / told.next[before!]! - 1)).toBeLessThan(1e-9)
    }
    const { startG, takenUpG, printedG, endG } = told.books
    expect(printedG).toBe(0)
    expect(Math.abs(startG + takenUpG - endG)).toBeLessThan(1e-9 * startG)
  })
  test('one air all along is what it is in that air', () => {
    const told = tell(life([air(day(6), 55)]), MIDDLE)!
    const plain = moistureInAir(
      { spool: { ...life([]).spool, filamentG: 800 }, wetRhPercent: 12, air: steadyAir(23, 55) },
      [day(6)],
    )[0]!
    expect(told.next.at(-1)! / plain.nextPercent).toBeCloseTo(1, 3)
    expect(told.mean.at(-1)! / plain.meanPercent).toBeCloseTo(1, 3)
  })
  test('heat takes water out of the outer turns first, a bag keeps what there is', () => {
    const { atS, next, mean } = tell(life(WAY), MIDDLE)!
    const at = (s: number, of: readonly number[]) => of[atS.findLastIndex(one => one <= s)]!
    const heated = day(22) + secondsFromHours(10)
    expect(at(heated, next)).toBeLessThan(at(day(22), next) / 2)
    expect(at(heated, next)).toBeLessThan(at(heated, mean))
    expect(at(day(30), mean) / at(heated, mean)).toBeCloseTo(1, 2)
    // within it goes from the core to the outside
    expect(at(day(30), next)).toBeGreaterThan(at(heated, next))
  })
  test('ends where its air would have it', () => {
    const { mean } = tell(
      life([air(day(900), 30)], {
        spool: { ...life([]).spool, material: MATERIALS.PLA },
      }),
      MIDDLE,
    )!
    expect(mean.at(-1)! / equilibriumMoisturePercent(MATERIALS.PLA, 30)).toBeCloseTo(1, 2)
  })
  test('what is printed is taken off the outside with its water', () => {
    const wet = life([air(day(3), 60)])
    const whole = tell(wet, MIDDLE)!
    const printed = tell({ ...wet, prints: [{ atS: day(3), grams: 150 }] }, MIDDLE)!
    expect(printed.filamentG).toBe(650)
    // the next hundred grams lie deeper now, and are drier
    expect(printed.next.at(-1)!).toBeLessThan(whole.next.at(-1)!)
    const { startG, takenUpG, printedG, endG } = printed.books
    expect(Math.abs(startG + takenUpG - printedG - endG)).toBeLessThan(1e-9 * startG)
    expect(printedG).toBeGreaterThan(0)
    // the whole of it is never taken
    expect(tell({ ...wet, prints: [{ atS: day(2), grams: 5000 }] }, MIDDLE)!.filamentG).toBe(1)
  })
  test('an early correction runs it anew', () => {
    const now = (start: number) =>
      spoolLife(life(WAY, { start: { low: start, high: start } }))!.now.mean.middle
    expect(now(30)).toBeGreaterThan(now(12))
  })
  test('the range holds the middle, and grows with what is not known', () => {
    const known = spoolLife(life([air(day(30), 40)]))!.now.next
    const open = spoolLife(
      life(
        [
          {
            untilS: day(30),
            temperatureC: 23,
            air: [{ atS: 0, temperatureC: 23, rhPercent: { low: 25, middle: 40, high: 55 } }],
          },
        ],
        { start: { low: 8, high: 30 } },
      ),
    )!.now.next
    expect(known.low).toBeLessThan(known.middle)
    expect(known.middle).toBeLessThan(known.high)
    expect(open.high - open.low).toBeGreaterThan(known.high - known.low)
  })
  test('any material through any way: finished, its range in order, its water all accounted for', () => {
    const random = seededRandom(4)
    const between = (low: number, high: number) => low + (high - low) * random.uniform()
    for (let n = 0; n < 24; n++) {
      const legs: Leg[] = []
      let atS = 0
      for (let i = 0; i < 1 + (n % 6); i++) {
        const isHot = random.uniform() < 0.25
        const spanS = isHot ? secondsFromHours(between(1, 13)) : day(60 * random.uniform() ** 2)
        const temperatureC = isHot ? between(45, 105) : between(-5, 30)
        const points = Array.from({ length: 1 + Math.floor(between(0, 40)) }, (_, j) => {
          const middle = between(0, isHot ? 10 : 90)
          return {
            atS: atS + (spanS * j) / 41,
            temperatureC,
            rhPercent: { low: 0.8 * middle, middle, high: 1.1 * middle },
          }
        })
        legs.push({ untilS: atS + spanS, temperatureC, air: random.uniform() < 0.15 ? null : points })
        atS += spanS
      }
      const facts = life(legs, {
        spool: {
          ...life([]).spool,
          material: MATERIALS[MATERIAL_IDS[n % MATERIAL_IDS.length]!],
          diameterMm: n % 5 === 0 ? 2.85 : 1.75,
        },
        filamentG: between(20, 1000),
        cardboardG: n % 3 === 0 ? 200 : 0,
        start: { low: 10, high: 40 },
        prints: [0.3, 0.6].map(share => ({ atS: share * atS, grams: between(1, 150) })),
      })
      const now = spoolLife(facts)?.now
      expect([n, now === undefined]).toEqual([n, false])
      expect(now!.next.low).toBeLessThanOrEqual(now!.next.middle)
      expect(now!.next.middle).toBeLessThanOrEqual(now!.next.high)
      const { startG, takenUpG, printedG, endG } = tell(facts, MIDDLE)!.books
      expect(Math.abs(startG + takenUpG - printedG - endG)).toBeLessThan(1e-8 * (startG + Math.abs(takenUpG)))
    }
  }, 60_000)
  test('no filament, no life', () => expect(spoolLife(life(WAY, { filamentG: 0 }))).toBeNull())
})
