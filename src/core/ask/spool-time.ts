import type { Celsius, PercentRh, Seconds, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { type Answer, input } from '../answer.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { ringRhPercent, spoolMoisture, type RingedSpool, type SpoolMoisture } from '../filament/rings.ts'
import type { Material } from '../filament/material.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { ALWAYS, type BoxModel } from '../model/box-model.ts'
import { steadySurroundings, type Surroundings } from '../network/network.ts'
import { simulate } from '../network/simulate.ts'

/** Slit transport at the tight and the loose end of its range, and in the middle. */
export const SLIT_SHARES = { tight: 0.03, usual: 0.07, loose: 0.15 } as const

/** A spool in air whose course is given: in the open room, or in a box whose air it does not change. */
export interface SpoolInAir {
  readonly spool: Omit<RingedSpool, 'rings' | 'slitShare'>
  readonly slitShare?: number
  /** RH the spool is in equilibrium with at the start, ring by ring from the outside in, or all alike. */
  readonly wetRhPercent: PercentRh | readonly PercentRh[]
  readonly air: Surroundings
}

export const steadyAir = (temperatureC: Celsius, relativeHumidityPercent: PercentRh): Surroundings =>
  steadySurroundings({
    temperatureC,
    vapourDensityGPerL: fractionFromPercent(relativeHumidityPercent) * saturationDensityGPerL(temperatureC),
  })

/** Rings that the times below are reckoned with. */
export const TIME_RINGS = 8
/** Air that a spool cannot change: any conductance far above its own. */
const WIDE_OPEN_L_PER_H = 1e7
const AIR_L = 1000

/** Moisture of the next print, mean and core at the times asked for. */
export function moistureInAir(at: SpoolInAir, atS: ArrayLike<number>): SpoolMoisture[] {
  const { run, layout, nodes } = runInAir(at, atS)
  return Array.from(run.atS, (_, row) => spoolMoisture(layout, run.waterG, row * nodes))
}

/** RH each ring is in balance with after a time in this air, from the outside in. */
export function ringsInAir(at: SpoolInAir, forS: Seconds): PercentRh[] {
  const { run, layout } = runInAir(at, [forS])
  return ringRhPercent(layout, run.waterG, at.spool.material)
}

function runInAir(
  { spool, slitShare = SLIT_SHARES.usual, wetRhPercent, air }: SpoolInAir,
  atS: ArrayLike<number>,
) {
  const toS = atS[atS.length - 1]!
  const model: BoxModel = {
    insideL: AIR_L,
    inlets: [{ by: 'open', conductanceLPerH: WIDE_OPEN_L_PER_H }],
    charges: [],
    spools: [{ ...spool, ...ALWAYS, slitShare, wetRhPercent, cardboardG: 0, solidsL: 0 }],
    openings: [],
    airRhPercent: 'room',
    surroundings: air,
  }
  const network = boxNetwork(model, { fromS: 0, toS }, TIME_RINGS)
  const run = simulate(
    network,
    { fromS: 0, toS, outputS: atS },
    { airToleranceRhPercent: 0.1, relativeTolerance: 5e-4, maxSteps: 20_000 },
  )
  return { run, layout: network.spoolPlaces[0]!.layout!, nodes: network.nodes.length }
}

/** The filament of the next print, or the whole spool. */
export type Part = 'next' | 'mean'
export const partPercent = (moisture: SpoolMoisture, part: Part): WeightPercent =>
  part === 'next' ? moisture.nextPercent : moisture.meanPercent

/** When a part of a spool passes a limit: null where it never does within the time looked at. */
export interface TimeToLimit {
  readonly early: Seconds | null
  readonly usual: Seconds | null
  readonly late: Seconds | null
  /** Between which points of the usual course the limit lies; null where it is never passed. */
  readonly passing: Passing | null
  /** Where the part stands now, and where it would end in this air, wt %. */
  readonly fromPercent: WeightPercent
  readonly endsAtPercent: WeightPercent
}

const LOOKS_AHEAD_S = secondsFromDays(400)
const POINTS = 240

/** How far a make of filament may lie from the catalogue, as factors: typical, from memory. */
export const MAKES = { diffusivity: 2, moisture: 1.15 } as const

/** A make that takes up this much faster, and holds this much more, than the catalogue says. */
const ofMake = (material: Material, diffusivity: number, moisture: number): Material => ({
  ...material,
  diffusivityAt23M2PerS: material.diffusivityAt23M2PerS * diffusivity,
  moistureAt50Percent: material.moistureAt50Percent * moisture,
  saturatedMoisturePercent: material.saturatedMoisturePercent * moisture,
})

/**
 * When a spool's next print or mean passes a limit, upwards or downwards, in this air. Early and late by all that is
 * not known of it together: diffusivity ×/÷ 2, moisture at 50 % ± 15 %, slit transport 0.03–0.15 about 0.07.
 * @param limitPercent wt % above 0
 */
export function timeToLimit(
  at: Omit<SpoolInAir, 'slitShare'>,
  part: Part,
  limitPercent: WeightPercent,
  endsAtPercent: WeightPercent,
  aheadS: Seconds = LOOKS_AHEAD_S,
): TimeToLimit {
  // close together at first, when the outside moves; wide apart later
  const atS = Float64Array.from({ length: POINTS }, (_, i) => aheadS * (i / (POINTS - 1)) ** 3)
  const passes = (slitShare: number, material: Material) => {
    const run = moistureInAir({ ...at, spool: { ...at.spool, material }, slitShare }, atS)
    const values = run.map(moisture => partPercent(moisture, part))
    return { passing: firstPassing(atS, values, limitPercent), fromPercent: values[0]! }
  }
  const { material } = at.spool
  const middle = passes(SLIT_SHARES.usual, material)
  // a make that starts beyond the limit has passed it already
  const timeOf = (slitShare: number, diffusivity: number, moisture: number) => {
    const run = passes(slitShare, ofMake(material, diffusivity, moisture))
    const startsBeyond = run.fromPercent < limitPercent !== middle.fromPercent < limitPercent
    return startsBeyond ? 0 : (run.passing?.atS ?? Infinity)
  }
  const { diffusivity, moisture } = MAKES
  const sides = [SLIT_SHARES.loose, SLIT_SHARES.tight].flatMap(slits => [
    timeOf(slits, diffusivity, moisture),
    timeOf(slits, 1 / diffusivity, 1 / moisture),
    timeOf(slits, diffusivity, 1 / moisture),
    timeOf(slits, 1 / diffusivity, moisture),
  ])
  const usual = middle.passing?.atS ?? Infinity
  const finite = (seconds: number) => (seconds === Infinity ? null : seconds)
  return {
    early: finite(Math.min(usual, ...sides)),
    usual: finite(usual),
    late: finite(Math.max(usual, ...sides)),
    passing: middle.passing,
    fromPercent: middle.fromPercent,
    endsAtPercent,
  }
}

/** Where a course passes a limit: two points of it, and the time on the straight line between them. */
export interface Passing {
  readonly atS: Seconds
  readonly beforeS: Seconds
  readonly beforePercent: WeightPercent
  readonly afterS: Seconds
  readonly afterPercent: WeightPercent
  readonly limitPercent: WeightPercent
}

/** First passing of a limit, from whichever side the course starts on; null where it stays there. */
export function firstPassing(
  atS: ArrayLike<number>,
  values: readonly number[],
  limitPercent: WeightPercent,
): Passing | null {
  const rises = values[0]! < limitPercent
  for (let i = 1; i < values.length; i++) {
    if (rises ? values[i]! < limitPercent : values[i]! > limitPercent) continue
    const [beforeS, afterS] = [atS[i - 1]!, atS[i]!]
    const [beforePercent, afterPercent] = [values[i - 1]!, values[i]!]
    const share = (limitPercent - beforePercent) / (afterPercent - beforePercent)
    return {
      atS: beforeS + share * (afterS - beforeS),
      beforeS,
      beforePercent,
      afterS,
      afterPercent,
      limitPercent,
    }
  }
  return null
}

/**
 * Days a spool stays below a limit, or needs to come down to it, in steady air.
 * @returns an answer in days; Infinity where the limit is never passed
 */
export function daysToLimit(
  spool: SpoolInAir['spool'],
  state: { wetRhPercent: PercentRh; temperatureC: Celsius; relativeHumidityPercent: PercentRh },
  part: Part,
  limitPercent: WeightPercent,
): Answer & { readonly earlyDays: number; readonly lateDays: number } {
  const endsAtPercent = equilibriumMoisturePercent(spool.material, state.relativeHumidityPercent)
  const time = timeToLimit(
    {
      spool,
      wetRhPercent: state.wetRhPercent,
      air: steadyAir(state.temperatureC, state.relativeHumidityPercent),
    },
    part,
    limitPercent,
    endsAtPercent,
  )
  const days = (seconds: Seconds | null) => (seconds === null ? Infinity : daysFromSeconds(seconds))
  return {
    quantity:
      part === 'next' ? 'days until the next print passes the limit' : 'days until the mean passes the limit',
    value: days(time.usual),
    earlyDays: days(time.early),
    lateDays: days(time.late),
    unit: 'd',
    knowledge: 'computed',
    because: {
      formulaId: 'spool-rings',
      formula: `${TIME_RINGS} rings of winding, each with its strand, in steady air; first passing of the limit`,
      inputs: [
        input('RH', 'humidity of the air', state.relativeHumidityPercent, '% RH', 'told'),
        input('T', 'temperature', state.temperatureC, '°C', 'told'),
        input('RH₀', 'humidity the spool is in balance with', state.wetRhPercent, '% RH', 'told'),
        input('c', 'limit', limitPercent, 'wt %', 'assumed'),
        input('φ', 'slit transport', SLIT_SHARES.usual, '', 'assumed'),
        input('c_end', 'moisture it would end at', endsAtPercent, 'wt %', 'computed'),
      ],
      source:
        'Crank, The Mathematics of Diffusion, ch. 5 (strand); slit transport derived here, range 0.03–0.15',
    },
  }
}
