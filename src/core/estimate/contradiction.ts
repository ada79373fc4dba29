import { likeliest } from './likeliest.ts'
import { missesOf, type Observation } from './likelihood.ts'
import type { Posterior } from './posterior.ts'
import { weightedMean } from './weighted.ts'
import type { Unknown } from './unknowns.ts'

/** Readings that no account of the box explains. */
export interface Contradiction {
  /** In all that was seen, or in the last few readings alone: those are what a date rests on. */
  readonly where: 'all' | 'last'
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
 * Upper point of χ² with n degrees of freedom. Source: Wilson & Hilferty 1931 (from memory); within 2 % for n ≥ 3.
 * @param z of a standard normal: 3.0902 for 0.1 %
 */
export function chiSquareLimit(n: number, z = 3.0902): number {
  const part = 2 / (9 * n)
  return n * (1 - part + z * Math.sqrt(part)) ** 3
}

const LAST = 4
/** One odd reading is odd, not a contradiction of all the others: it counts for no more than this many deviations. */
const MOST_OF_ONE = 3.5
/** The last reading of all can't be told from a change that has just begun: beyond this it is asked about. */
const ODD_LAST = 4.5

/**
 * The stated tests, at the likeliest draw, with the innovations of the readings (each against what all before it led to
 * expect): Σ(miss/σ)² of all, of the last four readings, and the last one alone, against upper points of χ².
 * @returns null while the readings and what was told can both be true
 */
export function findContradiction(
  posterior: Pick<Posterior, 'draws' | 'weights'>,
  observations: readonly Observation[],
  unknowns: readonly Unknown[],
): Contradiction | null {
  if (observations.length === 0) return null
  const best = likeliest(posterior)
  const { innovation, deviation } = missesOf(observations, best.predicted)
  const misses = innovation.map((off, i) => Math.abs(off / deviation[i]!))
  const squares = misses.map(miss => Math.min(miss, MOST_OF_ONE) ** 2)
  const readings = observations.flatMap(({ kind }, i) => (kind === 'reading' ? [i] : []))
  const lastOnes = readings.slice(-LAST)
  const sum = (of: readonly number[]) => of.reduce((total, i) => total + squares[i]!, 0)
  const said = (where: Contradiction['where'], of: readonly number[], limit: number): Contradiction => {
    const worst = of.reduce((a, b) => (misses[b]! > misses[a]! ? b : a))
    return {
      where,
      chiSquare: sum(of),
      limit,
      observations: of.length,
      worst: {
        kind: observations[worst]!.kind,
        atS: observations[worst]!.atS,
        seen: observations[worst]!.value,
        expected: best.predicted[worst]!,
        sigma: observations[worst]!.sigma,
      },
      strained: strainedMost(posterior, unknowns),
    }
  }
  const all = observations.map((_, i) => i)
  const limit = chiSquareLimit(all.length)
  if (sum(all) > limit) return said('all', all, limit)
  if (lastOnes.length === LAST && readings.length > LAST) {
    const ofLast = chiSquareLimit(LAST)
    if (sum(lastOnes) > ofLast) return said('last', lastOnes, ofLast)
  }
  const newest = readings.at(-1)
  if (newest !== undefined && readings.length > 1 && misses[newest]! > ODD_LAST)
    return said('last', [newest], ODD_LAST ** 2)
  return null
}

function strainedMost(
  { draws, weights }: Pick<Posterior, 'draws' | 'weights'>,
  unknowns: readonly Unknown[],
): string {
  const pulls = unknowns.map((_, k) =>
    Math.abs(
      weightedMean(
        draws.map(draw => draw.z[k]!),
        weights,
      ),
    ),
  )
  return unknowns[pulls.indexOf(Math.max(...pulls))]!.cause
}
