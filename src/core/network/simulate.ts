import type { Seconds } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { secondsFromDays } from '#units/time.ts'
import { parentsOf, saturationDensityGPerL } from './compiled.ts'
import { ROOM, type Network, type NetworkEvent, type SurroundingsPoint } from './network.ts'
import { Rosenbrock } from './rosenbrock.ts'

export type Outcome =
  'finished' | 'crossed' | 'cancelled' | 'too many steps' | 'step too small' | 'not finite'

export interface SimulationRequest {
  readonly fromS: Seconds
  readonly toS: Seconds
  /** Times at which the state is wanted, in order, within the run. The solver lands on each exactly. */
  readonly outputS: ArrayLike<number>
  /** Stop when the box air first stands above this RH at or after `fromS`. */
  readonly stopAbove?: { readonly rhPercent: number; readonly fromS: Seconds }
}

export interface SimulationOptions {
  /** Share of a node's water that one step may be wrong by. */
  readonly relativeTolerance?: number
  /** Grams that one step may be wrong by, for stores; for the air it is `airToleranceRhPercent`. */
  readonly absoluteToleranceG?: number
  readonly airToleranceRhPercent?: number
  readonly maxStepS?: Seconds
  readonly maxSteps?: number
  readonly shouldStop?: () => boolean
}

export interface Simulation {
  readonly outcome: Outcome
  readonly steps: number
  readonly rejected: number
  readonly evaluations: number
  readonly endS: Seconds
  /** Output times reached; the arrays below have a row for each. */
  readonly atS: Float64Array
  /** Water in each node, g, row by row. */
  readonly waterG: Float64Array
  /** Grams that each link has carried since the start (into the box for room links, towards the air otherwise). */
  readonly flowG: Float64Array
  readonly airRhPercent: Float64Array
  /** Grams that events brought in (negative: took out), by path, over the whole run. */
  readonly eventWaterG: Readonly<Record<string, number>>
  /** When the air first stood above `stopAbove`; null if it did not. */
  readonly crossedAtS: Seconds | null
  /** The air went above saturation somewhere: dew, which this network does not follow further. */
  readonly condensed: boolean
  /** Water in the nodes minus what crossed the boundary, g: what the books miss by. */
  readonly closureG: number
  /** All water moved over any link or by any event, g: the measure for `closureG`. */
  readonly movedG: number
}

const DEFAULTS = {
  relativeTolerance: 1e-4,
  absoluteToleranceG: 1e-4,
  airToleranceRhPercent: 0.05,
  maxStepS: secondsFromDays(10),
  maxSteps: 200_000,
}
/** Share of the water moved that the account may miss by. */
const CLOSES_TO = 1e-9
const FIRST_STEP_S = 60
const SMALLEST_STEP_S = 1e-4

/**
 * Runs a network from one time to another. Events act at their exact time, before an output of the same instant.
 * Never throws for a hard problem: `outcome` says how it ended, and the arrays hold what was reached.
 * @throws Error where the links are no tree, or where the water account does not close to 1e-9 of what moved
 */
