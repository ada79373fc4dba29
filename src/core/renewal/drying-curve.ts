import type { Grams } from '#units/quantity.ts'
import type { Range } from './baking.ts'

/** One weight while it is hot: minutes since it went in, and water still in it. */
export interface HotWeight {
  readonly minutes: number
  readonly waterG: Grams
}

export interface DryingAsked {
  /** Water in it as it went in, and what the heat leaves. */
  readonly startG: Grams
  readonly leftG: Range
  /** As reckoned before anything was hot. */
  readonly minutes: Range
  readonly dryMassG: Grams
  readonly scaleStepG: Grams
  /** In order of time. */
  readonly weights: readonly HotWeight[]
}

export interface Drying {
  /** It is done once half an hour takes out less than this. */
  readonly lessThanG: Grams
  readonly isDone: boolean
  /** Between the last two weights, g/h; null before there are two. */
  readonly losesGPerH: number | null
  /** Minutes since it went in at which the rule will hold. */
  readonly doneAtMinutes: Range
  /** Water still in it after so many minutes. */
  readonly waterAt: (minutes: number) => Range
}

const RULE_MINUTES = 30
/** Of the dry mass: below this nobody gains by going on. */
const RULE_SHARE = 0.004
/** Two weights nearer than this tell no rate. */
const LEAST_APART_MINUTES = 10
/** Of the way from first to left, what is gone when the reckoned minutes are over. */
const GONE_SHARE = 0.95
/** Until the bed is warm hardly anything comes out. */
const LAG_MINUTES = 10
/** What two ovens of one kind differ by beside what is weighed; shrinks with weights. */
const LOOSE = 0.2

/**
 * How beads dry, followed by the scale: water falls from where it began towards what the heat leaves as an exponential
 * (first order, after a lag for warming), its rate first by the reckoned minutes, then by the weights (least squares of the
 * logarithms). Done by a rule that the scale can see: half an hour takes out less than its step and less than 0.4 % of the
 * beads. Rule and lag: common practice, put in figures here.
 */
export function drying(asked: DryingAsked): Drying {
  const { startG, leftG, minutes, dryMassG, scaleStepG, weights } = asked
  const lessThanG = Math.max(scaleStepG, RULE_SHARE * dryMassG)
  const aimG = Math.min(leftG.middle, ...weights.map(one => one.waterG - scaleStepG / 2))
  const spanG = Math.max(startG - aimG, scaleStepG)
  const told = weights.flatMap(one => {
    const share = (one.waterG - aimG) / spanG
    const since = one.minutes - LAG_MINUTES
    return since > 0 && share > 0.02 && share < 1 ? [{ since, log: Math.log(share) }] : []
  })
  const usual = (inMinutes: number) => -Math.log(1 - GONE_SHARE) / Math.max(1, inMinutes - LAG_MINUTES)
  const middle =
    told.length === 0
      ? usual(minutes.middle)
      : told.reduce((sum, one) => sum - one.since * one.log, 0) /
        told.reduce((sum, one) => sum + one.since ** 2, 0)
  const loose = 1 + LOOSE / Math.sqrt(Math.max(1, told.length))
  const rates: Range =
    told.length === 0
      ? { low: usual(minutes.high), middle, high: usual(minutes.low) }
      : { low: middle / loose, middle, high: middle * loose }
  const at = (rate: number, after: number) =>
    aimG + spanG * Math.exp(-rate * Math.max(0, after - LAG_MINUTES))
  const doneAt = (rate: number) => {
    const firstHalfHourG = spanG * (1 - Math.exp(-rate * RULE_MINUTES))
    return LAG_MINUTES + Math.max(0, Math.log(firstHalfHourG / lessThanG)) / rate + RULE_MINUTES
  }
  const [last, before] = lastTwo(weights)
  const losesGPerH =
    last && before ? ((before.waterG - last.waterG) / (last.minutes - before.minutes)) * 60 : null
  return {
    lessThanG,
    isDone:
      losesGPerH !== null && (losesGPerH * RULE_MINUTES) / 60 < lessThanG && last!.minutes > LAG_MINUTES,
    losesGPerH,
    doneAtMinutes: { low: doneAt(rates.high), middle: doneAt(rates.middle), high: doneAt(rates.low) },
    waterAt: after => ({
      low: at(rates.high, after),
      middle: at(rates.middle, after),
      high: at(rates.low, after),
    }),
  }
}

/** The last weight and the one before it that lies far enough back to tell a rate. */
function lastTwo(weights: readonly HotWeight[]): readonly [HotWeight?, HotWeight?] {
  const last = weights.at(-1)
  if (!last) return []
  const before = weights.findLast(one => last.minutes - one.minutes >= LEAST_APART_MINUTES)
  return before ? [last, before] : [last]
}
