import type { Network } from '../src/core/network/network.ts'
import { CompiledRhs } from './compiled-rhs.ts'

/**
 * The textbook way for stiff systems: BDF2 of even steps with Newton's method and a dense LU, which is kept for a day
 * of steps; after each opening a backward Euler start of eight short steps.
 */
export function denseBdf2(
  network: Network,
  toS: number,
  stepS: number,
  outputS: ArrayLike<number>,
): Float64Array {
  const rhs = new CompiledRhs(network)
  const n = network.nodes.length
  const out = new Float64Array(outputS.length)
  let written = 0
  let timeS = 0
  let y = Float64Array.from(network.nodes, node => node.initialWaterG)
  let before: Float64Array | null = null
  let lu: Lu | null = null
  let luScale = 0
  let age = 0
  let nextEvent = 0
  let short = 8
  while (timeS < toS - 1e-6) {
    const event = network.events[nextEvent]
    let h = short > 0 ? stepS / 8 : stepS
    // land on whole steps again after the short ones, on events, and on outputs
    const grid = (Math.floor(timeS / stepS + 1e-9) + 1) * stepS
    h = Math.min(h, grid - timeS, (event?.atS ?? Infinity) - timeS, toS - timeS)
    if (written < outputS.length && outputS[written]! > timeS) h = Math.min(h, outputS[written]! - timeS)
    const even: boolean = before !== null && Math.abs(h - stepS) < 1e-6 && short <= 0
    const beta = even ? 2 / 3 : 1
    const stepH = h / 3600
    const scale = beta * stepH
    const base = even ? y.map((value, i) => (4 * value - before![i]!) / 3) : y
    if (!lu || age >= 24 || Math.abs(scale / luScale - 1) > 1e-9) {
      lu = factor(rhs.jacobian(timeS + h, y), n, scale)
      luScale = scale
      age = 0
    }
    age++
    const next = y.slice()
    for (let iteration = 0; iteration < 6; iteration++) {
      const f = rhs.at(timeS + h, next)
      const residual = new Float64Array(n)
      for (let i = 0; i < n; i++) residual[i] = base[i]! + scale * f[i]! - next[i]!
      solve(lu, n, residual)
      let worst = 0
      for (let i = 0; i < n; i++) {
        next[i]! += residual[i]!
        worst = Math.max(worst, Math.abs(residual[i]!))
      }
      if (worst < 1e-6) break
    }
    before = even || Math.abs(h - stepS) < 1e-6 ? y : null
    y = next
    timeS += h
    short--
    if (event && timeS >= event.atS - 1e-6) {
      nextEvent++
      if (event.kind === 'exchange') {
        const store = network.nodes[0]!.store
        const volumeL = store.kind === 'air' ? store.volumeL : 1
        y[0]! += event.share * (rhs.roomDensityGPerL(timeS) * volumeL - y[0]!)
      }
      before = null
      short = 8
    }
    while (written < outputS.length && outputS[written]! <= timeS + 1e-6)
      out[written++] = rhs.rhPercent(timeS, y)
  }
  return out
}

interface Lu {
  readonly a: Float64Array
  readonly pivots: Int32Array
}

/** LU of I − scale·J with partial pivoting. */
function factor(jacobian: Float64Array, n: number, scale: number): Lu {
  const a = jacobian.map(value => -scale * value)
  const pivots = new Int32Array(n)
  for (let i = 0; i < n; i++) a[i * n + i]! += 1
  for (let k = 0; k < n; k++) {
    let best = k
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i * n + k]!) > Math.abs(a[best * n + k]!)) best = i
    pivots[k] = best
    if (best !== k)
      for (let j = 0; j < n; j++) {
        const keep = a[k * n + j]!
        a[k * n + j] = a[best * n + j]!
        a[best * n + j] = keep
      }
    const inverse = 1 / a[k * n + k]!
    for (let i = k + 1; i < n; i++) {
      const share = a[i * n + k]! * inverse
      a[i * n + k] = share
      if (share !== 0) for (let j = k + 1; j < n; j++) a[i * n + j]! -= share * a[k * n + j]!
    }
  }
  return { a, pivots }
}

function solve({ a, pivots }: Lu, n: number, b: Float64Array): void {
  for (let k = 0; k < n; k++) {
    const p = pivots[k]!
    if (p !== k) [b[k], b[p]] = [b[p]!, b[k]!]
  }
  for (let i = 1; i < n; i++) {
    let sum = b[i]!
    for (let j = 0; j < i; j++) sum -= a[i * n + j]! * b[j]!
    b[i] = sum
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!
    for (let j = i + 1; j < n; j++) sum -= a[i * n + j]! * b[j]!
    b[i] = sum / a[i * n + i]!
  }
}