export function simulate(
  network: Network,
  request: SimulationRequest,
  options: SimulationOptions = {},
): Simulation {
  const settings = { ...DEFAULTS, ...options }
  const solver = new Rosenbrock(network, parentsOf(network))
  const nodes = network.nodes.length
  const links = network.links.length
  const outputs = request.outputS.length
  const atS = new Float64Array(outputs)
  const waterG = new Float64Array(outputs * nodes)
  const flowG = new Float64Array(outputs * links)
  const airRhPercent = new Float64Array(outputs)
  const eventWaterG: Record<string, number> = {}
  const startWaterG = sum(solver.waterG)
  const point: SurroundingsPoint = { temperatureC: 0, vapourDensityGPerL: 0 }

  let timeS = request.fromS
  let stepS = FIRST_STEP_S
  let steps = 0
  let rejected = 0
  let eventMovedG = 0
  let outcome: Outcome = 'finished'
  let condensed = false
  let crossedAtS: Seconds | null = null
  let written = 0
  let nextEvent = 0
  let previousRh = solver.airRhPercent(timeS)

  const applyDueEvents = (): void => {
    while (nextEvent < network.events.length && network.events[nextEvent]!.atS <= timeS) {
      const event = network.events[nextEvent++]!
      if (event.atS < request.fromS) continue
      const broughtG = applyEvent(solver, event, solver.roomDensityGPerL(timeS))
      if (event.kind !== 'conduct') eventWaterG[event.path] = (eventWaterG[event.path] ?? 0) + broughtG
      eventMovedG += Math.abs(broughtG)
      stepS = FIRST_STEP_S
      previousRh = solver.airRhPercent(timeS)
    }
  }
  const writeDueOutputs = (): void => {
    while (written < outputs && request.outputS[written]! <= timeS) {
      atS[written] = request.outputS[written]!
      waterG.set(solver.waterG, written * nodes)
      flowG.set(solver.flowG, written * links)
      airRhPercent[written] = solver.airRhPercent(timeS)
      written++
    }
  }
  /** Largest error of the step tried, in units of what is allowed. */
  const errorRatio = (): number => {
    network.surroundings.at(timeS, point)
    const airStore = solver.stores[0]!
    const airToleranceG =
      airStore.kind === 'air'
        ? fractionFromPercent(settings.airToleranceRhPercent) *
          saturationDensityGPerL(point.temperatureC) *
          airStore.volumeL
        : settings.absoluteToleranceG
    let worst = 0
    for (let i = 0; i < nodes; i++) {
      const allowedG =
        (i === 0 ? airToleranceG : settings.absoluteToleranceG) +
        settings.relativeTolerance * Math.abs(solver.waterG[i]!)
      const ratio = Math.abs(solver.errorG[i]!) / allowedG
      if (!(ratio <= worst)) worst = ratio
    }
    return worst
  }

  applyDueEvents()
  writeDueOutputs()
  while (timeS < request.toS) {
    if (steps + rejected >= settings.maxSteps) {
      outcome = 'too many steps'
      break
    }
    if (settings.shouldStop && (steps & 15) === 0 && settings.shouldStop()) {
      outcome = 'cancelled'
      break
    }
    const stopAtS = Math.min(
      request.toS,
      network.events[nextEvent]?.atS ?? Infinity,
      written < outputs ? request.outputS[written]! : Infinity,
    )
    const wantedS = Math.min(stepS, settings.maxStepS)
    const lands = timeS + wantedS * 1.01 >= stopAtS
    const triedS = lands ? stopAtS - timeS : wantedS
    solver.attempt(timeS, triedS)
    const ratio = errorRatio()
    if (Number.isNaN(ratio)) {
      outcome = 'not finite'
      break
    }
    const growth = Math.min(6, Math.max(0.15, 0.9 * Math.max(ratio, 1e-8) ** (-1 / 3)))
    if (ratio > 1) {
      rejected++
      stepS = triedS * growth
      if (stepS < SMALLEST_STEP_S) {
        outcome = 'step too small'
        break
      }
      continue
    }
    solver.accept()
    const beforeS = timeS
    timeS = lands ? stopAtS : timeS + triedS
    steps++
    // a step cut short by a landing says nothing about how long the next may be
    stepS = lands ? Math.max(wantedS, triedS * growth) : triedS * growth
    const rh = solver.airRhPercent(timeS)
    if (rh > 100) condensed = true
    const limit = request.stopAbove
    if (limit && timeS >= limit.fromS && rh > limit.rhPercent) {
      const share = previousRh >= limit.rhPercent ? 0 : (limit.rhPercent - previousRh) / (rh - previousRh)
      crossedAtS = Math.max(limit.fromS, beforeS + share * (timeS - beforeS))
      writeDueOutputs()
      outcome = 'crossed'
      break
    }
    previousRh = rh
    applyDueEvents()
    writeDueOutputs()
  }

  let boundaryG = sum(Object.values(eventWaterG))
  let linkMovedG = 0
  for (let l = 0; l < links; l++) {
    if (network.links[l]!.b === ROOM) boundaryG += solver.flowG[l]!
    linkMovedG += Math.abs(solver.flowG[l]!)
  }
  const endWaterG = sum(solver.waterG)
  const closureG = endWaterG - startWaterG - boundaryG
  const movedG = linkMovedG + eventMovedG
  // an invariant, not an outcome: water that appears or vanishes is a mistake in this file, whatever the network
  const roundingG = Number.EPSILON * 8 * (steps + 8) * (Math.abs(startWaterG) + Math.abs(endWaterG) + movedG)
  if (Math.abs(closureG) > CLOSES_TO * movedG + roundingG)
    throw new Error(`The water account misses by ${closureG} g of ${movedG} g moved.`)
  return {
    outcome,
    steps,
    rejected,
    evaluations: solver.evaluations,
    endS: timeS,
    atS: atS.subarray(0, written),
    waterG: waterG.subarray(0, written * nodes),
    flowG: flowG.subarray(0, written * links),
    airRhPercent: airRhPercent.subarray(0, written),
    eventWaterG,
    crossedAtS,
    condensed,
    closureG,
    movedG,
  }
}

/** Applies one event; returns the grams it brought into the nodes. */
function applyEvent(solver: Rosenbrock, event: NetworkEvent, roomDensityGPerL: number): number {
  if (event.kind === 'conduct') {
    solver.conductance[event.link] = event.conductanceLPerH
    return 0
  }
  const before = solver.waterG[event.node]!
  const store = solver.stores[event.node]!
  let after = before
  if (event.kind === 'setWater') after = event.waterG
  else if (store.kind === 'air') {
    const roomWaterG = roomDensityGPerL * store.volumeL
    if (event.kind === 'exchange') after = before + event.share * (roomWaterG - before)
    else {
      const grownL = event.volumeL - store.volumeL
      after = before + grownL * (grownL > 0 ? roomDensityGPerL : before / store.volumeL)
      solver.stores[event.node] = { kind: 'air', volumeL: event.volumeL }
    }
  }
  solver.waterG[event.node] = after
  return after - before
}

function sum(values: Iterable<number>): number {
  let total = 0
  for (const value of values) total += value
  return total
}
