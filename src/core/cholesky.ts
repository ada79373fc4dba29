/** Lower Cholesky factor of a small symmetric positive definite matrix, of which the lower half is read, row by row; null where it is not one. */
export function cholesky(matrix: Float64Array, n: number): Float64Array | null {
  const lower = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!
      for (let k = 0; k < j; k++) sum -= lower[i * n + k]! * lower[j * n + k]!
      if (i === j) {
        if (!(sum > 0)) return null
        lower[i * n + i] = Math.sqrt(sum)
      } else lower[i * n + j] = sum / lower[j * n + j]!
    }
  return lower
}

/** Solves L·x = b. */
export function forward(lower: Float64Array, n: number, b: ArrayLike<number>): Float64Array {
  const x = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    let sum = b[i]!
    for (let k = 0; k < i; k++) sum -= lower[i * n + k]! * x[k]!
    x[i] = sum / lower[i * n + i]!
  }
  return x
}

/** Solves Lᵀ·x = b. */
export function backward(lower: Float64Array, n: number, b: ArrayLike<number>): Float64Array {
  const x = new Float64Array(n)
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!
    for (let k = i + 1; k < n; k++) sum -= lower[k * n + i]! * x[k]!
    x[i] = sum / lower[i * n + i]!
  }
  return x
}
