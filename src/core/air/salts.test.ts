import { describe, expect, test } from '@jest/globals'
import { SALTS, saltRhPercent, type SaltId } from './salts.ts'

describe('air over saturated salts', () => {
  // L. Greenspan, J. Res. NBS 81A (1977) 89, table 2: at 25 °C, and sodium chloride at four temperatures
  test.each<[SaltId, number, number]>([
    ['lithium chloride', 25, 11.3],
    ['magnesium chloride', 25, 32.78],
    ['potassium carbonate', 25, 43.16],
    ['sodium bromide', 25, 57.57],
    ['table salt', 25, 75.29],
    ['potassium chloride', 25, 84.34],
    ['potassium sulfate', 25, 97.3],
    ['table salt', 15, 75.61],
    ['table salt', 20, 75.47],
    ['table salt', 30, 75.09],
  ])('%s at %d °C: %d %%', (salt, temperatureC, rhPercent) =>
    expect(saltRhPercent(salt, temperatureC)).toBeCloseTo(rhPercent, 6),
  )
  // ASTM E104-02, table of the same salts (from memory), rounded to 0.5: another publication of the same points
  test.each<[SaltId, number, number]>([
    ['magnesium chloride', 20, 33],
    ['potassium carbonate', 20, 43],
    ['sodium bromide', 20, 59],
    ['potassium chloride', 20, 85],
    ['lithium chloride', 20, 11.3],
    ['potassium chloride', 15, 86],
    ['magnesium chloride', 30, 32.4],
  ])('%s at %d °C lies near %d %%', (salt, temperatureC, rhPercent) =>
    expect(Math.abs(saltRhPercent(salt, temperatureC)! - rhPercent)).toBeLessThan(0.5),
  )
  test('between the points in a straight line; outside the table nothing', () => {
    expect(saltRhPercent('sodium bromide', 22.5)).toBeCloseTo((59.14 + 57.57) / 2, 6)
    expect(saltRhPercent('potassium carbonate', 34)).toBeNull()
    expect(saltRhPercent('sodium bromide', 2)).toBeNull()
    for (const salt of Object.keys(SALTS) as SaltId[]) {
      expect(saltRhPercent(salt, 40)).toBeNull()
      expect(saltRhPercent(salt, -1)).toBeNull()
      for (let temperatureC = 5; temperatureC <= 30; temperatureC += 0.5)
        expect(saltRhPercent(salt, temperatureC)).not.toBeNull()
    }
  })
})
