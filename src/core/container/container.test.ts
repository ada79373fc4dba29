import { describe, expect, test } from '@jest/globals'
import { MATERIALS } from '../filament/catalogue.ts'
import { spoolConductanceLPerH, spoolFits, USUAL_SPOOL, windingRadiusMm } from '../filament/winding.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { CLIMATES, courseSurroundings, profileAt, roomCourse } from '../room/climate.ts'
import { CONTAINER_KINDS, CONTAINERS, freeAirL, insideVolumeL } from './container.ts'
import { openingShare } from './opening.ts'
import { wallAreaM2, wallConductanceLPerH, wallTemperatureFactor } from './wall.ts'
import { breathingLPerH } from './breathing.ts'
import { drainLPerH } from './drain.ts'
import { holeLPerH, OUTLETS } from './hole.ts'

describe('volume', () => {
  test('a straight cuboid and cylinder', () => {
    const size = { widthMm: 400, depthMm: 300, heightMm: 250 }
    expect(insideVolumeL('rectangular', size, 1)).toBeCloseTo(30, 10)
    expect(insideVolumeL('round', { widthMm: 200, depthMm: 200, heightMm: 100 }, 1)).toBeCloseTo(Math.PI, 10)
  })
  test('a taper is the frustum of the textbook, V = h/3·(A₁ + A₂ + √(A₁A₂))', () => {
    const size = { widthMm: 400, depthMm: 300, heightMm: 250 }
    const [top, base] = [400 * 300, 400 * 300 * 0.64]
    expect(insideVolumeL('rectangular', size, 0.8)).toBeCloseTo(
      ((250 / 3) * (top + base + Math.sqrt(top * base))) / 1e6,
      10,
    )
  })
  test.each(CONTAINER_KINDS)('%s holds the usual spool', kind => {
    const { size, section, baseShare } = CONTAINERS[kind]
    expect(spoolFits(USUAL_SPOOL, size)).toBe(true)
    expect(insideVolumeL(section, size, baseShare)).toBeGreaterThan(3)
  })
  test('a spool wider than its box is seen', () =>
    expect(spoolFits({ rimDiameterMm: 200, widthMm: 110 }, CONTAINERS.jar.size)).toBe(false))
  test('solids never use up all the air', () => expect(freeAirL(5, 6)).toBeCloseTo(0.1, 12))
})

test('outside check (derived, worked by hand): a printed PLA box of 0.5 m² and 2 mm lets in about 2 L/h', () => {
  expect(wallConductanceLPerH('printed PLA', 0.5, 2)).toBeCloseTo(2, 1)
  expect(wallAreaM2({ widthMm: 500, depthMm: 500, heightMm: 500 }, 1)).toBeCloseTo(1.5, 10)
})

test('an opening exchanges 30 to 95 % of the air', () => {
  expect(openingShare(0)).toBeCloseTo(0.3, 12)
  expect(openingShare(1e4)).toBeCloseTo(0.95, 6)
})

describe('what lets air in', () => {
  test('a rigid box breathes twice free air × ΔT/T a day, a bag not at all', () => {
    const box = { freeAirL: 20, dailySwingK: 6, temperatureC: 20 }
    expect(breathingLPerH(box)).toBeCloseTo((2 * 20 * 6) / 293.15 / 24, 9)
    expect(breathingLPerH({ ...box, isBag: true })).toBe(0)
  })
  test('whatever closes a hole lets through less than the open hole', () => {
    const open = holeLPerH({ diameterMm: 4, wallMm: 2 })
    for (const outlet of [OUTLETS.coupler, OUTLETS.membrane, OUTLETS.cap])
      expect(outlet.highLPerH).toBeLessThan(open)
    expect(holeLPerH({ diameterMm: 4, wallMm: 2, pressurePa: 84_556 }) / open).toBeCloseTo(
      101_325 / 84_556,
      6,
    )
  })
  test('a cold wall passes less, polystyrene alike at any warmth; no drive, no drain', () => {
    expect(wallTemperatureFactor('PP', 8)).toBeLessThan(0.25)
    expect(wallTemperatureFactor('PS', 8)).toBe(1)
    expect(
      drainLPerH({
        diameterMm: 4,
        wallMm: 2,
        heightMm: 300,
        vapourPressureDifferencePa: 0,
        temperatureDifferenceK: 0,
        temperatureC: 20,
      }),
    ).toBe(0)
  })
})

describe('winding', () => {
  const spool = {
    material: MATERIALS.PLA,
    size: USUAL_SPOOL,
    filamentG: 1000,
    slitShare: 0.07,
    temperatureC: 20,
  }
  test('the radius follows the grams left', () => {
    expect(windingRadiusMm(USUAL_SPOOL, 1000)).toBe(96)
    expect(windingRadiusMm(USUAL_SPOOL, 0)).toBe(45)
  })
  test('outside check (common practice): a damp PLA spool in dry air is dry in 3–10 days', () => {
    const capacityL = (1000 * 0.0077) / saturationDensityGPerL(20)
    const timeConstantDays = capacityL / spoolConductanceLPerH(spool) / 24
    // within a tenth of the way after 2.3 time constants
    expect(2.3 * timeConstantDays).toBeGreaterThan(3)
    expect(2.3 * timeConstantDays).toBeLessThan(10)
  })
  test('nylon is slowed by its strand, a tight winding by its slits', () => {
    const nylon = { ...spool, material: MATERIALS.PA6 }
    expect(spoolConductanceLPerH({ ...spool, slitShare: 0.03 })).toBeLessThan(spoolConductanceLPerH(spool))
    expect(
      spoolConductanceLPerH(nylon) / spoolConductanceLPerH({ ...nylon, slitShare: 0.14 }),
    ).toBeGreaterThan(0.5)
  })
})

describe('room', () => {
  const day = (n: number) => n * 86_400
  const out = { temperatureC: 0, vapourDensityGPerL: 0 }
  test('the profile is met mid-month and wraps round the year', () => {
    const { profile } = CLIMATES.damp
    expect(profileAt(profile, day(365.2425 / 24)).temperatureC).toBeCloseTo(8, 6)
    expect(profileAt(profile, day(365.2425 / 24 + 365.2425)).temperatureC).toBeCloseTo(8, 6)
    expect(profileAt(profile, 0).temperatureC).toBeCloseTo(8.5, 6)
  })
  test('passes through its readings, and returns to the usual afterwards', () => {
    const reading = { atS: day(100), temperatureC: 17, relativeHumidityPercent: 60 }
    const room = courseSurroundings(
      roomCourse({
        profile: CLIMATES.damp.profile,
        readings: [reading],
        fromS: day(90),
        toS: day(500),
      }),
      1,
    )
    room.at(day(100), out)
    expect(out.temperatureC).toBeCloseTo(17, 6)
    expect(out.vapourDensityGPerL / saturationDensityGPerL(17)).toBeCloseTo(0.6, 6)
    room.at(day(400), out)
    expect(out.temperatureC).toBeCloseTo(profileAt(CLIMATES.damp.profile, day(400)).temperatureC, 2)
  })
})
