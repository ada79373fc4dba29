import type { Celsius, PercentRh } from '#units/quantity.ts'
import type { Surroundings } from '../network/network.ts'
import { rhAtConstantLoadingPercent, type Sorbent } from '../sorbent/sorbent.ts'
import type { Observation } from './likelihood.ts'

/** A box stands in its room: a display further from it than this was misread, or reads in another scale. */
const DOUBTED_BEYOND_K = 8
const believedC = (shownC: Celsius, roomC: Celsius): Celsius =>
  Math.abs(shownC - roomC) > DOUBTED_BEYOND_K ? roomC : shownC

/** By the observations of a box and what buffers it: the factor of each, NaN until it is asked for. */
const known = new WeakMap<readonly Observation[], Map<Sorbent, Float64Array>>()

/** What carries the RH of a box from what the model has to what a display would show, with one buffer. */
export interface Carrying {
  readonly buffer: Sorbent
  /** By observation; NaN: not asked for yet, or none for every RH. */
  readonly factors: Float64Array
}
export function carryingOf(observations: readonly Observation[], buffer: Sorbent): Carrying {
  const ofBox = known.get(observations) ?? new Map<Sorbent, Float64Array>()
  known.set(observations, ofBox)
  const factors = ofBox.get(buffer) ?? new Float64Array(observations.length).fill(Number.NaN)
  ofBox.set(buffer, factors)
  return { buffer, factors }
}

/**
 * The model's RH carried to the temperature the display showed, at the constant loading of what buffers the air. Every
 * draw of a box has its room as warm, and most buffers have one curve: one factor an observation then serves them all.
 */
export function carriedRhPercent(
  { buffer, factors }: Carrying,
  observations: readonly Observation[],
  i: number,
  rhPercent: PercentRh,
  surroundings: Surroundings,
): PercentRh {
  if (factors[i]! > 0) return Math.min(MOST_RH, factors[i]! * rhPercent)
  const { atS, temperatureC } = observations[i]!
  surroundings.at(atS, point)
  const fromTemperatureC = point.temperatureC
  const toTemperatureC = believedC(temperatureC, fromTemperatureC)
  const carried = (relativeHumidityPercent: PercentRh) =>
    rhAtConstantLoadingPercent(buffer, { relativeHumidityPercent, fromTemperatureC, toTemperatureC })
  // the same way whether asked for the first time or the thousandth: like facts, like answers to the last digit
  if (buffer.curveAt(fromTemperatureC) === buffer.curveAt(toTemperatureC))
    return Math.min(MOST_RH, (factors[i] = carried(1)) * rhPercent)
  return carried(rhPercent)
}
const MOST_RH = 100
const point = { temperatureC: 0, vapourDensityGPerL: 0 }
