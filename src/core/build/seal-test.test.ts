import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../estimate/random.ts'
import {
  displayLeak,
  neighboursOf,
  sealClassOf,
  sealTestPlans,
  wallHoldsWater,
  weighedLeak,
  type SealSetting,
} from './seal-test.ts'

const setting: SealSetting = {
  room: { temperatureC: 22, relativeHumidityPercent: 55 },
  freeAirL: 17,
  wall: 'PP',
  wallLPerH: 0.008,
  scaleStepG: 0.1,
  displayWithinPercent: 5,
}
const FOUND = { clips: [0.02, 0.2], foam: [0.2, 1], snap: [2, 10] } as const
/** Saturation over water by another equation than the core's: Magnus, Sonntag 1990 (from memory), g/m³. */
const densityGPerM3 = (rh: number, c: number) => {
  const pa = 611.2 * Math.exp((17.62 * c) / (243.12 + c))
  return ((rh / 100) * pa * 18.015) / (8.314 * (c + 273.15))
}

describe('what a weighed tray tells', () => {
  test('by hand: 0.10 g in five days of 55 % at 22 °C is about 0.09 L/h', () => {
    // 10.69 − 0.78 = 9.91 g/m³; 120 h × 0.00991 = 1.189 g a L/h; 0.1/1.189 = 0.0841, in series with a tray of 28: 0.0844; less the walls' 0.008
    const result = weighedLeak(setting, { gainG: 0.1, hours: 120, hasControl: true })
    expect(result.middleLPerH).toBeCloseTo(0.076, 2)
  })
  test('σ = √2·σ_scale/(Δc·t): a tenth of the step is a tenth of the range; 0.1 g and 1 g differ', () => {
    const fine = weighedLeak({ ...setting, wallLPerH: 0 }, { gainG: 0.08, hours: 240, hasControl: true })
    const coarse = weighedLeak(
      { ...setting, wallLPerH: 0, scaleStepG: 1 },
      { gainG: 0.08, hours: 240, hasControl: true },
    )
    const width = ({ lowLPerH, highLPerH }: typeof fine) => highLPerH - lowLPerH
    expect(width(coarse)).toBeGreaterThan(4 * width(fine))
    expect(coarse.couldTell).toBe(false)
    const drive = (densityGPerM3(55, 22) - densityGPerM3(4, 22)) / 1000
    const sigma = (Math.SQRT2 * 0.1) / (drive * 240)
    expect((fine.highLPerH - fine.middleLPerH) / 1.2816).toBeCloseTo(sigma, 2)
  })
  test('nothing gained is at most so much; more than an open tray could is refused', () => {
    const none = weighedLeak(setting, { gainG: 0, hours: 120, hasControl: true })
    expect(none.lowLPerH).toBe(0)
    expect(none.couldTell).toBe(false)
    expect(() => weighedLeak(setting, { gainG: 80, hours: 120, hasControl: true })).toThrow(RangeError)
  })
  test('without a tray in the open the room is doubted more', () => {
    const seen = { gainG: 0.6, hours: 120 }
    const beside = weighedLeak(setting, { ...seen, hasControl: true })
    const alone = weighedLeak(setting, { ...seen, hasControl: false })
    expect(alone.highLPerH - alone.lowLPerH).toBeGreaterThan(beside.highLPerH - beside.lowLPerH)
  })
})

describe('what a display tells', () => {
  test('by hand: from 12 to 33.5 of 55 % is half the way, ln 2 of its air', () => {
    const result = displayLeak(setting, { startPercent: 12, endPercent: 33.5, roomPercent: 55, hours: 24 })
    // 17 L × √1.3 × ln 2 / 24 h
    expect(result.middleLPerH + setting.wallLPerH).toBeCloseTo((17 * Math.sqrt(1.3) * Math.LN2) / 24, 9)
  })
  test('a week on a tight box: it could not tell more', () => {
    // 0.006 L/h moves it by 2 % in a week: within the display's own error
    const result = displayLeak(setting, { startPercent: 12, endPercent: 14, roomPercent: 55, hours: 168 })
    expect(result.lowLPerH).toBe(0)
    expect(result.couldTell).toBe(false)
    expect(result.highLPerH).toBeLessThan(0.05)
  })
  test('a printed box holds more water than its air: doubted more, and said', () => {
    expect(wallHoldsWater('printed PLA')).toBe(true)
    expect(wallHoldsWater('PP')).toBe(false)
    const seen = { startPercent: 12, endPercent: 30, roomPercent: 55, hours: 48 }
    const plain = displayLeak(setting, seen)
    const printed = displayLeak({ ...setting, wall: 'printed PLA' }, seen)
    expect(printed.highLPerH / printed.lowLPerH).toBeGreaterThan(plain.highLPerH / plain.lowLPerH)
  })
  test('air that moves away from the room’s is no leak', () =>
    expect(() =>
      displayLeak(setting, { startPercent: 40, endPercent: 20, roomPercent: 55, hours: 24 }),
    ).toThrow(/away from the room/))
})

