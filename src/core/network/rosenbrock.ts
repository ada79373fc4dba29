import { percentFromFraction } from '#units/ratio.ts'
import { hoursFromSeconds } from '#units/time.ts'
import {
  saturationDensityGPerL,
  storeFactor,
  waterShape,
  waterShapeSlope,
  writeTemperatureFactors,
} from './compiled.ts'
import { ROOM, type Network, type SurroundingsPoint, type WaterStore } from './network.ts'

/**
 * Four-stage Rosenbrock method of order 3 with an embedded order 2, L-stable and stiffly accurate ("RODAS3").
 * Source: Sandu et al. 1997, Atmos. Environ. 31, 3459 (from memory); the order is measured in the tests.
 * A link's flow is carried through the very same stages as the nodes it joins, so the books close to rounding.
 */
const GAMMA = 0.5
const STAGE_A = [[], [0], [2, 0], [2, 0, 1]] as const
const STAGE_C = [[], [4], [1, -1], [1, -1, -8 / 3]] as const
const STAGE_TIME_SLOPE = [0.5, 1.5, 0, 0] as const
const RESULT = [2, 0, 1, 1] as const
const STAGES = 4

/** Seconds over which the surroundings' drift is taken, as a share of the step. */
const DRIFT_SHARE = 1e-3

/** One solver for one network; its arrays are made once, a step allocates nothing. Times are in hours inside. */
export class Rosenbrock {
  readonly waterG: Float64Array
  readonly flowG: Float64Array
  readonly errorG: Float64Array
  readonly conductance: Float64Array
  readonly stores: WaterStore[]
  evaluations = 0

  private readonly stageWater: Float64Array
  private readonly density: Float64Array
  private readonly slope: Float64Array
  private readonly drift: Float64Array
  private readonly rhs: Float64Array
  private readonly diagonal: Float64Array
  private readonly toParent: Float64Array
  private readonly nodeStage: Float64Array[]
  private readonly linkStage: Float64Array[]
  private readonly linkRate: Float64Array
  private readonly linkA: Int32Array
  private readonly linkB: Int32Array
  private roomDensity = 0
  private roomDrift = 0
  private readonly point: SurroundingsPoint = { temperatureC: 0, vapourDensityGPerL: 0 }
  private readonly factors = { saturationGPerL: 0, silicaAGPerL: 0, silicaRdGPerL: 0 }
  private readonly laterFactors = { saturationGPerL: 0, silicaAGPerL: 0, silicaRdGPerL: 0 }

  constructor(
    private readonly network: Network,
    private readonly parents: Int32Array,
  ) {
    const nodes = network.nodes.length
    const links = network.links.length
    const perNode = () => new Float64Array(nodes)
    this.waterG = Float64Array.from(network.nodes, node => node.initialWaterG)
    this.stores = network.nodes.map(node => node.store)
    this.conductance = Float64Array.from(network.links, link => link.conductanceLPerH)
    this.linkA = Int32Array.from(network.links, link => link.a)
    this.linkB = Int32Array.from(network.links, link => link.b)
    this.flowG = new Float64Array(links)
    this.linkRate = new Float64Array(links)
    this.errorG = perNode()
    this.stageWater = perNode()
    this.density = perNode()
    this.slope = perNode()
    this.drift = perNode()
    this.rhs = perNode()
    this.diagonal = perNode()
    this.toParent = perNode()
    this.nodeStage = Array.from({ length: STAGES }, perNode)
    this.linkStage = Array.from({ length: STAGES }, () => new Float64Array(links))
  }

  /** Tries one step; the result waits in `errorG` until `accept`. */
  attempt(timeS: number, stepS: number): void {
    const stepH = hoursFromSeconds(stepS)
    this.prepareJacobian(timeS, stepS, stepH)
    for (let stage = 0; stage < STAGES; stage++) {
      // stage 1 stands where stage 0 does: nothing to evaluate again
      if (stage !== 1) this.evaluate(stage, timeS, stepS)
      this.solveStage(stage, stepH)
    }
    this.errorG.set(this.nodeStage[STAGES - 1]!)
  }

  /** Takes the step that was tried last. */
  accept(): void {
    for (let stage = 0; stage < STAGES; stage++) {
      const weight = RESULT[stage]!
      if (weight === 0) continue
      const node = this.nodeStage[stage]!
      for (let i = 0; i < node.length; i++) this.waterG[i]! += weight * node[i]!
      const link = this.linkStage[stage]!
      for (let l = 0; l < link.length; l++) this.flowG[l]! += weight * link[l]!
    }
  }

  /** Relative humidity of the box air, %, at a time (its temperature) with the present water. */
  airRhPercent(timeS: number): number {
    this.network.surroundings.at(timeS, this.point)
    const density = waterShape(this.stores[0]!, this.waterG[0]!)
    return percentFromFraction(density / saturationDensityGPerL(this.point.temperatureC))
  }

  roomDensityGPerL(timeS: number): number {
    this.network.surroundings.at(timeS, this.point)
    return this.point.vapourDensityGPerL
  }

