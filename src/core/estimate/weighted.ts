/** The value below which this share of the weight lies; weights sum to 1, values need no order. NaN for none. */
export function weightedQuantile(
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  share: number,
): number {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) => values[a]! - values[b]!)
  let sum = 0
  for (const index of order) {
    sum += weights[index]!
    if (sum >= share - 1e-12) return values[index]!
  }
  return order.length > 0 ? values[order.at(-1)!]! : Number.NaN
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
export const spreadOf = (values: ArrayLike<number>, weights: ArrayLike<number>): Spread => ({
  low: weightedQuantile(values, weights, 0.1),
  middle: weightedQuantile(values, weights, 0.5),
  high: weightedQuantile(values, weights, 0.9),
})

/** `count` indices at even steps of the cumulative weight, along an order of the values. */
export function evenPicks(values: ArrayLike<number>, weights: ArrayLike<number>, count: number): number[] {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) => values[a]! - values[b]!)
  const picks: number[] = []
  let sum = 0
  for (const index of order) {
    sum += weights[index]!
    while (picks.length < count && sum >= (picks.length + 0.5) / count) picks.push(index)
  }
  return picks
}
