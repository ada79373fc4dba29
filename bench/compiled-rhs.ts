import { Compiled } from '../src/core/network/compiled.ts'
import type { Network } from '../src/core/network/network.ts'

/** A network's right-hand side for peers: grams an hour into each node, from the very arrays our solver uses. */
export class CompiledRhs {
  readonly compiled: Compiled
  private readonly sums: Float64Array
  private readonly booked: Float64Array

  constructor(readonly network: Network) {
    this.compiled = new Compiled(network)
    this.sums = new Float64Array(network.nodes.length)
    this.booked = new Float64Array(this.compiled.booked)
  }

  /** Into an array of its own, which the next call overwrites. */
  at(timeS: number, waterG: Float64Array): Float64Array {
    this.compiled.setTime(timeS)
    this.compiled.evaluatePotentials(waterG, 'alone')
    this.compiled.evaluateFlows(this.sums, this.booked)
    return this.sums
  }

  /** Dense Jacobian, row by row, per hour. */
  jacobian(timeS: number, waterG: Float64Array): Float64Array {
    const n = waterG.length
    const { compiled } = this
    compiled.setTime(timeS)
    compiled.evaluatePotentials(waterG, 'with slopes')
    const [own, byParent] = [new Float64Array(n), new Float64Array(n)]
    compiled.writeUpSlopes(own, byParent)
    const out = new Float64Array(n * n)
    for (let i = 1; i < n; i++) {
      const p = compiled.parent[i]!
      out[i * n + i]! -= own[i]!
      out[i * n + p]! += byParent[i]!
      out[p * n + i]! += own[i]!
      out[p * n + p]! -= byParent[i]!
    }
    for (let r = 0; r < compiled.roomLinks; r++) {
      const node = compiled.bookedNode[r]!
      out[node * n + node]! -= compiled.roomNow[r]! * compiled.slope[node]!
    }
    return out
  }

  rhPercent(timeS: number, waterG: ArrayLike<number>): number {
    this.compiled.setTime(timeS)
    return this.compiled.boxRhPercent(waterG[0]!)
  }

  roomDensityGPerL(timeS: number): number {
    this.compiled.setTime(timeS)
    return this.compiled.roomDensityGPerL
  }
}
