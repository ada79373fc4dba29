/**
 * Standard normal distribution function.
 * Source: Abramowitz & Stegun 7.1.26 for erf (from memory); absolute error below 2e-7.
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * x)
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const upper = 0.5 * poly * Math.exp(-x * x)
  return z >= 0 ? 1 - upper : upper
}

/**
 * The inverse: the value below which this share of a standard normal lies.
 * @param share above 0, below 1 @returns within 1.2e-9 of itself. Source: P. J. Acklam's rational approximation (from memory)
 */
export function normalQuantile(share: number): number {
  const tail = Math.min(share, 1 - share)
  if (tail < TAIL) {
    const q = Math.sqrt(-2 * Math.log(tail))
    const value =
      (((((C[0]! * q + C[1]!) * q + C[2]!) * q + C[3]!) * q + C[4]!) * q + C[5]!) /
      ((((D[0]! * q + D[1]!) * q + D[2]!) * q + D[3]!) * q + 1)
    return share < 0.5 ? value : -value
  }
  const q = share - 0.5
  const r = q * q
  return (
    ((((((A[0]! * r + A[1]!) * r + A[2]!) * r + A[3]!) * r + A[4]!) * r + A[5]!) * q) /
    (((((B[0]! * r + B[1]!) * r + B[2]!) * r + B[3]!) * r + B[4]!) * r + 1)
  )
}
const TAIL = 0.02425
const A = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
  2.506628277459239,
]
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572]
const C = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
]
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416]
