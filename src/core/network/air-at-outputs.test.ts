import { expect, test } from '@jest/globals'
import { mostRhPercent, saturationDensityGPerL } from '../air/vapour.ts'
import { CLIMATES, courseSurroundings, roomCourse } from '../room/climate.ts'
import { airAtOutputs } from './air-at-outputs.ts'
import { steadySurroundings } from './network.ts'

const course = roomCourse({
  profile: CLIMATES.damp.profile,
  readings: [{ atS: 10 * 86_400, temperatureC: -4, relativeHumidityPercent: 80 }],
  fromS: 0,
  toS: 40 * 86_400,
})
const outputS = Float64Array.from([0, 10 * 86_400, 12.3 * 86_400, 39 * 86_400])

test('is what the room’s temperature makes of each time, frost too', () => {
  const surroundings = courseSurroundings(course, 1)
  const air = airAtOutputs(surroundings, outputS)!
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  outputS.forEach((timeS, row) => {
    surroundings.at(timeS, point)
    expect(air.saturationGPerL[row]).toBe(saturationDensityGPerL(point.temperatureC))
    expect(air.mostRhPercent[row]).toBe(mostRhPercent(point.temperatureC))
  })
  expect(air.mostRhPercent[1]).toBeLessThan(97)
})
test('a damper draw of the same room shares it; other times, and a room without days, do not', () => {
  const air = airAtOutputs(courseSurroundings(course, 1), outputS)
  expect(airAtOutputs(courseSurroundings(course, 1.2), outputS)).toBe(air)
  expect(airAtOutputs(courseSurroundings(course, 1), outputS.slice(1))).not.toBe(air)
  expect(airAtOutputs(steadySurroundings({ temperatureC: 20, vapourDensityGPerL: 0.01 }), outputS)).toBeNull()
})
