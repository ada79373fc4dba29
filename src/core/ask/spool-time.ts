import type { Celsius, PercentRh, Seconds, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { type Answer, input } from '../answer.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { spoolMoisture, type RingedSpool, type SpoolMoisture } from '../filament/rings.ts'
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

/** Moisture of outer turns, mean and core at the times asked for. */
export function moistureInAir(
  { spool, slitShare = SLIT_SHARES.usual, wetRhPercent, air }: SpoolInAir,
  atS: ArrayLike<number>,
): SpoolMoisture[] {
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
  const { layout } = network.spoolPlaces[0]!
  return Array.from(run.atS, (_, row) => spoolMoisture(layout!, run.waterG, row * network.nodes.length))
}

export type Part = 'outer' | 'mean'

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

/**
 * When a spool's outer turns or mean pass a limit, upwards or downwards, in this air; early and late by the range of
 * slit transport (0.03–0.15 about 0.07).
 * @param limitPercent wt % above 0
 */
export function timeToLimit(
  at: Omit<SpoolInAir, 'slitShare'>,
  part: Part,
  limitPercent: WeightPercent,
  endsAtPercent: WeightPercent,
  aheadS: Seconds = LOOKS_AHEAD_S,
): TimeToLimit {
  // close together at first, when the outer turns move; wide apart later
  const atS = Float64Array.from({ length: POINTS }, (_, i) => aheadS * (i / (POINTS - 1)) ** 3)
  const passes = (slitShare: number) => {
    const run = moistureInAir({ ...at, slitShare }, atS)
    const values = run.map(m => (part === 'outer' ? m.outerPercent : m.meanPercent))
    return { passing: firstPassing(atS, values, limitPercent), fromPercent: values[0]! }
  }
  const [loose, middle, tight] = [
    passes(SLIT_SHARES.loose),
    passes(SLIT_SHARES.usual),
    passes(SLIT_SHARES.tight),
  ]
  // outer turns hardly depend on the slits: their three times differ by rounding, in any order
  const sides = [loose, tight].map(side => side.passing?.atS ?? Infinity)
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
      part === 'outer' ? 'days until the outer turns pass the limit' : 'days until the mean passes the limit',
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
