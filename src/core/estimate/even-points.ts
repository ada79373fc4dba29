import { normalQuantile } from '../normal.ts'
import type { RandomSource } from './random.ts'

/** Points spread more evenly than chance would, as standard normal vectors. */
export interface EvenPoints {
  next(): Float64Array
}

/** As many as there are dimensions to tell apart; further ones share a step and differ by their rotation. */
const PRIMES = [
  2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71, 73, 79, 83, 89, 97, 101, 103,
  107, 109, 113,
]

/**
 * Multiples of an irrational step in each dimension, all turned by one random rotation: few draws then stand for many.
 * Source: Richtmyer's sequence, steps by the roots of primes (Niederreiter 1978, from memory), rotated after Cranley &
 * Patterson 1976 (from memory).
 */
export function evenPoints(dimensions: number, random: RandomSource): EvenPoints {
  const step = Float64Array.from({ length: dimensions }, (_, i) => Math.sqrt(PRIMES[i % PRIMES.length]!) % 1)
  const at = Float64Array.from({ length: dimensions }, () => random.uniform())
  return {
    next() {
      const z = new Float64Array(dimensions)
      for (let i = 0; i < dimensions; i++) {
        at[i] = (at[i]! + step[i]!) % 1
        z[i] = normalQuantile(Math.min(Math.max(at[i]!, EDGE), 1 - EDGE))
      }
      return z
    },
  }
}
/** Keeps the quantile finite. */
const EDGE = 1e-9
