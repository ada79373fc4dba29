import { backward, cholesky, forward } from '../cholesky.ts'
import { logLikelihood, missesOf, throughFilter, type Observation } from './likelihood.ts'

/** A normal distribution in the space of the unknowns, by its mean and the factor of its precision. */
export interface Proposal {
  readonly mean: Float64Array
  /** Lower factor of the precision matrix. */
  readonly precisionFactor: Float64Array
}

export const standardProposal = (n: number): Proposal => {
  const identity = new Float64Array(n * n)
  for (let i = 0; i < n; i++) identity[i * n + i] = 1
  return { mean: new Float64Array(n), precisionFactor: identity }
}

/** @param standard a standard normal vector */
export function drawFrom(proposal: Proposal, standard: Float64Array): Float64Array {
  const n = proposal.mean.length
  const z = backward(proposal.precisionFactor, n, standard)
  for (let i = 0; i < n; i++) z[i]! += proposal.mean[i]!
  return z
}

/** Log density of each from one on, without the constant that all share; into the places they have. */
export function logDensities(
  { mean, precisionFactor: lower }: Proposal,
  draws: readonly { readonly z: Float64Array }[],
  from: number,
  into: Float64Array,
): void {
  const n = mean.length
  const logs = Float64Array.from({ length: n }, (_, j) => Math.log(lower[j * n + j]!))
  const off = new Float64Array(n)
  for (let d = from; d < draws.length; d++) {
    const { z } = draws[d]!
    for (let i = 0; i < n; i++) off[i] = z[i]! - mean[i]!
    let sum = 0
    for (let j = 0; j < n; j++) {
      // component j of Lᵀ·(z − mean)
      let part = 0
      for (let i = j; i < n; i++) part += lower[i * n + j]! * off[i]!
      sum += logs[j]! - 0.5 * part * part
    }
    into[d] = sum
  }
}

/** How much wider than the fit the draws are thrown, so that nothing real falls outside. */
const WIDER = 1.1
/** Step of the difference quotients, in standard deviations of the prior. */
const PROBE = 0.5
const MOST_STEPS = 8

/** A fit about one point, and how badly that point itself does: −ln(prior × likelihood), without constants. */
export interface LocalFit {
  readonly proposal: Proposal
  readonly misfit: number
}

/**
 * The most likely point by damped Gauss–Newton, and the normal distribution that the model's slopes there give
 * together with the standard normal prior (Laplace's approximation).
 * @param predict what each observation would be at z; costs one run of the network
 * @param start where to begin: the likeliest draw so far
 * @returns null where the slopes make no distribution
 */
export function localFit(
  observations: readonly Observation[],
  predict: (z: Float64Array) => Float64Array,
  start: Float64Array,
): LocalFit | null {
  const n = start.length
  let z = start
  let predicted = predict(z)
  let cost = misfit(observations, predicted, z)
  let factor: Float64Array | null = null
  for (let step = 0; step < MOST_STEPS; step++) {
    const { precision, pull } = normalEquations(observations, predict, z, predicted)
    factor = cholesky(precision, n)
    if (!factor) return null
    const target = backward(factor, n, forward(factor, n, pull))
    let share = 1
    let improved = false
    while (share > 0.1 && !improved) {
      const tried = z.map((value, i) => value + share * (target[i]! - value))
      const there = predict(tried)
      const triedCost = misfit(observations, there, tried)
      improved = triedCost < cost
      if (improved) {
        const gain = cost - triedCost
        ;[z, predicted, cost] = [tried, there, triedCost]
        if (gain < 0.05) step = MOST_STEPS
      }
      share /= 3
    }
    if (!improved) break
  }
  if (!factor) return null
  const proposal = widened({ mean: z, precisionFactor: factor }, WIDER)
  return proposal && { proposal, misfit: cost }
}

const misfit = (
  observations: readonly Observation[],
  predicted: ArrayLike<number>,
  z: Float64Array,
): number => 0.5 * z.reduce((sum, value) => sum + value * value, 0) - logLikelihood(observations, predicted)

