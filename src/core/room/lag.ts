import type { Seconds } from '#units/quantity.ts'

/**
 * What follows late: x' = (input − x)/lag, exact for an input that runs straight between its samples.
 * @param input samples at even steps @param lagS 0 or more; 0 gives the input itself
 * @returns as many samples; starts in balance with the first
 */
export function followLate(input: ArrayLike<number>, everyS: Seconds, lagS: Seconds): Float64Array {
  const out = Float64Array.from(input)
  if (lagS <= 0) return out
  const left = Math.exp((-1 * everyS) / lagS)
  for (let i = 1; i < out.length; i++) {
    const slope = (input[i]! - input[i - 1]!) / everyS
    // in balance with a ramp the follower runs lag·slope behind it
    const balancedBefore = input[i - 1]! - lagS * slope
    const balancedNow = input[i]! - lagS * slope
    out[i] = balancedNow + (out[i - 1]! - balancedBefore) * left
  }
  return out
}
