import type { BoxFacts } from '../evidence/facts.ts'
import { evenPoints } from './even-points.ts'
import { AS_TOLD, type Hypothesis } from './hypotheses.ts'
import { likelihoodPower, logImportance, temperedWeights, weightsAt, type Thrown } from './importance.ts'
import type { Observation } from './likelihood.ts'
import { drawFrom, localFit, momentProposal, standardProposal, widened, type LocalFit } from './proposal.ts'
import type { RandomSource } from './random.ts'
import { runDraw, type Draw } from './run-draw.ts'
import type { Unknown } from './unknowns.ts'
import { effectiveCount } from './weighted.ts'

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
  const densities: Float64Array[] = []
  let fresh: readonly Thrown[] = thrown
  const predict = (z: Float64Array) => runDraw(facts, unknowns, observations, z, hypothesis).predicted
  let local: LocalFit | null = options.start ? localFit(observations, predict, options.start) : null
  if (local) thrown.push({ proposal: local.proposal, count: options.drawsPerRound })
  for (let round = 0; ; round++) {
    for (const { proposal, count } of fresh)
      for (let i = 0; i < count && !options.shouldStop?.(); i++)
        draws.push(runDraw(facts, unknowns, observations, drawFrom(proposal, points.next()), hypothesis))
    const importance = logImportance(draws, thrown, densities)
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

/** A draw that lies better by less than this has found no other place. */
const NO_GAIN = 0.5

const leastMisfit = (draws: readonly Draw[]): number =>
  Math.min(...draws.map(draw => 0.5 * sumOfSquares(draw.z) - draw.logLikelihood))
const sumOfSquares = (z: Float64Array): number => z.reduce((sum, value) => sum + value * value, 0)

const likeliest = (draws: readonly Draw[]): Float64Array =>
  draws.reduce((best, draw) => (draw.logLikelihood > best.logLikelihood ? draw : best)).z
