import { daysFromSeconds } from '#units/time.ts'
import { simulate } from '../network/simulate.ts'
import { stateAt, type BoxState } from '../assemble/state.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import type { BoxModel } from '../model/box-model.ts'
import { bufferAt } from './buffer.ts'
import { carriedRhPercent } from './carried.ts'
import { historyNetwork, modelOfDraw } from './model-of-draw.ts'
import { logLikelihood, type Observation } from './likelihood.ts'
import {
  drawFrom,
  localFit,
  logDensity,
  momentProposal,
  standardProposal,
  widened,
  type LocalFit,
  type Proposal,
} from './proposal.ts'
import { evenPoints } from './even-points.ts'
import type { RandomSource } from './random.ts'
import { effectiveCount } from './weighted.ts'
import { displaysOf } from './displays.ts'
import { AS_TOLD, type Hypothesis } from './hypotheses.ts'
import { drawValues, type DrawValues, type Unknown } from './unknowns.ts'

/** One possible truth, run through the box's whole history. */
export interface Draw {
  readonly z: Float64Array
  readonly values: DrawValues
  readonly model: BoxModel
  /** What each observation would have been. */
  readonly predicted: Float64Array
  /** How the box stands now; null where the run did not get that far. */
  readonly now: BoxState | null
  readonly airRhNowPercent: number
  readonly logLikelihood: number
}

export interface Posterior {
  readonly draws: readonly Draw[]
  /** Sum to 1. */
  readonly weights: Float64Array
  readonly effectiveDraws: number
  /** Power the likelihood was raised to: 1, or less where too few draws came near the readings at all. */
  readonly likelihoodPower: number
  readonly rounds: number
  /** ln of how likely what was seen is under the account it was sampled for, all unknowns together. */
  readonly logEvidence: number
  /** Why it stopped: enough draws count, no more rounds were allowed, or it was told to. */
  readonly ends: 'enough' | 'out of rounds' | 'cancelled'
}

export interface PosteriorOptions {
  readonly drawsPerRound: number
  /** Adaptive rounds after the first, which comes from the priors. */
  readonly maxAdaptiveRounds: number
  readonly enoughEffectiveDraws: number
  /** An account whose evidence stays below this after a round is not gone on with; left out: none is given up. */
  readonly givenUpBelow?: number
  readonly shouldStop?: () => boolean
  /** Where to look first; left out: at the likeliest of some draws from the priors. */
  readonly start?: Float64Array
}

export const ENSEMBLE_TOLERANCES = {
  relativeTolerance: 1e-3,
  absoluteToleranceG: 3e-3,
  airToleranceRhPercent: 0.25,
  maxSteps: 6000,
} as const

/** Runs one draw through the history. */
export function runDraw(
  facts: BoxFacts,
  unknowns: readonly Unknown[],
  observations: readonly Observation[],
  z: Float64Array,
  hypothesis: Hypothesis = AS_TOLD,
): Draw {
  const values = { ...drawValues(facts, unknowns, z), amiss: hypothesis.amiss(z[unknowns.length] ?? 0) }
  const model = modelOfDraw(facts, values)
  const network = historyNetwork(facts, model)
  const outputS = [...observations.map(observation => observation.atS), facts.nowS]
  const run = simulate(network, { fromS: facts.fromS, toS: facts.nowS, outputS }, ENSEMBLE_TOLERANCES)
  const nodes = network.nodes.length
  const reached = run.atS.length
  const predicted = Float64Array.from(observations, (observation, i) => {
    // a run that broke off answers for nothing: such a draw must not win
    if (i >= reached) return Number.MAX_SAFE_INTEGER
    if (observation.charge !== null) {
      const node = network.chargeNodes[observation.charge]!
      const waterG = node === null ? 0 : run.waterG[i * nodes + node]!
      const { dryMassG } = model.charges[observation.charge]!
      // a weighing reads the beads' true mass as water where they are heavier than told
      return observation.kind === 'colour'
        ? waterG / Math.max(dryMassG, 1e-9)
        : waterG + dryMassG - facts.charges[observation.charge]!.dryMassG
    }
    const buffer = bufferAt(model, observation.atS)
    return (
      carriedRhPercent(observations, i, buffer, run.airRhPercent[i]!, model.surroundings) +
      displayErrorRh(facts, values, observation)
    )
  })
  const last = outputS.length - 1
  const complete = reached === outputS.length
  return {
    z,
    values,
    model,
    predicted,
    now: complete ? stateAt(model, network, run.waterG, facts.nowS, last * nodes) : null,
    airRhNowPercent: complete ? run.airRhPercent[last]! : Number.NaN,
    logLikelihood: complete ? logLikelihood(observations, predicted) : -Infinity,
  }
}

