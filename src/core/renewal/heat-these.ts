import type { Celsius, Grams, Pascal, PercentRh } from '#units/quantity.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { afterHeating, MICROWAVED_G_PER_G, ovenVapourPressurePa } from './after-heating.ts'
import {
  bakingKWh,
  bakingMinutes,
  bedOf,
  microwaveSteps,
  unitMinutes,
  type Bed,
  type MicrowaveSteps,
  type Range,
} from './baking.ts'
import {
  makersWord,
  refusals,
  type HeatedIn,
  type MakersWord,
  type Refusal,
  type ToHeat,
} from './heat-limits.ts'
import { heatAt, type Heat, type HeatSource } from './heat-source.ts'

/** A charge that is to be heated, with what is known of its water. */
export interface ChargeToHeat extends ToHeat {
  readonly dryMassG: Grams
  /** Water in it now: 10 %, 50 % and 90 % points. */
  readonly waterG: Range
  /** Share of its first capacity that it keeps. */
  readonly capacityFactor: number
  /** The empty holder on the scale; null: not told. */
  readonly tareG: Grams | null
}

export interface HeatTheseAsked {
  readonly charge: ChargeToHeat
  readonly source: HeatSource
  readonly heatedIn: HeatedIn
  /** What the source is set to; what has no dial ignores it. */
  readonly dialC: Celsius
  readonly displaysOut: boolean
  /** The air the oven takes in, today. */
  readonly roomPa: Pascal
  readonly roomC: Celsius
  /** The box's own temperature, for the RH it can come down to. */
  readonly boxC: Celsius
}

export interface HeatThese {
  readonly refusals: readonly Refusal[]
  readonly makersWord: MakersWord
  /** null in a microwave, where no thermometer tells. */
  readonly heat: Heat | null
  readonly bed: Bed
  /** Of each batch. */
  readonly minutes: Range
  readonly steps: MicrowaveSteps | null
  /** Water that stays in it, over its dry mass. */
  readonly leftG: Range
  /** The driest air the box can then have. */
  readonly floorRhPercent: { readonly low: PercentRh; readonly middle: PercentRh; readonly high: PercentRh }
  readonly waterOutG: Range
  /** What the scale shows when it is done: the beads, with their holder where its weight is told. */
  readonly endWeightG: { readonly low: Grams; readonly high: Grams }
  readonly kWh: number
}

/**
 * What heating this charge in this source would take and leave, before anything is hot. Left loading: the isotherm at the
 * oven's heat in the room's air of today (Ng et al. 2001, from memory), with what real gel keeps beyond it.
 * @param asked dryMassG > 0, roomPa > 0
 */
export function heatThese(asked: HeatTheseAsked): HeatThese {
  const { charge, source, heatedIn, dialC, roomC, boxC } = asked
  const { sorbent, bulkDensityGPerMl } = DESICCANTS[charge.desiccant]
  const isMicrowave = source.kind === 'microwave'
  const heat = isMicrowave ? null : heatAt(source, dialC)
  const bed = bedOf(source, charge.dryMassG, bulkDensityGPerMl, heatedIn === 'holder' ? charge.holder : null)
  const most = charge.dryMassG * charge.capacityFactor
  const left = heat ? leftLoading(asked, heat) : microwaved()
  // heat only ever takes out: beads that hold less already stay as they are
  const leftG: Range = {
    low: Math.min(left.low * most, charge.waterG.low),
    middle: Math.min(left.middle * most, charge.waterG.middle),
    high: Math.min(left.high * most, charge.waterG.high),
  }
  const waterOutG: Range = {
    low: Math.max(0, charge.waterG.low - leftG.high),
    middle: Math.max(0, charge.waterG.middle - leftG.middle),
    high: Math.max(0, charge.waterG.high - leftG.low),
  }
  const waterShare = waterOutG.middle / charge.dryMassG
  const steps = isMicrowave
    ? microwaveSteps(source, { grams: bed.gramsEach, waterG: waterOutG.middle / bed.batches, roomC })
    : null
  const minutes =
    steps?.minutes ??
    (source.kind === 'own heater'
      ? unitMinutes()
      : bakingMinutes({ heat: heat!, roomC, depthMm: bed.depthMm, bulkDensityGPerMl, waterShare }))
  const rhOver = (waterG: Grams) =>
    rhOverLoadingPercent(sorbent, { loadingGPerG: waterG / most, temperatureC: boxC })
  const holderG = charge.tareG ?? 0
  return {
    refusals: refusals(asked),
    makersWord: makersWord(charge),
    heat,
    bed,
    minutes,
    steps,
    leftG,
    floorRhPercent: { low: rhOver(leftG.low), middle: rhOver(leftG.middle), high: rhOver(leftG.high) },
    waterOutG,
    endWeightG: { low: holderG + charge.dryMassG + leftG.low, high: holderG + charge.dryMassG + leftG.high },
    kWh: bakingKWh(source, {
      heat,
      roomC,
      minutes: minutes.middle * bed.batches,
      waterG: waterOutG.middle,
    }),
  }
}

/** Loading left at the least and the most the beads meet, g/g. */
function leftLoading({ charge, source, roomPa, boxC }: HeatTheseAsked, heat: Heat): Range {
  const ovenPa = ovenVapourPressurePa(roomPa, source.kind)
  const at = (temperatureC: Celsius) =>
    afterHeating({ desiccant: charge.desiccant, ovenPa, temperatureC: Math.max(temperatureC, LEAST_C), boxC })
  const middle = at(heat.middleC)
  return {
    low: at(heat.mostC).lowGPerG,
    middle: (middle.lowGPerG + middle.highGPerG) / 2,
    high: at(heat.leastC).highGPerG,
  }
}
const LEAST_C = 30

const microwaved = (): Range => ({
  low: MICROWAVED_G_PER_G.low,
  middle: (MICROWAVED_G_PER_G.low + MICROWAVED_G_PER_G.high) / 2,
  high: MICROWAVED_G_PER_G.high,
})
