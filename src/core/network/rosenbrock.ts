import { hoursFromSeconds } from '#units/time.ts'
import { copyInto } from './copy-into.ts'
import type { Compiled } from './compiled.ts'
import { TreeSolver } from './tree-solver.ts'

/**
 * Four-stage Rosenbrock method of order 3 with an embedded order 2, L-stable and stiffly accurate ("RODAS3").
 * Source: Sandu et al. 1997, Atmos. Environ. 31, 3459 (from memory); the order is measured in the tests.
 * A booked link's flow is carried through the very same stages as the nodes, so the books close to rounding.
 */
const GAMMA = 0.5
const STAGE_A = [
  [0, 0, 0, 0],
  [0, 0, 0, 0],
  [2, 0, 0, 0],
  [2, 0, 1, 0],
]
const STAGE_C = [
  [0, 0, 0, 0],
  [4, 0, 0, 0],
  [1, -1, 0, 0],
  [1, -1, -8 / 3, 0],
]
const STAGE_TIME_SLOPE = [0.5, 1.5, 0, 0]
const RESULT = [2, 0, 1, 1]
const STAGES = 4

/** Share of the step over which the surroundings' drift is taken. */
const DRIFT_SHARE = 1e-3
/** Grams below nothing that are rounding, not a mistake of the step. */
const ROUNDING_G = 1e-12

/** One solver for one network; its arrays are made once, a step allocates nothing. Times are in hours inside. */
export class Rosenbrock {
  readonly waterG: Float64Array
  /** Grams carried so far by each booked link. */
  readonly bookedG: Float64Array
  readonly nextWaterG: Float64Array
  readonly errorG: Float64Array
  evaluations = 0

  private readonly nextBookedG: Float64Array
  private readonly stageWater: Float64Array
  private readonly baseSums: Float64Array
  private readonly baseFlows: Float64Array
  private readonly drift: Float64Array
  private readonly bookedDrift: Float64Array
  private readonly rhs: Float64Array
  /** Sums of flows into each node and flows of booked links, as evaluated last. */
  private readonly sums: Float64Array
  private readonly bookedFlows: Float64Array
  private readonly perStep = new Float64Array(STAGES)
  private readonly nodeStage: Float64Array[]
  private readonly bookedStage: Float64Array[]
  private readonly solver: TreeSolver

  constructor(
    private readonly compiled: Compiled,
    initialWaterG: ArrayLike<number>,
  ) {
    const nodes = compiled.nodes
    const booked = compiled.bookedLink.length
    const perNode = () => new Float64Array(nodes)
    const perBooked = () => new Float64Array(booked)
    this.waterG = Float64Array.from(initialWaterG)
    this.nextWaterG = perNode()
    this.bookedG = perBooked()
    this.nextBookedG = perBooked()
    this.errorG = perNode()
    this.stageWater = perNode()
    this.baseSums = perNode()
    this.baseFlows = perBooked()
    this.drift = perNode()
    this.bookedDrift = perBooked()
    this.rhs = perNode()
    this.sums = perNode()
    this.bookedFlows = perBooked()
    this.nodeStage = Array.from({ length: STAGES }, perNode)
    this.bookedStage = Array.from({ length: STAGES }, perBooked)
    this.solver = new TreeSolver(compiled)
  }

  /** Takes flows and slopes where the state stands: once before the steps that are tried from there. */
  prepare(timeS: number): void {
    this.evaluate(timeS, this.waterG, true)
    copyInto(this.baseSums, this.sums)
    copyInto(this.baseFlows, this.bookedFlows)
    this.solver.linearise()
  }

  /** Tries one step from where it was prepared; what comes of it waits in `nextWaterG` and `errorG` until `accept`. */
  attempt(timeS: number, stepS: number): void {
    const stepH = hoursFromSeconds(stepS)
    this.evaluate(timeS + stepS * DRIFT_SHARE, this.waterG, false)
    slopeBetween(this.baseSums, this.sums, stepH, this.drift)
    slopeBetween(this.baseFlows, this.bookedFlows, stepH, this.bookedDrift)
    copyInto(this.sums, this.baseSums)
    copyInto(this.bookedFlows, this.baseFlows)
    this.solver.factor(1 / (GAMMA * stepH))
    for (let stage = 0; stage < STAGES; stage++) {
      // stage 1 stands where stage 0 does: nothing to evaluate again
      if (stage >= 2) this.moveTo(stage, timeS + stepS)
      this.solveStage(stage, stepH)
    }
    copyInto(this.errorG, this.nodeStage[STAGES - 1]!)
    addAll(this.nextWaterG, this.waterG, this.nodeStage, RESULT)
    addAll(this.nextBookedG, this.bookedG, this.bookedStage, RESULT)
  }

