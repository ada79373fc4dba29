/** A stream of numbers; the same seed gives the same stream. */
export interface RandomSource {
  /** Even in [0, 1). */
  uniform(): number
  /** Standard normal. */
  normal(): number
}

/** Small counter-based generator (the public-domain "mulberry32" mixing), good enough for a few thousand draws. */
export function seededRandom(seed: number): RandomSource {
  let state = seed >>> 0
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = state
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
  return {
    uniform,
    normal() {
      // Box–Muller; 1 − u keeps the logarithm finite
      return Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
    },
  }
}