/** Precision, its lower half, and right-hand side of the linearised posterior about z. */
function normalEquations(
  observations: readonly Observation[],
  predict: (z: Float64Array) => Float64Array,
  z: Float64Array,
  predicted: Float64Array,
): { precision: Float64Array; pull: Float64Array } {
  const n = z.length
  const misses = missesOf(observations, predicted)
  const slopes = Array.from({ length: n }, (_, k) => {
    const moved = z.slice()
    moved[k]! += PROBE
    return throughFilter(observations, misses, slopeBetween(predicted, predict(moved), PROBE))
  })
  const precision = new Float64Array(n * n)
  const pull = new Float64Array(n)
  for (let i = 0; i < n; i++) precision[i * n + i] = 1
  for (let o = 0; o < observations.length; o++) {
    const curvature = misses.curvature[o]!
    let reach = 0
    for (let k = 0; k < n; k++) reach += slopes[k]![o]! * z[k]!
    for (let i = 0; i < n; i++) {
      const slope = slopes[i]![o]!
      for (let j = 0; j <= i; j++) precision[i * n + j]! += slope * slopes[j]![o]! * curvature
      pull[i]! += slope * (curvature * reach + misses.gradient[o]!)
    }
  }
  return { precision, pull }
}

/** How what is predicted of each observation changes with a step of this length. */
export function slopeBetween(
  here: ArrayLike<number>,
  there: ArrayLike<number>,
  stepLength: number,
): Float64Array {
  const slope = new Float64Array(here.length)
  for (let o = 0; o < slope.length; o++) slope[o] = (there[o]! - here[o]!) / stepLength
  return slope
}

/** How much wider than the weighted draws' own spread; catches the bends that a straight line misses. */
const MOMENT_WIDER = 1.15
/** Share of the prior's spread kept in every direction, so that few draws do not make a needle. */
const LEAST_SPREAD = 0.15

/** A normal distribution with the weighted draws' own mean and spread; null where they do not determine one. */
export function momentProposal(
  draws: readonly { z: Float64Array }[],
  weights: ArrayLike<number>,
): Proposal | null {
  const n = draws[0]!.z.length
  const mean = new Float64Array(n)
  draws.forEach(({ z }, d) => {
    for (let i = 0; i < n; i++) mean[i]! += weights[d]! * z[i]!
  })
  // its lower half: nobody asks for the other
  const covariance = new Float64Array(n * n)
  draws.forEach(({ z }, d) => {
    for (let i = 0; i < n; i++) {
      const weighted = weights[d]! * (z[i]! - mean[i]!)
      for (let j = 0; j <= i; j++) covariance[i * n + j]! += weighted * (z[j]! - mean[j]!)
    }
  })
  for (let i = 0; i < n; i++) covariance[i * n + i]! += LEAST_SPREAD ** 2
  const factor = cholesky(covariance, n)
  if (!factor) return null
  // the precision is the inverse, column by column
  const precision = new Float64Array(n * n)
  for (let k = 0; k < n; k++) {
    const unit = new Float64Array(n)
    unit[k] = 1
    const column = backward(factor, n, forward(factor, n, unit))
    for (let i = 0; i < n; i++) precision[i * n + k] = column[i]!
  }
  const precisionFactor = cholesky(precision, n)
  return precisionFactor && widened({ mean, precisionFactor }, MOMENT_WIDER)
}

/**
 * The same distribution with what the readings say taken for less certain: every spread that they narrowed multiplied,
 * none beyond the prior's. Widened in all directions alike, many unknowns would leave few draws that count.
 */
export function widened({ mean, precisionFactor: lower }: Proposal, factor: number): Proposal | null {
  const n = mean.length
  const precision = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = 0
      for (let k = 0; k <= j; k++) sum += lower[i * n + k]! * lower[j * n + k]!
      const prior = i === j ? 1 - 1 / factor ** 2 : 0
      precision[i * n + j] = sum / factor ** 2 + prior
    }
  const precisionFactor = cholesky(precision, n)
  return precisionFactor && { mean, precisionFactor }
}
