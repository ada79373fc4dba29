import type { Seconds } from '#units/quantity.ts'
import { mostRhPercent, saturationDensityGPerL } from '../air/vapour.ts'
import type { Surroundings } from './network.ts'

/** What the box air can hold at each of a run's output times. */
export interface AirAtOutputs {
  readonly saturationGPerL: Float64Array
  readonly mostRhPercent: Float64Array
}

/** By the days of a room, then by the times: thousands of draws of a box are looked at at the same ones. */
const known = new WeakMap<Float64Array, WeakMap<ArrayLike<Seconds>, AirAtOutputs>>()

/** @returns null where the room is not known by days: then no two runs need have the same temperatures */
export function airAtOutputs(surroundings: Surroundings, outputS: ArrayLike<Seconds>): AirAtOutputs | null {
  if (!surroundings.days) return null
  const { temperatureC: room } = surroundings.days
  const ofRoom = known.get(room) ?? new WeakMap<ArrayLike<Seconds>, AirAtOutputs>()
  const before = ofRoom.get(outputS)
  if (before) return before
  const saturationGPerL = new Float64Array(outputS.length)
  const mostRh = new Float64Array(outputS.length)
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  for (let row = 0; row < outputS.length; row++) {
    surroundings.at(outputS[row]!, point)
    saturationGPerL[row] = saturationDensityGPerL(point.temperatureC)
    mostRh[row] = mostRhPercent(point.temperatureC)
  }
  const air = { saturationGPerL, mostRhPercent: mostRh }
  known.set(room, ofRoom.set(outputS, air))
  return air
}
