import { normalQuantile } from '../normal.ts'
import type { RandomSource } from './random.ts'

/** Points spread more evenly than chance would, as standard normal vectors. */
export interface EvenPoints {
  next(): Float64Array
}

/**
 * Multiples of an irrational step in each dimension, all turned by one random rotation: few draws then stand for many.
 * @param dimensions 1–60
 * Source: the Kronecker sequence of generalised golden ratios (M. Roberts 2018, from memory), rotated after Cranley &
 * Patterson 1976 (from memory).
 */
export function evenPoints(dimensions: number, random: RandomSource): EvenPoints {
  let ratio = 2
  for (let i = 0; i < 60; i++) ratio = (1 + ratio) ** (1 / (dimensions + 1))
  const step = Float64Array.from({ length: dimensions }, (_, i) => ratio ** -(i + 1) % 1)
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