  /** Takes the step that was tried last. */
  accept(): void {
    copyInto(this.waterG, this.nextWaterG)
    copyInto(this.bookedG, this.nextBookedG)
  }

  /** Whether the step tried would leave a node with less than no water. */
  overdraws(): boolean {
    const { nextWaterG } = this
    for (let i = 0; i < nextWaterG.length; i++) if (nextWaterG[i]! < -ROUNDING_G) return true
    return false
  }

  private evaluate(timeS: number, waterG: Float64Array, slopesToo: boolean): void {
    const { compiled } = this
    this.evaluations++
    compiled.setTime(timeS)
    compiled.evaluatePotentials(waterG, slopesToo)
    compiled.evaluateFlows()
    compiled.sumFlows(this.sums)
    compiled.writeBookedFlows(this.bookedFlows)
  }

  private moveTo(stage: number, timeS: number): void {
    addAll(this.stageWater, this.waterG, this.nodeStage, STAGE_A[stage]!)
    this.evaluate(timeS, this.stageWater, false)
  }

  /** Solves (1/(hγ) − J)·k = f + Σ c·k/h + γ_i·h·∂f/∂t on the tree, then carries each booked link's share along. */
  private solveStage(stage: number, stepH: number): void {
    const { rhs, solver, sums, bookedFlows } = this
    const node = this.nodeStage[stage]!
    const booked = this.bookedStage[stage]!
    const earlier = this.perStep
    for (let i = 0; i < STAGES; i++) earlier[i] = STAGE_C[stage]![i]! / stepH
    addAll(rhs, sums, this.nodeStage, earlier)
    addAll(booked, bookedFlows, this.bookedStage, earlier)
    const timeSlope = STAGE_TIME_SLOPE[stage]! * stepH
    if (timeSlope !== 0) {
      addScaled(rhs, this.drift, timeSlope)
      addScaled(booked, this.bookedDrift, timeSlope)
    }
    solver.solve(rhs, node)
    solver.addBookedSlopes(node, booked)
    const scale = GAMMA * stepH
    for (let l = 0; l < booked.length; l++) booked[l]! *= scale
  }
}

/** Slope from an earlier value to a later one, per hour, over the drift's share of the step. */
function slopeBetween(earlier: Float64Array, later: Float64Array, stepH: number, out: Float64Array): void {
  const perHour = 1 / (stepH * DRIFT_SHARE)
  for (let i = 0; i < out.length; i++) out[i] = (later[i]! - earlier[i]!) * perHour
}

function addScaled(out: Float64Array, values: Float64Array, scale: number): void {
  for (let i = 0; i < out.length; i++) out[i]! += scale * values[i]!
}

/** from + Σ weight·stage; a stage of weight 0 may hold anything. */
function addAll(
  out: Float64Array,
  from: Float64Array,
  stages: readonly Float64Array[],
  weights: ArrayLike<number>,
): void {
  // by index: this runs six times a step, and taking an array apart costs more than the sum
  const a = weights[0]!
  const b = weights[1]!
  const c = weights[2]!
  const d = weights[3]!
  const first = stages[0]!
  const second = stages[1]!
  const third = stages[2]!
  const fourth = stages[3]!
  if (d !== 0)
    for (let i = 0; i < out.length; i++)
      out[i] = from[i]! + a * first[i]! + b * second[i]! + c * third[i]! + d * fourth[i]!
  else if (c !== 0)
    for (let i = 0; i < out.length; i++) out[i] = from[i]! + a * first[i]! + b * second[i]! + c * third[i]!
  else for (let i = 0; i < out.length; i++) out[i] = from[i]! + a * first[i]! + b * second[i]!
}
