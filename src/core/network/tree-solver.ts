import type { Compiled } from './compiled.ts'
import { copyInto } from './copy-into.ts'
import type { Scratch } from './scratch.ts'

/**
 * Solves (shift − J)·k = r for a network's Jacobian J in as many steps as there are nodes. The tree is eliminated
 * from its leaves to the root; links that run beside it, straight to the root, ride along. Columns are kept as what
 * they sum to, so that nothing cancels however stiff the links are.
 */
export class TreeSolver {
  private readonly own: Float64Array
  private readonly byParent: Float64Array
  private readonly besideOwn: Float64Array
  private readonly besideRoot: Float64Array
  private readonly roomSlope: Float64Array
  /** What a column sums to, and its pivot. */
  private readonly sum: Float64Array
  private readonly toParent: Float64Array
  private readonly toRoot: Float64Array
  private readonly fromParent: Float64Array
  private readonly fromRoot: Float64Array
  private readonly perPivot: Float64Array
  private readonly work: Float64Array
  /** Slopes by the root's water of links that run beside the tree, as the elimination fills them in. */
  private readonly rootFill: Float64Array
  private readonly ownFill: Float64Array

  constructor(
    private readonly compiled: Compiled,
    scratch: Scratch,
  ) {
    const perNode = () => scratch.floats(compiled.nodes)
    this.own = perNode()
    this.byParent = perNode()
    this.besideOwn = perNode()
    this.besideRoot = perNode()
    this.sum = perNode()
    this.toParent = perNode()
    this.toRoot = perNode()
    this.fromParent = perNode()
    this.fromRoot = perNode()
    this.perPivot = perNode()
    this.work = perNode()
    this.rootFill = perNode()
    this.ownFill = perNode()
    this.roomSlope = scratch.floats(compiled.roomLinks)
  }

  /** Takes over the slopes the network evaluated last. */
  linearise(): void {
    const { compiled, own, byParent, besideOwn, besideRoot, roomSlope } = this
    const { slope, bookedNode, roomNow, besideNow, hasBeside } = compiled
    compiled.writeUpSlopes(own, byParent)
    for (let r = 0; r < roomSlope.length; r++) roomSlope[r] = roomNow[r]! * slope[bookedNode[r]!]!
    if (hasBeside)
      for (let i = 1; i < slope.length; i++) {
        besideOwn[i] = besideNow[i]! * slope[i]!
        besideRoot[i] = besideNow[i]! * slope[0]!
      }
  }

  /** Factors the matrix from the slopes taken over last. */
  factor(shift: number): void {
    const { compiled, own, byParent, sum, toParent, fromParent, perPivot, roomSlope } = this
    const { parent, bookedNode, hasBeside, isStar } = compiled
    sum.fill(shift)
    for (let r = 0; r < roomSlope.length; r++) sum[bookedNode[r]!]! += roomSlope[r]!
    if (hasBeside) this.factorBeside()
    else if (isStar) {
      let rootSum = sum[0]!
      for (let i = parent.length - 1; i > 0; i--) {
        const inverse = 1 / (sum[i]! + own[i]!)
        perPivot[i] = inverse
        toParent[i] = own[i]! * inverse
        fromParent[i] = byParent[i]! * inverse
        rootSum += fromParent[i]! * sum[i]!
      }
      sum[0] = rootSum
    } else
      for (let i = parent.length - 1; i > 0; i--) {
        const inverse = 1 / (sum[i]! + own[i]!)
        perPivot[i] = inverse
        toParent[i] = own[i]! * inverse
        fromParent[i] = byParent[i]! * inverse
        sum[parent[i]!]! += fromParent[i]! * sum[i]!
      }
    perPivot[0] = 1 / sum[0]!
  }

  /** `rhs` is left as it is; the solution goes into `out`. */
  solve(rhs: Float64Array, out: Float64Array): void {
    const { compiled, work, toParent, fromParent, perPivot } = this
    const { parent } = compiled
    const n = parent.length
    if (compiled.isStar) {
      let root = rhs[0]!
      for (let i = n - 1; i > 0; i--) root += toParent[i]! * rhs[i]!
      root *= perPivot[0]!
      out[0] = root
      for (let i = 1; i < n; i++) out[i] = rhs[i]! * perPivot[i]! + fromParent[i]! * root
      return
    }
    for (let i = 0; i < n; i++) work[i] = rhs[i]!
    for (let i = n - 1; i > 0; i--) work[parent[i]!]! += toParent[i]! * work[i]!
    if (compiled.hasBeside) this.substituteBeside(out)
    else {
      out[0] = work[0]! * perPivot[0]!
      for (let i = 1; i < n; i++) out[i] = work[i]! * perPivot[i]! + fromParent[i]! * out[parent[i]!]!
    }
  }

  /** What each booked link has carried after a stage: its flow and J·k, times the step's share. */
  carry(k: Float64Array, booked: Float64Array, scale: number): void {
    const { compiled, own, byParent, besideOwn, besideRoot, roomSlope } = this
    const { bookedNode, bookedBeside, roomLinks } = compiled
    const root = k[0]!
    for (let r = 0; r < roomLinks; r++) booked[r] = scale * (booked[r]! - roomSlope[r]! * k[bookedNode[r]!]!)
    for (let l = roomLinks; l < booked.length; l++) {
      const a = bookedNode[l]!
      booked[l] =
        scale *
        (booked[l]! +
          (bookedBeside[l] === 1
            ? besideOwn[a]! * k[a]! - besideRoot[a]! * root
            : own[a]! * k[a]! - byParent[a]! * root))
    }
  }

  private substituteBeside(out: Float64Array): void {
    const { compiled, work, fromParent, perPivot, toRoot, fromRoot } = this
    const { parent } = compiled
    for (let i = parent.length - 1; i > 0; i--) work[0]! += toRoot[i]! * work[i]!
    const root = work[0]! * perPivot[0]!
    out[0] = root
    for (let i = 1; i < parent.length; i++)
      out[i] = work[i]! * perPivot[i]! + fromParent[i]! * out[parent[i]!]! + fromRoot[i]! * root
  }

  private factorBeside(): void {
    const { compiled, own, byParent, besideOwn, besideRoot, sum } = this
    const { toParent, fromParent, toRoot, fromRoot, perPivot, rootFill, ownFill } = this
    const { parent } = compiled
    copyInto(ownFill, besideOwn)
    copyInto(rootFill, besideRoot)
    for (let i = parent.length - 1; i > 0; i--) {
      const p = parent[i]!
      const inverse = 1 / (sum[i]! + own[i]! + ownFill[i]!)
      perPivot[i] = inverse
      toParent[i] = own[i]! * inverse
      toRoot[i] = ownFill[i]! * inverse
      fromParent[i] = byParent[i]! * inverse
      fromRoot[i] = rootFill[i]! * inverse
      sum[p]! += fromParent[i]! * sum[i]!
      sum[0]! += fromRoot[i]! * sum[i]!
      if (p !== 0) {
        ownFill[p]! += toRoot[i]! * byParent[i]!
        rootFill[p]! += toParent[i]! * rootFill[i]!
      }
    }
  }
}
