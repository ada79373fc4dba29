import { secondsFromDays } from '#units/time.ts'
import { wallLaw } from '#core/container/wall.ts'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { USUAL_SPOOL } from '#core/filament/winding.ts'
import { simulate } from '#core/network/simulate.ts'
import { CLIMATES, type ClimateKind } from '#core/room/climate.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import type { BoxFacts, ReadingFacts } from '#core/evidence/facts.ts'
import { historyNetwork, modelOfDraw } from '#core/estimate/model-of-draw.ts'
import { MODEL_MEMORY_S, MODEL_SPREAD_RH } from '#core/estimate/model-error.ts'
import { displayErrorRh } from '#core/estimate/run-draw.ts'
import type { RandomSource } from '#core/estimate/random.ts'
import { drawValues, unknownsOf, type DrawValues } from '#core/estimate/unknowns.ts'

/** A box whose truth is drawn from its own priors, and what its owner would know of it: for validation. */
export function syntheticBox(
  random: RandomSource,
  days: number,
  everyDays: number,
): { facts: BoxFacts; truth: DrawValues; z: Float64Array } {
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random.uniform() * items.length)]!
  const fromS = secondsFromDays(20_000 + Math.floor(random.uniform() * 365))
  const nowS = fromS + secondsFromDays(days)
  const materials = pick<readonly MaterialId[]>([
    ['PLA', 'PLA', 'PETG'],
    ['PETG', 'ASA'],
    ['TPU'],
    ['PLA', 'PLA', 'PLA', 'PLA'],
    ['PC', 'ABS'],
  ])
  const blank: BoxFacts = {
    fromS,
    nowS,
    insideL: 8 + 35 * random.uniform(),
    wall: { conductanceLPerH: 0.05, law: wallLaw('PP') },
    leak: {
      ...pick([
        { lowLPerH: 0.02, highLPerH: 0.2 },
        { lowLPerH: 0.2, highLPerH: 1 },
        { lowLPerH: 0.05, highLPerH: 5 },
      ]),
      name: 'lid',
      knowledge: 'told',
    },
    openingsPerMonth: 4,
    openings: [],
    charges: [
      {
        id: 'charge',
        name: 'beads',
        kind: pick(['silica-a', 'silica-unknown'] as const),
        dryMassG: 80 + 200 * random.uniform(),
        massKnowledge: 'told',
        holder: pick(['packet', 'canister', 'basket'] as const),
        freshness: { lowGPerG: 0.01, highGPerG: 0.05 },
        inS: fromS,
        outS: null,
        heatings: [],
        weighings: [],
        looks: [],
        cycles: { usual: 0, overheated: 0 },
      },
    ],
    spools: materials.map((materialId, i) => ({
      id: `spool${i}`,
      name: materialId,
      material: MATERIALS[materialId],
      filamentG: 300 + 650 * random.uniform(),
      emptyG: 220,
      cardboardG: random.uniform() < 0.3 ? 200 : 0,
      size: USUAL_SPOOL,
      wetness: { told: { kind: 'between', lowRhPercent: 10, highRhPercent: 45 }, group: 'all', past: [] },
      inS: fromS,
      outS: null,
    })),
    room: {
      profile: CLIMATES[pick<ClimateKind>(['mild', 'damp', 'heated'])].profile,
      readings: [],
      knowledge: 'told',
    },
    hygrometer: USUAL_HYGROMETER,
    readings: [],
    targetRhPercent: 25,
  }
  const unknowns = unknownsOf(blank)
  const z = Float64Array.from(unknowns, () => random.normal())
  const truth = drawValues(blank, unknowns, z)
  return { facts: { ...blank, readings: readingsOf(blank, truth, random, everyDays) }, truth, z }
}

/** Readings of a true box, as its hygrometer would show them: offset, new error each time, whole per cent, floor. */
export function readingsOf(
  facts: BoxFacts,
  truth: DrawValues,
  random: RandomSource,
  everyDays: number,
): ReadingFacts[] {
  const model = modelOfDraw(facts, truth)
  const { surroundings } = model
  const network = historyNetwork(facts, model)
  const outputS: number[] = []
  for (let atS = facts.fromS + secondsFromDays(2); atS <= facts.nowS; atS += secondsFromDays(everyDays))
    outputS.push(atS)
  const run = simulate(network, { fromS: facts.fromS, toS: facts.nowS, outputS })
  const newEachTime = (facts.hygrometer.accuracyPercentRh / 2) * 0.6
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  let world = MODEL_SPREAD_RH * random.normal()
  const kept = Math.exp((-1 * secondsFromDays(everyDays)) / MODEL_MEMORY_S)
  return outputS.map((atS, i) => {
    surroundings.at(atS, point)
    // the display's own error, and the world's: a true box misses the model by as much as the estimator allows for
    const missed = displayErrorRh(facts, truth, { atS, display: 0 }) + newEachTime * random.normal() + world
    world = kept * world + Math.sqrt(1 - kept ** 2) * MODEL_SPREAD_RH * random.normal()
    const shown = run.airRhPercent[i]! + missed
    return {
      atS,
      temperatureC: Math.round(point.temperatureC * 2) / 2,
      relativeHumidityPercent: Math.max(facts.hygrometer.floorPercentRh, Math.round(shown)),
      settled: true,
    }
  })
}
