import { daysFromSeconds } from '#units/time.ts'
import { normalCdf } from '../normal.ts'
import type { BoxFacts, ReadingFacts } from '../evidence/facts.ts'
import { displayOf, displaysOf } from './displays.ts'
import { MODEL_MEMORY_S, MODEL_SPREAD_RH } from './model-error.ts'

/** What the model's water in the beads may be wrong by, one standard deviation: a share of it, and at least so much. */
const MODEL_SHARE_OF_WATER = 0.01
const LEAST_SIGMA_G = 0.02

/** One thing seen that a draw must answer for. */
export interface Observation {
  readonly kind: 'reading' | 'weighing' | 'colour'
  readonly atS: number
  readonly value: number
  /** Of what is new at each observation. */
  readonly sigma: number
  /** A display at its floor says "at most this". */
  readonly censored: boolean
  /** Of the charge weighed or looked at, in the facts' order; null for a reading. */
  readonly charge: number | null
  /** Of the display that showed it, in their order; null for what no display showed. */
  readonly display: number | null
  readonly temperatureC: number
  /** What is left by now of the model's error at the reading before, 0…1; 1 for what is no reading. */
  readonly kept: number
}

/** Settled readings, those of a display and a day as one, since they share its mood and the day; all weighings and colours; in order of time. */
export function observationsOf(facts: BoxFacts): Observation[] {
  const displays = displaysOf(facts)
  const list: Omit<Observation, 'kept'>[] = daysOfReadings(facts).map(({ display, readings }) => {
    const value = middleOf(readings.map(reading => reading.relativeHumidityPercent))
    return {
      kind: 'reading',
      atS: middleOf(readings.map(reading => reading.atS)),
      value,
      sigma: displays[display]!.newEachTimeRh,
      censored: value <= displays[display]!.floorPercentRh,
      charge: null,
      display,
      temperatureC: middleOf(readings.map(reading => reading.temperatureC)),
    }
  })
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
          display: null,
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
          display: null,
          temperatureC: 0,
        })
  })
  let lastS = Number.NaN
  return list
    .sort((a, b) => a.atS - b.atS)
    .map(observation => {
      if (observation.kind !== 'reading') return { ...observation, kept: 1 }
      const kept = Number.isNaN(lastS) ? 1 : Math.exp(-Math.abs(observation.atS - lastS) / MODEL_MEMORY_S)
      lastS = observation.atS
      return { ...observation, kept }
    })
}

/** Settled readings by display and day; both in order of time. */
function daysOfReadings(facts: BoxFacts): { display: number; readings: ReadingFacts[] }[] {
  const displays = displaysOf(facts).map(display => display.id)
  const days = new Map<string, { display: number; readings: ReadingFacts[] }>()
  for (const reading of facts.readings) {
    if (!reading.settled || reading.atS > facts.nowS) continue
    const display = displays.indexOf(displayOf(reading))
    const key = `${display} ${Math.floor(daysFromSeconds(reading.atS))}`
    const day = days.get(key)
    if (day) day.readings.push(reading)
    else days.set(key, { display, readings: [reading] })
  }
  return [...days.values()]
}

function middleOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** A display shows whole per cent: at its floor the true reading is below the next half. */
const HALF_STEP = 0.5
/** A floor on the probability of a floor reading, so that a hopeless draw stays comparable with another. */
const LEAST_PROBABILITY = 1e-12
/** Freedoms of the distribution that misses follow: its tails let one odd reading be odd. */
const FREEDOMS = 4
/** With this scale the middle of the distribution is as wide as the display's own: its tails are the wider. */
const T_SCALE = 0.85
/** Share of readings that are slips, anything from 0 to 100; common practice knows them, none has counted them. */
const SLIPS = 0.01
const WHOLE_SCALE_RH = 100
const SLIP_DENSITY = SLIPS / WHOLE_SCALE_RH

/** How each observation stands to what was predicted of it, the model's own lasting error taken into account. */
export interface Misses {
  /** Of what was seen beyond what was predicted, in the observation's unit. */
  readonly innovation: Float64Array
  /** Its standard deviation. */
  readonly deviation: Float64Array
  /** d ln(likelihood) / d prediction, and minus the second derivative as a fit takes it (at least 0). */
  readonly gradient: Float64Array
  readonly curvature: Float64Array
  /** How much of the model's error is believed to have shown itself there, per unit of innovation. */
  readonly gain: Float64Array
}

/** One miss; the next is written over it, since thousands of draws are held against the readings. */
interface Miss {
  innovation: number
  deviation: number
  logLikelihood: number
  gradient: number
  curvature: number
}