/** What a display shows beyond the air at a time, as a draw has it. */
export function displayErrorRh(
  facts: BoxFacts,
  { offsetsRh, driftsRhPerMonth, amiss }: DrawValues,
  { atS, display }: Pick<Observation, 'atS' | 'display'>,
): number {
  const { id, firstS } = displaysOf(facts)[display!]!
  const months = daysFromSeconds(atS - firstS) / DAYS_PER_MONTH
  const shifted = amiss?.kind === 'display' && atS >= amiss.atS && id === amiss.displayId
  return offsetsRh[display!]! + driftsRhPerMonth[display!]! * months + (shifted ? amiss.rhPercent : 0)
}
const DAYS_PER_MONTH = 30.4375

/**
 * Importance sampling in rounds: the first from the priors, each later one from normals fitted to what the draws so
 * far say; all rounds count together, weighted by prior × likelihood over the mixture they were thrown from.
 * Source: adaptive multiple importance sampling, Cornuet et al. 2012 (from memory).
 */
export function samplePosterior(
  facts: BoxFacts,
  unknowns: readonly Unknown[],
  observations: readonly Observation[],
  random: RandomSource,
  options: PosteriorOptions,
  hypothesis: Hypothesis = AS_TOLD,
): Posterior {
  const unknownCount = unknowns.length + (hypothesis === AS_TOLD ? 0 : 1)
  const points = evenPoints(unknownCount, random)
  const first = observations.length === 0 ? options.drawsPerRound : Math.ceil(options.drawsPerRound * SCOUTS)
  const thrown: Thrown[] = [{ proposal: standardProposal(unknownCount), count: first }]
  const draws: Draw[] = []
  let fresh: readonly Thrown[] = thrown
  const predict = (z: Float64Array) => runDraw(facts, unknowns, observations, z, hypothesis).predicted
  let local: LocalFit | null = options.start ? localFit(observations, predict, options.start) : null
  if (local) thrown.push({ proposal: local.proposal, count: options.drawsPerRound })
  for (let round = 0; ; round++) {
    for (const { proposal, count } of fresh)
      for (let i = 0; i < count && !options.shouldStop?.(); i++)
        draws.push(runDraw(facts, unknowns, observations, drawFrom(proposal, points.next()), hypothesis))
    const importance = logImportance(draws, thrown)
    const weights = weightsAt(draws, importance, 1)
    const effectiveDraws = effectiveCount(weights)
    const wanted = round < USUAL_ROUNDS ? options.enoughEffectiveDraws : FEWEST_EFFECTIVE_DRAWS
    const enough = observations.length === 0 || effectiveDraws >= wanted
    const logEvidence = logMean(draws.map((draw, i) => draw.logLikelihood + importance[i]!))
    const isGivenUp = options.givenUpBelow !== undefined && logEvidence < options.givenUpBelow
    const mayGoOn = round < options.maxAdaptiveRounds && !enough && !isGivenUp && !options.shouldStop?.()
    // looked for again from the likeliest so far: the scouts may have been far off
    if (mayGoOn && round < LOCAL_ROUNDS && (local === null || leastMisfit(draws) < local.misfit - NO_GAIN))
      local = localFit(observations, predict, likeliest(draws)) ?? local
    // one from the model's slopes at its best, one from the draws' own spread: each covers where the other is wrong
    const moments =
      mayGoOn && (round > 0 || local === null)
        ? momentProposal(draws, temperedWeights(draws, importance, unknownCount))
        : null
    const fitted = mayGoOn ? [local?.proposal ?? null, moments].filter(proposal => proposal !== null) : []
    if (fitted.length === 0) {
      // too few draws near the readings: softened, so that a range stays a range (a contradiction is said apart)
      const power =
        enough || options.shouldStop?.()
          ? 1
          : likelihoodPower(draws, importance, Math.min(FEWEST_EFFECTIVE_DRAWS, draws.length / 4))
      const softened = power === 1 ? weights : weightsAt(draws, importance, power)
      return {
        draws,
        weights: softened,
        effectiveDraws: effectiveCount(softened),
        likelihoodPower: power,
        rounds: round + 1,
        logEvidence,
        ends: options.shouldStop?.() ? 'cancelled' : enough ? 'enough' : 'out of rounds',
      }
    }
    const each = options.drawsPerRound / fitted.length
    fresh = fitted.flatMap(proposal => [
      { proposal, count: Math.round(each * (1 - WIDE_SHARE)) },
      { proposal: widened(proposal, WIDE_FACTOR) ?? proposal, count: Math.round(each * WIDE_SHARE) },
    ])
    thrown.push(...fresh)
  }
}

