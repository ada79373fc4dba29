import { logDensities, type Proposal } from './proposal.ts'
import { effectiveCount } from './weighted.ts'

/** A draw as far as its weight goes. */
interface Weighed {
  readonly z: Float64Array
  readonly logLikelihood: number
}

/** A distribution and how many draws were thrown from it. */
export interface Thrown {
  readonly proposal: Proposal
  readonly count: number
}

/**
 * ln(prior / mixture of all that was thrown), draw by draw: what the weights are before the readings speak.
 * @param densities ln of each draw under each proposal, as far as it has been asked for; filled in
 */
export function logImportance(
  draws: readonly Weighed[],
  thrown: readonly Thrown[],
  densities: Float64Array[],
): Float64Array {
  const total = thrown.reduce((sum, { count }) => sum + count, 0)
  thrown.forEach(({ proposal }, t) => {
    const before = densities[t] ?? new Float64Array(0)
    const known = new Float64Array(draws.length)
    known.set(before)
    logDensities(proposal, draws, before.length, known)
    densities[t] = known
  })
  const shares = thrown.map(({ count }) => Math.log(count / total))
  const importance = new Float64Array(draws.length)
  for (let d = 0; d < draws.length; d++) {
    let top = -Infinity
    for (let t = 0; t < shares.length; t++) top = Math.max(top, densities[t]![d]! + shares[t]!)
    let sum = 0
    for (let t = 0; t < shares.length; t++) sum += Math.exp(densities[t]![d]! + shares[t]! - top)
    importance[d] = densities[0]![d]! - (top + Math.log(sum))
  }
  return importance
}

/**
 * No draw weighs more than this part of √n times their mean: a lucky one far out would rule the answer, and another
 * turn of the points would have none. Source: truncated importance sampling, Ionides 2008 (from memory).
 */
const MOST_WEIGHT = 0.3

/** Weights that sum to 1, the likelihood raised to a power. */
export function weightsAt(draws: readonly Weighed[], importance: Float64Array, power: number): Float64Array {
  const weights = new Float64Array(draws.length)
  let top = -Infinity
  for (let d = 0; d < weights.length; d++) {
    weights[d] = power * draws[d]!.logLikelihood + importance[d]!
    top = Math.max(top, weights[d]!)
  }
  let sum = 0
  for (let d = 0; d < weights.length; d++) {
    weights[d] = Number.isFinite(weights[d]) ? Math.exp(weights[d]! - top) : 0
    sum += weights[d]!
  }
  const cap = (MOST_WEIGHT * sum) / Math.sqrt(weights.length)
  let total = 0
  for (let d = 0; d < weights.length; d++) {
    weights[d] = Math.min(weights[d]!, cap)
    total += weights[d]!
  }
  for (let d = 0; d < weights.length; d++) weights[d]! /= total
  return weights
}

/** Weights with the likelihood softened until enough draws speak to fit a distribution to them. */
export function temperedWeights(
  draws: readonly Weighed[],
  importance: Float64Array,
  unknowns: number,
): Float64Array {
  const wanted = Math.min(2.5 * (unknowns + 1), draws.length / 3)
  return weightsAt(draws, importance, likelihoodPower(draws, importance, wanted))
}

/** The greatest power of the likelihood, 0…1, with which this many draws count. */
export function likelihoodPower(draws: readonly Weighed[], importance: Float64Array, wanted: number): number {
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