/**
 * All observations of one draw in order. The model's error in the air wanders with a memory of weeks and is followed as
 * a Kalman filter does (Kalman 1960, from memory), each miss weighed down where it lies in the tail of Student's t
 * (Meinhold & Singpurwalla 1989, from memory): so that many readings of one fortnight say little more than a few.
 * @param into what is to be known of each miss
 * @returns ln of the likelihood of all
 */
function follow(
  observations: readonly Observation[],
  predicted: ArrayLike<number>,
  into: Misses | null,
): number {
  const miss: Miss = { innovation: 0, deviation: 0, logLikelihood: 0, gradient: 0, curvature: 0 }
  let sum = 0
  let error = 0
  let variance = MODEL_VARIANCE
  for (let i = 0; i < observations.length; i++) {
    const { kind, sigma, censored, value, kept } = observations[i]!
    const off = value - predicted[i]!
    let gain = 0
    if (kind !== 'reading') robust(off, sigma, 0, miss)
    else {
      error *= kept
      const keptVariance = kept * kept
      const newVariance = sigma * sigma
      variance = keptVariance * variance + (1 - keptVariance) * MODEL_VARIANCE
      const deviation = Math.sqrt(variance + newVariance)
      if (censored) floored(off - error, deviation, miss)
      else {
        robust(off - error, deviation, SLIP_DENSITY, miss)
        // what lies in the tail tells as little of the model's error as of anything else
        const weight = miss.curvature * (deviation * deviation)
        gain = weight > 1e-9 ? variance / (variance + newVariance / weight) : 0
        error += gain * miss.innovation
        variance *= 1 - gain
      }
    }
    sum += miss.logLikelihood
    if (!into) continue
    into.innovation[i] = miss.innovation
    into.deviation[i] = miss.deviation
    into.gradient[i] = miss.gradient
    into.curvature[i] = miss.curvature
    into.gain[i] = gain
  }
  return sum
}
const MODEL_VARIANCE = MODEL_SPREAD_RH ** 2

/** A miss beside Student's t with four degrees of freedom, 3/8 · (1 + u²/4)^(−5/2), and slips of this density. */
function robust(innovation: number, deviation: number, slipDensity: number, into: Miss): void {
  const scale = T_SCALE * deviation
  const u = innovation / scale
  const spread = 1 + (u * u) / FREEDOMS
  const regular = ((1 - SLIPS) * 0.375) / (spread * spread * Math.sqrt(spread) * scale)
  const density = regular + slipDensity
  const weight = ((regular / density) * (FREEDOMS + 1)) / (FREEDOMS * spread)
  into.innovation = innovation
  into.deviation = deviation
  into.logLikelihood = Math.log(density)
  into.gradient = (weight * u) / scale
  into.curvature = weight / (scale * scale)
}

/** A reading at the floor is missed only by being above it. */
function floored(miss: number, deviation: number, into: Miss): void {
  const u = (miss + HALF_STEP) / deviation
  const share = Math.max(normalCdf(u), LEAST_PROBABILITY)
  const density = Math.exp(-0.5 * u * u) / Math.sqrt(2 * Math.PI)
  const hazard = density / share
  into.innovation = Math.min(0, miss)
  into.deviation = deviation
  into.logLikelihood = Math.log((1 - SLIPS) * share + SLIPS)
  into.gradient = -hazard / deviation
  into.curvature = Math.max(0, hazard * (hazard + u)) / deviation ** 2
}

export function missesOf(observations: readonly Observation[], predicted: ArrayLike<number>): Misses {
  const each = () => new Float64Array(observations.length)
  const misses = {
    innovation: each(),
    deviation: each(),
    gradient: each(),
    curvature: each(),
    gain: each(),
  }
  follow(observations, predicted, misses)
  return misses
}

export const logLikelihood = (observations: readonly Observation[], predicted: ArrayLike<number>): number =>
  follow(observations, predicted, null)

/** How a change of what is predicted shows in the innovations: what the filter takes for the model's error is gone. */
export function throughFilter(
  observations: readonly Observation[],
  { gain }: Pick<Misses, 'gain'>,
  slope: ArrayLike<number>,
): Float64Array {
  const shows = new Float64Array(observations.length)
  let taken = 0
  for (let i = 0; i < shows.length; i++) {
    shows[i] = slope[i]!
    const { kind, kept } = observations[i]!
    if (kind !== 'reading') continue
    taken *= kept
    shows[i]! -= taken
    taken += gain[i]! * shows[i]!
  }
  return shows
}
