import type { PercentRh, Seconds } from '#units/quantity.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import type { Amiss } from './amiss.ts'
import { likeliest } from './likeliest.ts'
import { AS_TOLD, type Hypothesis } from './hypotheses.ts'
import type { Observation } from './likelihood.ts'
import { samplePosterior, type Posterior, type PosteriorOptions } from './posterior.ts'
import { seededRandom } from './random.ts'
import { findSuspects } from './suspects.ts'
import type { Unknown } from './unknowns.ts'
import { effectiveCount } from './weighted.ts'

/** One account of the box and how much of the weight it has. */
export interface Account {
  readonly kind: Hypothesis['kind']
  readonly share: number
  /** Its likeliest draw's; null for the account as told. */
  readonly amiss: Amiss | null
  /** What its likeliest draw expects of each reading that is kept as seen, % RH. */
  readonly expectedRhPercent: readonly number[]
}

/** Readings of late, a day and a display together, that accounts are held against. */
export interface Seen {
  readonly atS: Seconds
  readonly rhPercent: PercentRh
}
const MOST_SEEN = 120
const readingsIn = (observations: readonly Observation[]): number[] =>
  observations.flatMap(({ kind }, i) => (kind === 'reading' ? [i] : [])).slice(-MOST_SEEN)
export const seenOf = (observations: readonly Observation[]): Seen[] =>
  readingsIn(observations).map(i => ({ atS: observations[i]!.atS, rhPercent: observations[i]!.value }))

export interface AllAccounts extends Posterior {
  /** As told first, then by share. */
  readonly accounts: readonly Account[]
}

/** Few suspects need as many draws as the account as told: their share is often small. */
const OF_A_SUSPECT = { drawsPerRound: 100, maxAdaptiveRounds: 3, enoughEffectiveDraws: 80 }
/** An account with less than this share moves no 10 % point. */
const LEAST_SHARE = 0.01
/** Nor has one that after a round still is this far from it: most suspects are none. */
const HOPELESS_SHARE = LEAST_SHARE / 20
/** Where nothing was seen there is nothing to explain otherwise. */
const FEWEST_OBSERVATIONS = 1

/**
 * The draws of all accounts together: everything as told, and whatever else explains what was seen, each with the share
 * that its prior and its evidence give it.
 */
export function sampleAccounts(
  facts: BoxFacts,
  unknowns: readonly Unknown[],
  observations: readonly Observation[],
  seed: number,
  options: PosteriorOptions,
): AllAccounts {
  const told = samplePosterior(facts, unknowns, observations, seededRandom(seed), options)
  const alone = (posterior: Posterior): AllAccounts => ({
    ...posterior,
    accounts: [{ kind: 'as told', share: 1, ...saidBy(posterior, observations) }],
  })
  if (observations.length < FEWEST_OBSERVATIONS || options.shouldStop?.()) return alone(told)
  const suspects = findSuspects(facts, unknowns, observations, likeliest(told).z, options.shouldStop)
  const others = suspects.map(({ hypothesis, start }) => ({
    hypothesis,
    posterior: samplePosterior(
      facts,
      unknowns,
      observations,
      seededRandom(seed),
      {
        ...options,
        ...OF_A_SUSPECT,
        givenUpBelow: told.logEvidence + Math.log(HOPELESS_SHARE / hypothesis.prior),
        start,
      },
      hypothesis,
    ),
  }))
  const all = [{ hypothesis: AS_TOLD, posterior: told }, ...others]
  const logs = all.map(({ hypothesis, posterior }) => Math.log(hypothesis.prior) + posterior.logEvidence)
  const top = Math.max(...logs)
  const raw = logs.map(log => Math.exp(log - top))
  const sum = raw.reduce((total, share) => total + share, 0)
  const kept = all.map((one, i) => ({ ...one, share: raw[i]! / sum })).filter(one => one.share >= LEAST_SHARE)
  const keptSum = kept.reduce((total, { share }) => total + share, 0)
  const draws = kept.flatMap(({ posterior }) => posterior.draws)
  const weights = Float64Array.from(
    kept.flatMap(({ posterior, share }) =>
      Array.from(posterior.weights, weight => (weight * share) / keptSum),
    ),
  )
  return {
    draws,
    weights,
    effectiveDraws: effectiveCount(weights),
    likelihoodPower: Math.min(...kept.map(({ posterior }) => posterior.likelihoodPower)),
    rounds: told.rounds,
    logEvidence: top,
    ends: told.ends,
    accounts: all
      .map(({ hypothesis, posterior }, i) => ({
        kind: hypothesis.kind,
        share: raw[i]! / sum,
        ...saidBy(posterior, observations),
      }))
      .sort((a, b) => Number(b.kind === 'as told') - Number(a.kind === 'as told') || b.share - a.share),
  }
}

/** What an account's likeliest draw has happened, and expects of the readings. */
function saidBy(
  posterior: Posterior,
  observations: readonly Observation[],
): Pick<Account, 'amiss' | 'expectedRhPercent'> {
  const { values, predicted } = likeliest(posterior)
  return { amiss: values.amiss, expectedRhPercent: readingsIn(observations).map(i => predicted[i]!) }
}
