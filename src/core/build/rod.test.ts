import { describe, expect, test } from '@jest/globals'
import {
  mostSag,
  newtons,
  ownWeightNPerMm,
  sagAtMm,
  secondMomentMm4,
  stiffnessNMm2,
  type Rod,
} from './rod.ts'

/*
 * Beam tables of the handbooks (Roark's Formulas for Stress and Strain, table 8.1; Machinery's Handbook, "Beams"; from
 * memory): middle load F L³/48EI, even load 5 w L⁴/384EI, free end F L³/3EI and w L⁴/8EI.
 */
const steel: Rod = { material: 'steel', diameterMm: 12, boreMm: 0 }
const weightless: Rod = { ...steel }
const own = ownWeightNPerMm(steel)

describe('sag of a rod', () => {
  test('second moment: π·12⁴/64 = 1017.88 mm⁴; a tube lacks its bore', () => {
    expect(secondMomentMm4(steel)).toBeCloseTo(1017.876, 3)
    expect(secondMomentMm4({ diameterMm: 12, boreMm: 10 })).toBeCloseTo(1017.876 - 490.874, 3)
  })
  test('handbook: one load in the middle of two supports', () => {
    const L = 356
    const EI = stiffnessNMm2(weightless)
    const sag = sagAtMm(steel, L, [{ atMm: L / 2, weightG: 4500 }], 'both ends', L / 2)
    expect(sag).toBeCloseTo((newtons(4500) * L ** 3) / (48 * EI) + (5 * own * L ** 4) / (384 * EI), 9)
  })
  test('handbook: a load off the middle sags most at √((L² − b²)/3) from the far support', () => {
    const [L, a] = [400, 280]
    const b = L - a
    const most = mostSag(steel, L, [{ atMm: a, weightG: 50_000 }], 'both ends')
    expect(Math.abs(most.atMm - Math.sqrt((L * L - b * b) / 3))).toBeLessThanOrEqual(2.1)
  })
  test('handbook: held in one wall, the free end', () => {
    const L = 150
    const EI = stiffnessNMm2(steel)
    const { sagMm, atMm } = mostSag(steel, L, [{ atMm: L, weightG: 1200 }], 'one end')
    expect(atMm).toBe(L)
    expect(sagMm).toBeCloseTo((newtons(1200) * L ** 3) / (3 * EI) + (own * L ** 4) / (8 * EI), 9)
  })
  test('two loads sag as one and the other together; it is the same from either end', () => {
    const loads = [
      { atMm: 90, weightG: 1200 },
      { atMm: 210, weightG: 800 },
    ]
    const turned = loads.map(({ atMm, weightG }) => ({ atMm: 350 - atMm, weightG }))
    expect(sagAtMm(steel, 350, loads, 'both ends', 130)).toBeCloseTo(
      sagAtMm(steel, 350, turned, 'both ends', 220),
      12,
    )
  })
  test('steel, aluminium, wood, printed: each sags more than the one before', () => {
    const sags = (['steel', 'aluminium', 'wood', 'printed'] as const).map(
      material =>
        mostSag({ material, diameterMm: 12, boreMm: 0 }, 356, [{ atMm: 178, weightG: 4500 }], 'both ends')
          .sagMm,
    )
    expect(sags).toEqual(sags.toSorted((a, b) => a - b))
  })
})
