import { hoursFromSeconds } from '#units/time.ts'
import { copyInto } from './copy-into.ts'
import type { Compiled } from './compiled.ts'
import type { Scratch } from './scratch.ts'
import { TreeSolver } from './tree-solver.ts'

/**
 * Four-stage Rosenbrock method of order 3 with an embedded order 2, L-stable and stiffly accurate ("RODAS3"):
 *
 *     (1/(hγ) − J)·k₁ = f(y, t)             + ½h·∂f/∂t
 *     (1/(hγ) − J)·k₂ = f(y, t)             + 4k₁/h                  + ³⁄₂h·∂f/∂t
 *     (1/(hγ) − J)·k₃ = f(y + 2k₁, t+h)     + (k₁ − k₂)/h
 *     (1/(hγ) − J)·k₄ = f(y + 2k₁ + k₃, t+h) + (k₁ − k₂ − ⁸⁄₃k₃)/h
 *     y(t+h) = y + 2k₁ + k₃ + k₄, its error k₄;  γ = ½
 *
 * Source: Sandu et al. 1997, Atmos. Environ. 31, 3459 (from memory); the order is measured in the tests.
 * A booked link's flow is carried through the very same stages as the nodes, so the books close to rounding.
 */
const GAMMA = 0.5
const THIRD_IN_FOURTH = 8 / 3

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
  /** Sums of flows into each node and flows of booked links: where the step begins, and as evaluated last. */
  private readonly baseSums: Float64Array
  private readonly baseFlows: Float64Array
  private readonly sums: Float64Array
  private readonly flows: Float64Array
  private readonly rhs: Float64Array
  /** Stages of the nodes and of the booked links; the fourth of the nodes is the error. */
  private readonly first: Float64Array
  private readonly second: Float64Array
  private readonly third: Float64Array
  private readonly bookedFirst: Float64Array
  private readonly bookedSecond: Float64Array
  private readonly bookedThird: Float64Array
  private readonly bookedFourth: Float64Array
  private readonly solver: TreeSolver

  constructor(
    private readonly compiled: Compiled,
    initialWaterG: ArrayLike<number>,
    scratch: Scratch,
  ) {
    const nodes = compiled.nodes
    const { booked } = compiled
    const perNode = () => scratch.floats(nodes)
    const perBooked = () => scratch.floats(booked)
    this.waterG = perNode()
    for (let i = 0; i < nodes; i++) this.waterG[i] = initialWaterG[i]!
    this.nextWaterG = perNode()
    this.bookedG = perBooked()
    this.nextBookedG = perBooked()
    this.errorG = perNode()
    this.stageWater = perNode()
    this.baseSums = perNode()
    this.baseFlows = perBooked()
    this.sums = perNode()
    this.flows = perBooked()
    this.rhs = perNode()
    this.first = perNode()
    this.second = perNode()
    this.third = perNode()
    this.bookedFirst = perBooked()
    this.bookedSecond = perBooked()
    this.bookedThird = perBooked()
    this.bookedFourth = perBooked()
    this.solver = new TreeSolver(compiled, scratch)
  }

  /** Takes flows and slopes where the state stands: once before the steps that are tried from there. */
  prepare(timeS: number): void {
    this.evaluate(timeS, this.waterG, 'with slopes', this.baseSums, this.baseFlows)
    this.solver.linearise()
  }

  /** Tries one step from where it was prepared; what comes of it waits in `nextWaterG` and `errorG` until `accept`. */
  attempt(timeS: number, stepS: number): void {
    const { waterG, bookedG, nextWaterG, nextBookedG, stageWater, baseSums, baseFlows, sums, flows } = this
    const { rhs, first, second, third, errorG, solver } = this
    const { bookedFirst, bookedSecond, bookedThird, bookedFourth } = this
    const nodes = waterG.length
    const booked = bookedG.length
    const stepH = hoursFromSeconds(stepS)
    const perH = 1 / stepH
    const scale = GAMMA * stepH
    const endS = timeS + stepS
    solver.factor(1 / scale)

    // the slope by time alone, over a sliver of the step: it enters as so many halves of h·∂f/∂t
    this.evaluate(timeS + stepS * DRIFT_SHARE, waterG, 'again', sums, flows)
    const half = 0.5 / DRIFT_SHARE
    for (let i = 0; i < nodes; i++) rhs[i] = baseSums[i]! + half * (sums[i]! - baseSums[i]!)
    for (let l = 0; l < booked; l++) bookedFirst[l] = baseFlows[l]! + half * (flows[l]! - baseFlows[l]!)
    solver.solve(rhs, first)
    solver.carry(first, bookedFirst, scale)

    for (let i = 0; i < nodes; i++)
      rhs[i] = baseSums[i]! + 3 * half * (sums[i]! - baseSums[i]!) + 4 * perH * first[i]!
    for (let l = 0; l < booked; l++)
      bookedSecond[l] = baseFlows[l]! + 3 * half * (flows[l]! - baseFlows[l]!) + 4 * perH * bookedFirst[l]!
    solver.solve(rhs, second)
    solver.carry(second, bookedSecond, scale)

    for (let i = 0; i < nodes; i++) stageWater[i] = waterG[i]! + 2 * first[i]!
    this.evaluate(endS, stageWater, 'alone', sums, flows)
    for (let i = 0; i < nodes; i++) rhs[i] = sums[i]! + perH * (first[i]! - second[i]!)
    for (let l = 0; l < booked; l++) bookedThird[l] = flows[l]! + perH * (bookedFirst[l]! - bookedSecond[l]!)
    solver.solve(rhs, third)
    solver.carry(third, bookedThird, scale)

    for (let i = 0; i < nodes; i++) stageWater[i]! += third[i]!
    this.evaluate(endS, stageWater, 'alone', sums, flows)
    for (let i = 0; i < nodes; i++)
      rhs[i] = sums[i]! + perH * (first[i]! - second[i]! - THIRD_IN_FOURTH * third[i]!)
    for (let l = 0; l < booked; l++)
      bookedFourth[l] =
        flows[l]! + perH * (bookedFirst[l]! - bookedSecond[l]! - THIRD_IN_FOURTH * bookedThird[l]!)
    solver.solve(rhs, errorG)
    solver.carry(errorG, bookedFourth, scale)

    for (let i = 0; i < nodes; i++) nextWaterG[i] = stageWater[i]! + errorG[i]!
    for (let l = 0; l < booked; l++)
      nextBookedG[l] = bookedG[l]! + 2 * bookedFirst[l]! + bookedThird[l]! + bookedFourth[l]!
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

  private evaluate(
    timeS: number,
    waterG: Float64Array,
    ask: 'with slopes' | 'alone' | 'again',
    sums: Float64Array,
    flows: Float64Array,
  ): void {
    const { compiled } = this
    this.evaluations++
    compiled.setTime(timeS)
    compiled.evaluatePotentials(waterG, ask)
    compiled.evaluateFlows(sums, flows)
  }
}
