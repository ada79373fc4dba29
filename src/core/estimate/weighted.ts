import { normalCdf } from '../normal.ts'

/**
 * The value below which this share of the weight lies: the mean of the values near it, each as likely to be the one as
 * a sample of so many draws leaves open. It moves less from sample to sample than any single value would.
 * @param weights sum to 1; values need no order
 * @returns NaN for none. Source: Harrell & Davis 1982, Biometrika 69, 635 (from memory), its beta taken as a normal
 */
export function weightedQuantile(
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  share: number,
): number {
  return quantileIn(inOrder(values), values, weights, share)
}

/** The same for several shares of one column, which is put in order once. */
export function weightedQuantiles(
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  shares: readonly number[],
): number[] {
  const order = inOrder(values)
  return shares.map(share => quantileIn(order, values, weights, share))
}

/**
 * Places of values, smallest first, like ones in the order they come. Numbers alone are sorted in a fraction of the time that
 * places with a comparison take; each value is then looked up.
 */
function inOrder(values: ArrayLike<number>): Int32Array {
  const sorted = Float64Array.from(values).sort()
  const order = new Int32Array(sorted.length)
  const alike = new Int32Array(sorted.length)
  for (let i = 0; i < order.length; i++) {
    const value = values[i]!
    let low = 0
    let high = order.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (sorted[middle]! < value) low = middle + 1
      else high = middle
    }
    order[low + alike[low]!++] = i
  }
  return order
}

function quantileIn(
  order: Int32Array,
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  share: number,
): number {
  if (order.length === 0) return Number.NaN
  const spread = Math.sqrt((share * (1 - share)) / (effectiveCount(weights) + 2))
  const upTo = (part: number) => normalCdf((part - share) / spread)
  let passed = 0
  let before = upTo(0)
  const missing = before + 1 - upTo(1)
  let sum = 0
  for (let k = 0; k < order.length; k++) {
    const i = order[k]!
    passed += weights[i]!
    const here = upTo(passed)
    sum += (here - before) * values[i]!
    before = here
  }
  return sum / (1 - missing)
}

/** (Σw)²/Σw² of weights that sum to 1. */
export const effectiveCount = (weights: ArrayLike<number>): number => {
  let squares = 0
  for (let i = 0; i < weights.length; i++) squares += weights[i]! ** 2
  return squares > 0 ? 1 / squares : 0
}

export function weightedMean(values: ArrayLike<number>, weights: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < values.length; i++) sum += values[i]! * weights[i]!
  return sum
}

/** Squared correlation of two weighted columns, 0…1; 0 where one does not vary. */
export function weightedCorrelationSquared(
  a: ArrayLike<number>,
  b: ArrayLike<number>,
  weights: ArrayLike<number>,
): number {
  const meanA = weightedMean(a, weights)
  const meanB = weightedMean(b, weights)
  let [aa, bb, ab] = [0, 0, 0]
  for (let i = 0; i < weights.length; i++) {
    const da = a[i]! - meanA
    const db = b[i]! - meanB
    aa += weights[i]! * da * da
    bb += weights[i]! * db * db
    ab += weights[i]! * da * db
  }
  return aa > 0 && bb > 0 ? (ab * ab) / (aa * bb) : 0
}

/** Low, middle and high of a weighted column: the 10, 50 and 90 % points. */
export interface Spread {
  readonly low: number
  readonly middle: number
  readonly high: number
}
export function spreadOf(values: ArrayLike<number>, weights: ArrayLike<number>): Spread {
  const order = inOrder(values)
  const at = (share: number) => quantileIn(order, values, weights, share)
  return { low: at(0.1), middle: at(0.5), high: at(0.9) }
}

/** `count` indices at even steps of the cumulative weight, along an order of the values. */
export function evenPicks(values: ArrayLike<number>, weights: ArrayLike<number>, count: number): number[] {
  const order = inOrder(values)
  const picks: number[] = []
  let sum = 0
  for (const index of order) {
    sum += weights[index]!
    while (picks.length < count && sum >= (picks.length + 0.5) / count) picks.push(index)
  }
  return picks
}
