import type { Grams, Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { Compiled } from './compiled.ts'
import { ROOM, type Network, type NetworkEvent } from './network.ts'
import { Recorder } from './recorder.ts'
import { Rosenbrock } from './rosenbrock.ts'
import { withScratch, type Scratch } from './scratch.ts'
import { storeSize } from './water-store.ts'

/** 'nothing to hold water': a store without mass, or a box without air. */
export type Outcome =
  | 'finished'
  | 'crossed'
  | 'cancelled'
  | 'too many steps'
  | 'step too small'
  | 'not finite'
  | 'nothing to hold water'

export interface SimulationRequest {
  readonly fromS: Seconds
  readonly toS: Seconds
  /**
   * Times at which the state is wanted, in order, within the run. Steps run on over them: the state between is read
   * off the parabola through three accepted points. Where the room is known by samples, steps land on them instead.
   */
  readonly outputS: ArrayLike<number>
  /** Left out: booked. Thousands of draws are run that nobody asks for what came by which way. */
  readonly flows?: 'not booked'
  /** Stop when the box air first stands above this RH at or after `fromS`. */
  readonly stopAbove?: { readonly rhPercent: number; readonly fromS: Seconds }
}

export interface SimulationOptions {
  /** Share of a store's water that one step may be wrong by. */
  readonly relativeTolerance?: number
  /** Grams that one step may be wrong by, per 100 g of store; for air it is `airToleranceRhPercent`. */
  readonly absoluteToleranceG?: number
  readonly airToleranceRhPercent?: number
  readonly maxStepS?: Seconds
  /** Beside those that land on an event or a sample, which are as many as they are. */
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
  /**
   * Grams that each link has carried since the start (into the box for room links, towards the air otherwise); 0 for
   * links inside a spool, which are not booked. Empty where the request says so.
   */
  readonly flowG: Float64Array
  readonly airRhPercent: Float64Array
  /** Grams that each event brought in (negative: took out); 0 for those not reached. */
  readonly eventWaterG: Float64Array
  /** When the air first stood above `stopAbove`; null if it did not. */
  readonly crossedAtS: Seconds | null
  /** Dew, or frost below freezing, stood in the box at some time. */
  readonly condensed: boolean
  /** The most water that stood as dew in the box, g. */
  readonly mostDewG: Grams
  /** Water in the nodes minus what crossed the boundary, g: what the books miss by. */
  readonly closureG: number
  /** All water moved over any booked link or by any event, g: the measure for `closureG`. */
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
const FIRST_STEP_S = 900
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
  if (network.nodes.some(({ store }) => !(storeSize(store) > 0)))
    return nothingDone(network, request, 'nothing to hold water')
  return withScratch(scratch => run(network, request, { ...DEFAULTS, ...options }, scratch))
}

function run(
  network: Network,
  request: SimulationRequest,
  settings: typeof DEFAULTS & Pick<SimulationOptions, 'shouldStop'>,
  scratch: Scratch,
): Simulation {
  const compiled = new Compiled(network, request.flows, scratch)
  const solver = new Rosenbrock(
    compiled,
    network.nodes.map(node => node.initialWaterG),
    scratch,
  )
  const recorder = new Recorder(compiled, network, request, scratch)
  const { samples } = network.surroundings
  const startWaterG = sum(solver.waterG)
  const tolerance = tolerances(network, settings, scratch)
  const eventWaterG = new Float64Array(network.events.length)

  let timeS = request.fromS
  let stepS = FIRST_STEP_S
  let steps = 0
  let rejected = 0
  let landings = 0
  let eventMovedG = 0
  let outcome: Outcome = 'finished'
  let condensed = false
  let mostDewG = 0
  let crossedAtS: Seconds | null = null
  let nextEvent = 0

  const applyDueEvents = (): void => {
    let any = false
    let jumped = false
    while (nextEvent < network.events.length && network.events[nextEvent]!.atS <= timeS) {
      const index = nextEvent++
      const event = network.events[index]!
      if (event.atS < request.fromS) continue
      compiled.setTime(timeS)
      const broughtG = applyEvent(compiled, solver.waterG, event)
      eventWaterG[index] = broughtG
      eventMovedG += Math.abs(broughtG)
      any = true
      if (event.kind !== 'conduct' && event.kind !== 'takeUp') jumped = true
    }
    if (!any) return
    // the rest bends the course without a jump in the air: the step's own error tells whether it is too long
    if (jumped) stepS = FIRST_STEP_S
    recorder.restart(timeS, solver.waterG, solver.bookedG)
  }
  /** Largest error of the step tried, in units of what is allowed. */
  const errorRatio = (): number => {
    if (solver.overdraws()) return OVERDRAWN
    const { nextWaterG, errorG } = solver
    let worst = 0
    for (let i = 0; i < tolerance.length; i++) {
      const allowedG =
        tolerance[i] === OF_AIR
          ? settings.airToleranceRhPercent * compiled.airCapacityGPerPercent(i)
          : tolerance[i]! + settings.relativeTolerance * Math.abs(nextWaterG[i]!)
      const ratio = Math.abs(errorG[i]!) / allowedG
      if (!(ratio <= worst)) worst = ratio
    }
    return worst
  }

  recorder.restart(timeS, solver.waterG, solver.bookedG)
  applyDueEvents()
  recorder.writeNow()
  solver.prepare(timeS)
  while (timeS < request.toS) {
    if (steps + rejected - landings >= settings.maxSteps) {
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
      samples ? nextSampleS(samples, timeS) : Infinity,
      samples ? recorder.nextOutputS() : Infinity,
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
    timeS = lands ? stopAtS : timeS + triedS
    steps++
    if (lands) landings++
    // a step cut short by a landing says nothing about how long the next may be
    stepS = lands ? Math.max(wantedS, triedS * growth) : triedS * growth
    recorder.advance(timeS, solver.waterG, solver.bookedG)
    compiled.setTime(timeS)
    const dewG = compiled.dewG(solver.waterG)
    if (dewG > 0) condensed = true
    mostDewG = Math.max(mostDewG, dewG)
    const limit = request.stopAbove
    if (limit && timeS >= limit.fromS && recorder.rhAtPercent(timeS) > limit.rhPercent) {
      crossedAtS = recorder.crossingS(Math.max(limit.fromS, recorder.beforeS), limit.rhPercent)
      recorder.writeUpTo(crossedAtS)
      outcome = 'crossed'
      break
    }
    recorder.writeUpTo(timeS, nextEvent < network.events.length && network.events[nextEvent]!.atS <= timeS)
    applyDueEvents()
    recorder.writeNow()
    if (timeS < request.toS) solver.prepare(timeS)
  }

  const { flowG } = recorder
  const carriedG = new Float64Array(network.links.length)
  solver.bookedG.forEach((carried, slot) => (carriedG[compiled.bookedLink[slot]!] = carried))
  let boundaryG = sum(eventWaterG)
  network.links.forEach((link, l) => {
    if (link.b === ROOM) boundaryG += carriedG[l]!
  })
  const endWaterG = sum(solver.waterG)
  const closureG = endWaterG - startWaterG - boundaryG
  const movedG = carriedG.reduce((total, carried) => total + Math.abs(carried), 0) + eventMovedG
  // an invariant, not an outcome: water that appears or vanishes is a mistake in this file, whatever the network
  const roundingG = Number.EPSILON * 8 * (steps + 8) * (Math.abs(startWaterG) + Math.abs(endWaterG) + movedG)
  if (Math.abs(closureG) > CLOSES_TO * movedG + roundingG)
    throw new Error(`The water account misses by ${closureG} g of ${movedG} g moved.`)
  const { written } = recorder
  return {
    outcome,
    steps,
    rejected,
    evaluations: solver.evaluations,
    endS: crossedAtS ?? timeS,
    atS: recorder.atS.subarray(0, written),
    waterG: recorder.waterG.subarray(0, written * compiled.nodes),
    flowG: flowG.subarray(0, written * network.links.length),
    airRhPercent: recorder.airRhPercent.subarray(0, written),
    eventWaterG,
    crossedAtS,
    condensed,
    mostDewG,
    closureG,
    movedG,
  }
}

/** The result of a run that could not begin. */
function nothingDone(network: Network, request: SimulationRequest, outcome: Outcome): Simulation {
  const none = new Float64Array(0)
  return {
    outcome,
    steps: 0,
    rejected: 0,
    evaluations: 0,
    endS: request.fromS,
    atS: none,
    waterG: none,
    flowG: none,
    airRhPercent: none,
    eventWaterG: new Float64Array(network.events.length),
    crossedAtS: null,
    condensed: false,
    mostDewG: 0,
    closureG: 0,
    movedG: 0,
  }
}

/** As good as any number above 1: a step that leaves less than no water is halved and halved again. */
const OVERDRAWN = 8

/** `absoluteToleranceG` is stated per so many grams of store. */
const STATED_PER_G = 100

/** Stands for the tolerance of air, whose measure changes with its temperature. */
const OF_AIR = -1

/** Absolute tolerance of each node, g, by its dry mass; air has its own measure. */
function tolerances({ nodes }: Network, settings: typeof DEFAULTS, scratch: Scratch): Float64Array {
  const perGram = settings.absoluteToleranceG / STATED_PER_G
  const allowedG = scratch.floats(nodes.length)
  nodes.forEach(({ store }, i) => {
    allowedG[i] = store.kind === 'air' ? OF_AIR : perGram * Math.max(store.dryMassG, 1e-3)
  })
  return allowedG
}

function nextSampleS(samples: { fromS: Seconds; everyS: Seconds }, timeS: Seconds): Seconds {
  const passed = Math.floor((timeS - samples.fromS) / samples.everyS + 1e-9)
  return samples.fromS + (passed + 1) * samples.everyS
}

/** Applies one event at the time set; returns the grams it brought into the nodes. */
function applyEvent(compiled: Compiled, waterG: Float64Array, event: NetworkEvent): number {
  if (event.kind === 'conduct') {
    compiled.setConductance(event.link, event.conductanceLPerH)
    return 0
  }
  if (event.kind === 'takeUp') return compiled.takeUp(waterG, event.freeAirs)
  const before = waterG[event.node]!
  const store = compiled.stores[event.node]!
  let after = before
  if (event.kind === 'setWater') after = event.waterG
  else if (store.kind === 'air') {
    const roomWaterG = compiled.roomDensityGPerL * store.volumeL
    if (event.kind === 'exchange') after = before + event.share * (roomWaterG - before)
    else {
      const grownL = event.volumeL - store.volumeL
      after = before + grownL * (grownL > 0 ? compiled.roomDensityGPerL : before / store.volumeL)
      compiled.setStore(event.node, { kind: 'air', volumeL: event.volumeL })
    }
  }
  waterG[event.node] = after
  return after - before
}

function sum(values: Float64Array): number {
  let total = 0
  for (let i = 0; i < values.length; i++) total += values[i]!
  return total
}
