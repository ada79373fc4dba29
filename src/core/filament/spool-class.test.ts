import { describe, expect, test } from '@jest/globals'
import { MATERIALS } from './catalogue.ts'
import { classOfSize, nearestClass, SPOOL_CLASSES, SPOOL_CLASS_IDS, spoolSizeOf } from './spool-class.ts'
import { FLANGE_MM, windingRadiusMm } from './winding.ts'

describe('sizes spools are sold in', () => {
  // common practice: wound PLA leaves a quarter to two fifths of the room between the turns empty
  test.each(SPOOL_CLASS_IDS)('%s: what is wound on it when full leaves the usual voids', id => {
    const { size, boreMm } = SPOOL_CLASSES[id]
    const outerMm = windingRadiusMm(size, size.fullFilamentG)
    const roomMm3 = Math.PI * (outerMm ** 2 - (size.coreDiameterMm / 2) ** 2) * (size.widthMm - 2 * FLANGE_MM)
    const filledMm3 = (size.fullFilamentG / MATERIALS.PLA.densityKgPerM3) * 1e6
    expect(1 - filledMm3 / roomMm3).toBeGreaterThan(0.24)
    expect(1 - filledMm3 / roomMm3).toBeLessThan(0.46)
    // bores lie between 20 and 75 mm, and inside the core (common practice)
    expect(boreMm).toBeGreaterThanOrEqual(20)
    expect(boreMm).toBeLessThan(Math.min(75, size.coreDiameterMm))
  })
  test('a size is a class only where both measures agree', () => {
    expect(classOfSize(200, 66)).toBe('kilogram')
    expect(classOfSize(200, 72)).toBe('wide')
    expect(classOfSize(200, 68)).toBeNull()
  })
  test('what is not measured comes from the class with the nearest rim', () => {
    expect(nearestClass(128).name).toBe('quarter kilogram')
    expect(nearestClass(400).name).toBe('three kilograms')
    expect(spoolSizeOf({ rimDiameterMm: 165, widthMm: 50, filamentG: 700 })).toEqual({
      rimDiameterMm: 165,
      widthMm: 50,
      coreDiameterMm: 80,
      fullFilamentG: 700,
    })
    // however small the rim, there is winding on the core
    expect(spoolSizeOf({ rimDiameterMm: 40, widthMm: 30, filamentG: 10 }).coreDiameterMm).toBe(30)
  })
})
