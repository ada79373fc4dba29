import { standardMiss, type Observation } from './likelihood.ts'
import type { Posterior } from './posterior.ts'
import { weightedMean } from './weighted.ts'
import type { Unknown } from './unknowns.ts'

/** Readings that no draw can explain. */
export interface Contradiction {
  readonly chiSquare: number
  readonly limit: number
  readonly observations: number
  /** The observation the best draw misses most, and by how much. */
  readonly worst: {
    readonly kind: Observation['kind']
    readonly atS: number
    readonly seen: number
    readonly expected: number
    readonly sigma: number
  }
  /** What had to be bent furthest from what was told. */
  readonly strained: string
}

/**
 * Upper 0.1 % point of χ² with n degrees of freedom. Source: Wilson & Hilferty 1931 (from memory); within 2 % for n ≥ 3.
 */
export function chiSquareLimit(n: number): number {
  const z = 3.0902
  const part = 2 / (9 * n)
  return n * (1 - part + z * Math.sqrt(part)) ** 3
}

/**
 * The stated test: the least Σ(miss/σ)² among the draws, σ being the instrument's error new at each reading together
 * with the model's own, against the upper 0.1 % point of χ² with as many degrees of freedom as observations.
 * @returns null while the readings and what was told can both be true
 */
export function findContradiction(
  posterior: Posterior,
  observations: readonly Observation[],
  unknowns: readonly Unknown[],
): Contradiction | null {
  if (observations.length === 0) return null
  let best = posterior.draws[0]!
  let least = Infinity
  for (const draw of posterior.draws) {
    if (!Number.isFinite(draw.logLikelihood)) continue
    const sum = observations.reduce(
      (total, observation, i) => total + standardMiss(observation, draw.predicted[i]!) ** 2,
      0,
    )
    if (sum < least) {
      least = sum
      best = draw
    }
  }
  const limit = chiSquareLimit(observations.length)
  if (least <= limit) return null
  const misses = observations.map((observation, i) => Math.abs(standardMiss(observation, best.predicted[i]!)))
  const worst = misses.indexOf(Math.max(...misses))
  const pulls = unknowns.map((_, k) =>
    Math.abs(
      weightedMean(
        posterior.draws.map(draw => draw.z[k]!),
        posterior.weights,
      ),
    ),
  )
  return {
    chiSquare: least,
    limit,
    observations: observations.length,
    worst: {
      kind: observations[worst]!.kind,
      atS: observations[worst]!.atS,
      seen: observations[worst]!.value,
      expected: best.predicted[worst]!,
      sigma: observations[worst]!.sigma,
    },
    strained: unknowns[pulls.indexOf(Math.max(...pulls))]!.name,
  }
}