describe('the length that is planned', () => {
  test('is honest: of tests of that length, stepped through apart, eight in ten of each class are told right', () => {
    const source = seededRandom(61)
    const random = () => source.uniform()
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    for (const scaleStepG of [0.1, 0.01])
      for (const lid of ['clips', 'foam', 'snap'] as const) {
        const of = { ...setting, scaleStepG }
        const plans = sealTestPlans(of, lid)
        expect(plans.map(one => one.method).toSorted()).toEqual(['fall', 'rise', 'weighed'])
        for (const { method, hours } of plans) {
          if (hours === null) continue
          for (const name of neighboursOf(lid)) {
            const [low, high] = FOUND[name as keyof typeof FOUND]
            let right = 0
            const tries = 600
            for (let i = 0; i < tries; i++) {
              const leak = low * (high / low) ** random()
              const wallLPerH = of.wallLPerH * (1 + 0.3 * gauss())
              const total = leak + Math.max(0, wallLPerH)
              const found =
                method === 'weighed'
                  ? weighed(of, total, hours, gauss)
                  : shown(of, method, total, hours, gauss, random)
              if (sealClassOf(found) === name) right++
            }
            expect([scaleStepG, lid, method, name, hours, right / tries >= 0.8]).toEqual([
              scaleStepG,
              lid,
              method,
              name,
              hours,
              true,
            ])
          }
        }
      }
  })
  test('a finer scale is sooner done; a kitchen scale of 1 g takes longer than four weeks for a tight lid', () => {
    const weighs = (scaleStepG: number) =>
      sealTestPlans({ ...setting, scaleStepG }, 'clips').find(one => one.method === 'weighed')!.hours
    expect(weighs(0.01)!).toBeLessThan(weighs(0.1)!)
    expect(weighs(1)).toBeNull()
  })
  test('a room as damp as the sponge, or as dry as the beads, leaves a display nothing to show', () => {
    const at = (relativeHumidityPercent: number, method: string) =>
      sealTestPlans({ ...setting, room: { temperatureC: 22, relativeHumidityPercent } }, 'clips').find(
        one => one.method === method,
      )!.hours
    expect(at(85, 'fall')).toBeNull()
    expect(at(20, 'rise')).toBeNull()
  })
})

/** Apart from the core's formulas: an hour at a time, the tray's air taken along. */
function weighed(of: SealSetting, total: number, hours: number, gauss: () => number): number {
  const room =
    (densityGPerM3(of.room.relativeHumidityPercent, of.room.temperatureC) * (1 + 0.05 * gauss())) / 1000
  const bead = densityGPerM3(4, of.room.temperatureC) / 1000
  let air = room
  let gained = 0
  for (let step = 0; step < hours * 4; step++) {
    const taken = 28 * (air - bead) * 0.25
    // the air is small beside the flows: it follows within the step
    air = (total * room + 28 * bead) / (total + 28)
    if (step > 0) gained += taken
  }
  const seen = gained + Math.SQRT2 * of.scaleStepG * gauss()
  try {
    return weighedLeak(of, { gainG: seen, hours, hasControl: true }).middleLPerH
  } catch {
    return Infinity
  }
}
function shown(
  of: SealSetting,
  method: 'rise' | 'fall',
  total: number,
  hours: number,
  gauss: () => number,
  random: () => number,
): number {
  const room = of.room.relativeHumidityPercent
  const start = method === 'rise' ? 12 : 92
  const holds = 1.3 ** random()
  let rh = start
  for (let step = 0; step < hours * 20; step++) rh += ((total / (of.freeAirL * holds)) * (room - rh)) / 20
  const noise = () => (of.displayWithinPercent / 2) * gauss()
  try {
    return displayLeak(of, {
      startPercent: start + noise(),
      endPercent: rh + noise(),
      roomPercent: room,
      hours,
    }).middleLPerH
  } catch {
    return 0
  }
}
