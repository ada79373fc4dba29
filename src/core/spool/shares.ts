import { weightedQuantiles, type Spread } from '../estimate/weighted.ts'

/** A spread with the twentieths of the draws it was read off: enough to show why it is so. */
export interface Shares extends Spread {
  /** Nineteen, rising: what 5, 10 … 95 % of the draws do not exceed. */
  readonly points: readonly number[]
}
const TWENTIETHS = Array.from({ length: 19 }, (_, i) => (i + 1) / 20)

/** @param weights sum to 1 */
export function sharesOf(values: ArrayLike<number>, weights: ArrayLike<number>): Shares {
  const points = weightedQuantiles(values, weights, TWENTIETHS)
  return { low: points[1]!, middle: points[9]!, high: points[17]!, points }
}