/** ln of the mean of numbers known by their logarithms. */
function logMean(logs: readonly number[]): number {
  const top = Math.max(...logs)
  if (!Number.isFinite(top)) return -Infinity
  return top + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - top), 0) / logs.length)
}

/** Adaptive rounds that suffice nearly always; more follow only while fewer than this many draws count. */
const USUAL_ROUNDS = 5
const FEWEST_EFFECTIVE_DRAWS = 50

/** Rounds after which the model's slopes are taken anew, where a draw lies better than the point they were taken at. */
const LOCAL_ROUNDS = 3
/** Share of a round that is thrown from the priors, to find where to look. */
const SCOUTS = 0.25
/** Some draws of each round are thrown wider, for truths out in the tail. */
const WIDE_SHARE = 0.2
const WIDE_FACTOR = 1.6

/** A distribution and how many draws were thrown from it. */
interface Thrown {
  readonly proposal: Proposal
  readonly count: number
}

/** ln(prior / mixture of all that was thrown), draw by draw: what the weights are before the readings speak. */
function logImportance(draws: readonly Draw[], thrown: readonly Thrown[]): Float64Array {
  const prior = thrown[0]!.proposal
  const total = thrown.reduce((sum, { count }) => sum + count, 0)
  return Float64Array.from(draws, draw => {
    const densities = thrown.map(
      ({ proposal, count }) => logDensity(proposal, draw.z) + Math.log(count / total),
    )
    const top = Math.max(...densities)
    const mixture = top + Math.log(densities.reduce((sum, d) => sum + Math.exp(d - top), 0))
    return logDensity(prior, draw.z) - mixture
  })
}

/**
 * No draw weighs more than this part of √n times their mean: a lucky one far out would rule the answer, and another
 * turn of the points would have none. Source: truncated importance sampling, Ionides 2008 (from memory).
 */
const MOST_WEIGHT = 0.3

/** Weights that sum to 1, the likelihood raised to a power. */
function weightsAt(draws: readonly Draw[], importance: Float64Array, power: number): Float64Array {
  const logs = draws.map((draw, i) => power * draw.logLikelihood + importance[i]!)
  const top = Math.max(...logs)
  const weights = Float64Array.from(logs, log => (Number.isFinite(log) ? Math.exp(log - top) : 0))
  const sum = weights.reduce((a, b) => a + b, 0)
  const cap = (MOST_WEIGHT * sum) / Math.sqrt(weights.length)
  const capped = weights.map(weight => Math.min(weight, cap))
  const total = capped.reduce((a, b) => a + b, 0)
  return capped.map(weight => weight / total)
}

/** Weights with the likelihood softened until enough draws speak to fit a distribution to them. */
function temperedWeights(draws: readonly Draw[], importance: Float64Array, unknowns: number): Float64Array {
  const wanted = Math.min(2.5 * (unknowns + 1), draws.length / 3)
  return weightsAt(draws, importance, likelihoodPower(draws, importance, wanted))
}

/** The greatest power of the likelihood, 0…1, with which this many draws count. */
function likelihoodPower(draws: readonly Draw[], importance: Float64Array, wanted: number): number {
  if (effectiveCount(weightsAt(draws, importance, 1)) >= wanted) return 1
  let low = 0
  let high = 1
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2
    if (effectiveCount(weightsAt(draws, importance, middle)) > wanted) low = middle
    else high = middle
  }
  return low
}

/** A draw that lies better by less than this has found no other place. */
const NO_GAIN = 0.5

const leastMisfit = (draws: readonly Draw[]): number =>
  Math.min(...draws.map(draw => 0.5 * sumOfSquares(draw.z) - draw.logLikelihood))
const sumOfSquares = (z: Float64Array): number => z.reduce((sum, value) => sum + value * value, 0)

const likeliest = (draws: readonly Draw[]): Float64Array =>
  draws.reduce((best, draw) => (draw.logLikelihood > best.logLikelihood ? draw : best)).z
