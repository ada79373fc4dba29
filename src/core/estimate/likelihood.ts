import { normalCdf } from '../normal.ts'
import { rhAtConstantLoadingPercent, type Sorbent } from '../sorbent/sorbent.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { OFFSET_SHARE } from './unknowns.ts'

/** What the lumped model itself may miss a reading by, % RH, one standard deviation. */
export const MODEL_SPREAD_RH = 1

/** What the model's water in the beads may be wrong by, one standard deviation: a share of it, and at least so much. */
const MODEL_SHARE_OF_WATER = 0.01
const LEAST_SIGMA_G = 0.02

/** One thing seen that a draw must answer for. */
export interface Observation {
  readonly kind: 'reading' | 'weighing' | 'colour'
  readonly atS: number
  readonly value: number
  readonly sigma: number
  /** A display at its floor says "at most this". */
  readonly censored: boolean
  /** Of the charge weighed or looked at, in the facts' order; null for a reading. */
  readonly charge: number | null
  readonly temperatureC: number
}

/** All settled readings, all weighings and colours, in order of time. */
export function observationsOf(facts: BoxFacts): Observation[] {
  const newEachTime = (facts.hygrometer.accuracyPercentRh / 2) * Math.sqrt(1 - OFFSET_SHARE ** 2)
  const readingSigma = Math.hypot(newEachTime, MODEL_SPREAD_RH)
  const list: Observation[] = facts.readings
    .filter(reading => reading.settled && reading.atS <= facts.nowS)
    .map(reading => ({
      kind: 'reading',
      atS: reading.atS,
      value: reading.relativeHumidityPercent,
      sigma: readingSigma,
      censored: reading.relativeHumidityPercent <= facts.hygrometer.floorPercentRh,
      charge: null,
      temperatureC: reading.temperatureC,
    }))
  facts.charges.forEach((charge, index) => {
    for (const weighing of charge.weighings)
      if (weighing.atS <= facts.nowS)
        list.push({
          kind: 'weighing',
          atS: weighing.atS,
          value: weighing.waterG,
          sigma: Math.hypot(
            weighing.sigmaG,
            MODEL_SHARE_OF_WATER * Math.max(weighing.waterG, 0),
            LEAST_SIGMA_G,
          ),
          censored: false,
          charge: index,
          temperatureC: 0,
        })
    for (const look of charge.looks)
      if (look.atS <= facts.nowS)
        list.push({
          kind: 'colour',
          atS: look.atS,
          value: look.loadingGPerG,
          sigma: look.sigmaGPerG,
          censored: false,
          charge: index,
          temperatureC: 0,
        })
  })
  return list.sort((a, b) => a.atS - b.atS)
}

/** The model's RH carried to the temperature the display showed, at the constant loading of what buffers the air. */
export const atReadingTemperature = (
  buffer: Sorbent,
  rhPercent: number,
  modelC: number,
  readingC: number,
): number =>
  rhAtConstantLoadingPercent(buffer, {
    relativeHumidityPercent: rhPercent,
    fromTemperatureC: modelC,
    toTemperatureC: readingC,
  })

/** Miss in units of the observation's own spread; a floor reading is missed only by being above it. */
export function standardMiss(observation: Observation, predicted: number): number {
  if (observation.censored && predicted <= observation.value) return 0
  return (observation.value - predicted) / observation.sigma
}

/** A display shows whole per cent: at its floor the true reading is below the next half. */
const HALF_STEP = 0.5
/** A floor on the probability of a floor reading, so that a hopeless draw stays comparable with another. */
const LEAST_PROBABILITY = 1e-12

const missOf = (observation: Observation, predicted: number): number =>
  (observation.value + (observation.censored ? HALF_STEP : 0) - predicted) / observation.sigma

export function logLikelihood(observations: readonly Observation[], predicted: ArrayLike<number>): number {
  let sum = 0
  observations.forEach((observation, i) => {
    const miss = missOf(observation, predicted[i]!)
    sum += observation.censored ? Math.log(Math.max(normalCdf(miss), LEAST_PROBABILITY)) : -0.5 * miss * miss
  })
  return sum
}

/** First derivative of one observation's log likelihood by what is predicted, and minus the second (at least 0). */
export function logLikelihoodShape(
  observation: Observation,
  predicted: number,
): { gradient: number; curvature: number } {
  const { sigma, censored } = observation
  const miss = missOf(observation, predicted)
  if (!censored) return { gradient: miss / sigma, curvature: 1 / sigma ** 2 }
  const density = Math.exp(-0.5 * miss * miss) / Math.sqrt(2 * Math.PI)
  const hazard = density / Math.max(normalCdf(miss), LEAST_PROBABILITY)
  return { gradient: -hazard / sigma, curvature: Math.max(0, hazard * (hazard + miss)) / sigma ** 2 }
}
