import { describe, expect, test } from '@jest/globals'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { pressureAtAltitudePa } from './altitude.ts'
import { CLIMATES } from './climate.ts'
import { followLate } from './lag.ts'
import { constantSeries, profileSeries, sampledSurroundings, USUAL_LAGS } from './sampled-room.ts'

const HOUR = 3600
const at = (room: ReturnType<typeof sampledSurroundings>, timeS: number) => {
  const out = { temperatureC: 0, vapourDensityGPerL: 0, beadTemperatureC: 0, spoolTemperatureC: 0 }
  room.at(timeS, out)
  return out
}

describe('following late', () => {
  test('a step is met by 1 − 1/e after one lag, a ramp is followed one lag behind', () => {
    const step = followLate([0, ...Array.from({ length: 600 }, () => 1)], 60, 3 * HOUR)
    expect(step[181]).toBeCloseTo(1 - Math.exp(-1), 2)
    const ramp = followLate(
      Array.from({ length: 900 }, (_, i) => i),
      60,
      HOUR,
    )
    expect(ramp[899]).toBeCloseTo(899 - 60, 3)
  })
  test('no lag is no change', () => expect(Array.from(followLate([3, 1, 2], 60, 0))).toEqual([3, 1, 2]))
})

describe('a sampled room', () => {
  test('constant', () => {
    const room = sampledSurroundings(
      constantSeries({ temperatureC: 21, relativeHumidityPercent: 44 }, 0, 1000),
    )
    const point = at(room, 700)
    expect(point.temperatureC).toBe(21)
    expect(point.vapourDensityGPerL / saturationDensityGPerL(21)).toBeCloseTo(0.44, 9)
  })
  test('beads and spools lag behind the box, the box behind the room', () => {
    const series = profileSeries(CLIMATES.mild.profile, 10, 0, 20 * 86_400)
    const swing = (read: (point: ReturnType<typeof at>) => number) => {
      const room = sampledSurroundings(series)
      const values = Array.from({ length: 24 }, (_, h) => read(at(room, (240 + h) * HOUR)))
      return Math.max(...values) - Math.min(...values)
    }
    const [box, beads, spools] = [
      swing(p => p.temperatureC),
      swing(p => p.beadTemperatureC),
      swing(p => p.spoolTemperatureC),
    ]
    expect(box).toBeLessThan(10)
    expect(beads).toBeLessThan(box)
    expect(spools).toBeLessThan(beads)
    // a sine of a day through a lag τ keeps 1/√(1 + (ωτ)²)
    const kept = 1 / Math.hypot(1, (2 * Math.PI * USUAL_LAGS.boxS) / 86_400)
    expect(box).toBeCloseTo(10 * kept, 0)
  })
  test('a daily swing leaves the vapour and bends RH', () => {
    const series = profileSeries(CLIMATES.heated.profile, 8, 0, 86_400)
    const densities = Array.from(
      series.temperatureC,
      (t, i) => series.relativeHumidityPercent[i]! * saturationDensityGPerL(t),
    )
    expect(Math.max(...densities) / Math.min(...densities)).toBeLessThan(1.03)
  })
  test('altitude thins the air: outside check against ISO 2533 (from memory), 84 556 Pa at 1500 m', () => {
    expect(pressureAtAltitudePa(1500)).toBeCloseTo(84_556, -2)
    const room = sampledSurroundings(
      constantSeries({ temperatureC: 21, relativeHumidityPercent: 44 }, 0, 9),
      {
        altitudeM: 1500,
      },
    )
    expect(room.pressurePa).toBeCloseTo(84_556, -2)
  })
})
