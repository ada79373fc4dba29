/** A smooth curve through rising points that never turns back between them. */
export interface MonotoneCubic {
  valueAt(x: number): number
  slopeAt(x: number): number
}

/**
 * Piecewise cubic Hermite curve with slopes limited so that it rises wherever its points do.
 * @param xs rising, at least two
 * @param ys rising or level, as many
 * @returns beyond either end it goes on straight with the end's slope
 * Source: Fritsch & Carlson 1980, SIAM J. Numer. Anal. 17, 238 (from memory).
 */
export function monotoneCubic(xs: readonly number[], ys: readonly number[]): MonotoneCubic {
  const last = xs.length - 1
  const secant = xs.slice(1).map((x, i) => (ys[i + 1]! - ys[i]!) / (x - xs[i]!))
  const slope = xs.map((_, i) => {
    if (i === 0) return secant[0]!
    if (i === last) return secant[last - 1]!
    const [before, after] = [secant[i - 1]!, secant[i]!]
    // harmonic mean weighted by the neighbouring widths
    const [left, right] = [xs[i]! - xs[i - 1]!, xs[i + 1]! - xs[i]!]
    return before * after <= 0
      ? 0
      : (3 * (left + right)) / ((2 * right + left) / before + (right + 2 * left) / after)
  })
  const cellOf = (x: number): number => {
    let cell = 0
    while (cell < last - 1 && x >= xs[cell + 1]!) cell++
    return cell
  }
  return {
    valueAt(x) {
      if (x <= xs[0]!) return ys[0]! + slope[0]! * (x - xs[0]!)
      if (x >= xs[last]!) return ys[last]! + slope[last]! * (x - xs[last]!)
      const i = cellOf(x)
      const width = xs[i + 1]! - xs[i]!
      const s = (x - xs[i]!) / width
      const [t0, t1] = [slope[i]! * width, slope[i + 1]! * width]
      const rise = ys[i + 1]! - ys[i]!
      return ys[i]! + s * (t0 + s * (3 * rise - 2 * t0 - t1 + s * (t0 + t1 - 2 * rise)))
    },
    slopeAt(x) {
      if (x <= xs[0]!) return slope[0]!
      if (x >= xs[last]!) return slope[last]!
      const i = cellOf(x)
      const width = xs[i + 1]! - xs[i]!
      const s = (x - xs[i]!) / width
      const [t0, t1] = [slope[i]! * width, slope[i + 1]! * width]
      const rise = ys[i + 1]! - ys[i]!
      return (t0 + s * (2 * (3 * rise - 2 * t0 - t1) + 3 * s * (t0 + t1 - 2 * rise))) / width
    },
  }
}
