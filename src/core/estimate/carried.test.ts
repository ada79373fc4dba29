import { expect, test } from '@jest/globals'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { steadySurroundings } from '../network/network.ts'
import { rhAtConstantLoadingPercent } from '../sorbent/sorbent.ts'
import { carriedRhPercent, carryingOf } from './carried.ts'
import type { Observation } from './likelihood.ts'

const room = steadySurroundings({ temperatureC: 18, vapourDensityGPerL: 0.008 })
const seen = (temperatureC: number): readonly Observation[] => [
  {
    kind: 'reading',
    atS: 0,
    value: 20,
    sigma: 1.5,
    censored: false,
    charge: null,
    display: 0,
    temperatureC,
    kept: 1,
  },
]

test.each(Object.entries(DESICCANTS))(
  '%s: as at constant loading, the first time as the next',
  (_, { sorbent }) => {
    const observations = seen(23)
    const carrying = carryingOf(observations, sorbent)
    for (const rhPercent of [12, 12, 35, 99.9]) {
      const carried = carriedRhPercent(carrying, observations, 0, rhPercent, room)
      const direct = rhAtConstantLoadingPercent(sorbent, {
        relativeHumidityPercent: rhPercent,
        fromTemperatureC: 18,
        toTemperatureC: 23,
      })
      expect(carried).toBeCloseTo(direct, 9)
      expect(carriedRhPercent(carrying, observations, 0, rhPercent, room)).toBe(carried)
    }
  },
)
test('a display far from its room is read as if it stood in it', () => {
  const { sorbent } = DESICCANTS['silica-a']
  const observations = seen(64)
  expect(carriedRhPercent(carryingOf(observations, sorbent), observations, 0, 30, room)).toBeCloseTo(30, 9)
})