  private prepareJacobian(timeS: number, stepS: number, stepH: number): void {
    const { stores, waterG, slope, drift, diagonal, toParent, parents } = this
    const { surroundings } = this.network
    const laterS = timeS + stepS * DRIFT_SHARE
    const perHour = 1 / (stepH * DRIFT_SHARE)
    surroundings.at(laterS, this.point)
    writeTemperatureFactors(this.point.temperatureC, this.laterFactors)
    const laterRoom = this.point.vapourDensityGPerL
    surroundings.at(timeS, this.point)
    writeTemperatureFactors(this.point.temperatureC, this.factors)
    this.roomDrift = (laterRoom - this.point.vapourDensityGPerL) * perHour
    for (let i = 0; i < stores.length; i++) {
      const store = stores[i]!
      const now = storeFactor(store, this.factors)
      slope[i] = waterShapeSlope(store, waterG[i]!) * now
      drift[i] = waterShape(store, waterG[i]!) * (storeFactor(store, this.laterFactors) - now) * perHour
      diagonal[i] = 1 / (GAMMA * stepH)
      toParent[i] = 0
    }
    for (let l = 0; l < this.linkA.length; l++) {
      const a = this.linkA[l]!
      const b = this.linkB[l]!
      const conductance = this.conductance[l]!
      diagonal[a]! += conductance * slope[a]!
      if (b === ROOM) continue
      diagonal[b]! += conductance * slope[b]!
      toParent[a]! += conductance
    }
    // eliminate the leaves towards the root: children have the higher index
    for (let i = stores.length - 1; i > 0; i--) {
      const parent = parents[i]!
      const coupling = toParent[i]!
      diagonal[parent]! -= (coupling * slope[i]! * (coupling * slope[parent]!)) / diagonal[i]!
    }
  }

  private evaluate(stage: number, timeS: number, stepS: number): void {
    this.evaluations++
    const { stageWater, density, stores } = this
    stageWater.set(this.waterG)
    for (let earlier = 0; earlier < stage; earlier++) {
      const weight = STAGE_A[stage]![earlier]!
      if (weight === 0) continue
      const k = this.nodeStage[earlier]!
      for (let i = 0; i < k.length; i++) stageWater[i]! += weight * k[i]!
    }
    this.network.surroundings.at(stage === 0 ? timeS : timeS + stepS, this.point)
    writeTemperatureFactors(this.point.temperatureC, this.factors)
    this.roomDensity = this.point.vapourDensityGPerL
    for (let i = 0; i < stores.length; i++)
      density[i] = waterShape(stores[i]!, stageWater[i]!) * storeFactor(stores[i]!, this.factors)
    for (let l = 0; l < this.linkA.length; l++) {
      const b = this.linkB[l]!
      const inside = density[this.linkA[l]!]!
      this.linkRate[l] =
        this.conductance[l]! * (b === ROOM ? this.roomDensity - inside : inside - density[b]!)
    }
  }

  /** Solves (1/(hγ) − J)·k = f + Σ c·k/h + γ_i·h·∂f/∂t on the tree, then carries each link's own share along. */
  private solveStage(stage: number, stepH: number): void {
    const { rhs, slope, drift, diagonal, toParent, parents } = this
    const node = this.nodeStage[stage]!
    const link = this.linkStage[stage]!
    const timeSlope = STAGE_TIME_SLOPE[stage]! * stepH
    rhs.fill(0)
    for (let l = 0; l < link.length; l++) {
      const a = this.linkA[l]!
      const b = this.linkB[l]!
      const driftRate =
        this.conductance[l]! * (b === ROOM ? this.roomDrift - drift[a]! : drift[a]! - drift[b]!)
      let rate = this.linkRate[l]! + timeSlope * driftRate
      for (let earlier = 0; earlier < stage; earlier++)
        rate += (STAGE_C[stage]![earlier]! / stepH) * this.linkStage[earlier]![l]!
      link[l] = rate
      if (b === ROOM) rhs[a]! += rate
      else {
        rhs[a]! -= rate
        rhs[b]! += rate
      }
    }
    for (let i = rhs.length - 1; i > 0; i--)
      rhs[parents[i]!]! += (toParent[i]! * slope[i]! * rhs[i]!) / diagonal[i]!
    node[0] = rhs[0]! / diagonal[0]!
    for (let i = 1; i < rhs.length; i++) {
      const parent = parents[i]!
      node[i] = (rhs[i]! + toParent[i]! * slope[parent]! * node[parent]!) / diagonal[i]!
    }
    const scale = GAMMA * stepH
    for (let l = 0; l < link.length; l++) {
      const a = this.linkA[l]!
      const b = this.linkB[l]!
      const coupling = b === ROOM ? -slope[a]! * node[a]! : slope[a]! * node[a]! - slope[b]! * node[b]!
      link[l] = scale * (link[l]! + this.conductance[l]! * coupling)
    }
    // the books: what the links carried is what the nodes got, to the last bit that rounding leaves
    node.fill(0)
    for (let l = 0; l < link.length; l++) {
      const a = this.linkA[l]!
      const b = this.linkB[l]!
      if (b === ROOM) node[a]! += link[l]!
      else {
        node[a]! -= link[l]!
        node[b]! += link[l]!
      }
    }
  }
}
