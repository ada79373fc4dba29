import type { Seconds } from '#units/quantity.ts'
import { daysFromSeconds } from '#units/time.ts'
import { simulate } from '../network/simulate.ts'
import { stateAt, type BoxState } from '../assemble/state.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import type { BoxModel } from '../model/box-model.ts'
import { bufferAt } from './buffer.ts'
import { carriedRhPercent, carryingOf, type Carrying } from './carried.ts'
import { displaysOf, type Display } from './displays.ts'
import { AS_TOLD, type Hypothesis } from './hypotheses.ts'
import { logLikelihood, type Observation } from './likelihood.ts'
import { historyNetwork, modelOfDraw } from './model-of-draw.ts'
import { drawValues, type DrawValues, type Unknown } from './unknowns.ts'

/** One possible truth, run through the box's whole history. */
export interface Draw {
  readonly z: Float64Array
  readonly values: DrawValues
  readonly model: BoxModel
  /** What each observation would have been. */
  readonly predicted: Float64Array
  /** How the box stands now; null where the run did not get that far. */
  readonly now: BoxState | null
  readonly airRhNowPercent: number
  readonly logLikelihood: number
}

export const ENSEMBLE_TOLERANCES = {
  relativeTolerance: 1e-3,
  absoluteToleranceG: 3e-3,
  airToleranceRhPercent: 0.25,
  maxSteps: 6000,
} as const

/** Runs one draw through the history. */
export function runDraw(
  facts: BoxFacts,
  unknowns: readonly Unknown[],
  observations: readonly Observation[],
  z: Float64Array,
  hypothesis: Hypothesis = AS_TOLD,
): Draw {
  const values = { ...drawValues(facts, unknowns, z), amiss: hypothesis.amiss(z[unknowns.length] ?? 0) }
  const model = modelOfDraw(facts, values)
  const network = historyNetwork(facts, model)
  const outputS = outputsOf(facts, observations)
  const displays = displaysOf(facts)
  const run = simulate(
    network,
    { fromS: facts.fromS, toS: facts.nowS, outputS, flows: 'not booked' },
    ENSEMBLE_TOLERANCES,
  )
  const nodes = network.nodes.length
  const reached = run.atS.length
  // a run that broke off answers for nothing: such a draw must not win
  const predicted = new Float64Array(observations.length).fill(Number.MAX_SAFE_INTEGER)
  let carrying: Carrying | null = null
  for (let i = 0; i < Math.min(reached, predicted.length); i++) {
    const observation = observations[i]!
    if (observation.charge === null) {
      const buffer = bufferAt(model, observation.atS)
      if (carrying?.buffer !== buffer) carrying = carryingOf(observations, buffer)
      predicted[i] =
        carriedRhPercent(carrying, observations, i, run.airRhPercent[i]!, model.surroundings) +
        errorOfDisplayRh(displays, values, observation.atS, observation.display!)
      continue
    }
    const node = network.chargeNodes[observation.charge]!
    const waterG = node === null ? 0 : run.waterG[i * nodes + node]!
    const { dryMassG } = model.charges[observation.charge]!
    // a weighing reads the beads' true mass as water where they are heavier than told
    predicted[i] =
      observation.kind === 'colour'
        ? waterG / Math.max(dryMassG, 1e-9)
        : waterG + dryMassG - facts.charges[observation.charge]!.dryMassG
  }
  const last = outputS.length - 1
  const complete = reached === outputS.length
  return {
    z,
    values,
    model,
    predicted,
    now: complete ? stateAt(model, network, run.waterG, facts.nowS, last * nodes) : null,
    airRhNowPercent: complete ? run.airRhPercent[last]! : Number.NaN,
    logLikelihood: complete ? logLikelihood(observations, predicted) : -Infinity,
  }
}

/** When a run is looked at: at each observation, and now. The same for every draw of a box. */
function outputsOf(facts: BoxFacts, observations: readonly Observation[]): Float64Array {
  const before = outputs.get(observations)
  if (before) return before
  const timesS = Float64Array.from([...observations.map(observation => observation.atS), facts.nowS])
  outputs.set(observations, timesS)
  return timesS
}
const outputs = new WeakMap<readonly Observation[], Float64Array>()

/** What a display shows beyond the air at a time, as a draw has it. */
export function displayErrorRh(
  facts: BoxFacts,
  values: DrawValues,
  { atS, display }: Pick<Observation, 'atS' | 'display'>,
): number {
  return errorOfDisplayRh(displaysOf(facts), values, atS, display!)
}

function errorOfDisplayRh(
  displays: readonly Display[],
  { offsetsRh, driftsRhPerMonth, amiss }: DrawValues,
  atS: Seconds,
  display: number,
): number {
  const { id, firstS } = displays[display]!
  const months = daysFromSeconds(atS - firstS) / DAYS_PER_MONTH
  const shifted = amiss?.kind === 'display' && atS >= amiss.atS && id === amiss.displayId
  return offsetsRh[display]! + driftsRhPerMonth[display]! * months + (shifted ? amiss.rhPercent : 0)
}
const DAYS_PER_MONTH = 30.4375
