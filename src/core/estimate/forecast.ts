import type { Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { firstAbove } from '../ask/first-above.ts'
import type { BoxState } from '../assemble/state.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { futureModel, HORIZON_S } from './model-of-draw.ts'
import type { Posterior } from './posterior.ts'
import { ENSEMBLE_TOLERANCES, type Draw } from './run-draw.ts'
import {
  effectiveCount,
  evenPicks,
  spreadOf,
  weightedCorrelationSquared,
  weightedMean,
  weightedQuantiles,
  type Spread,
} from './weighted.ts'
import type { Unknown } from './unknowns.ts'

/** A box above its target may still be drying down after work on it: it gets this long before it counts as over. */
const GRACE_S = secondsFromDays(3)

export interface LeaveDates {
  readonly spread: Spread
  /** True where the date is only the horizon: the target may never be left. */
  readonly beyondHorizon: { readonly early: boolean; readonly middle: boolean; readonly late: boolean }
}

/**
 * When a draw, going on from now, first stands above the target; the horizon's end if it never does.
 * @param without spools taken out now
 * @returns NaN where the run did not finish: that is neither a date nor "never"
 */
export function leavesAtS(
  facts: Pick<BoxFacts, 'nowS'>,
  draw: Pick<StandingDraw, 'model' | 'now' | 'airRhNowPercent' | 'values'>,
  targetRhPercent: number,
  without: readonly string[] = [],
): Seconds {
  // the air will once stand above what is reckoned: the target is lost then
  const limitRhPercent = targetRhPercent - draw.values.wanderRh
  const over = draw.airRhNowPercent > limitRhPercent
  const graceS = over ? GRACE_S : 0
  const passing = firstAbove(
    futureModel(draw, without),
    limitRhPercent,
    { fromS: facts.nowS, toS: facts.nowS + HORIZON_S, settleS: graceS },
    ENSEMBLE_TOLERANCES,
  )
  switch (passing.ends) {
    case 'holds':
      return facts.nowS + HORIZON_S
    case 'unfinished':
      return Number.NaN
    case 'passes':
      return over && passing.atS <= facts.nowS + graceS + 1 ? facts.nowS : passing.atS
  }
}

/** A draw whose history ran to its end. */
export type StandingDraw = Draw & { readonly now: BoxState }

/**
 * As many draws of like weight as answers are read off, picked at even steps of the weight along how damp the air is now:
 * to run a thousand draws into the future, most of them as good as weightless, would tell no more.
 */
export function standingDraws(posterior: Posterior): { draws: StandingDraw[]; weights: Float64Array } {
  const all = posterior.draws
    .map((draw, i) => ({ draw, weight: posterior.weights[i]! }))
    .filter(
      (item): item is { draw: StandingDraw; weight: number } => item.weight > 0 && item.draw.now !== null,
    )
  const sum = all.reduce((total, { weight }) => total + weight, 0)
  const picks = evenPicks(
    all.map(({ draw }) => draw.airRhNowPercent),
    all.map(({ weight }) => weight / sum),
    STANDING,
  )
  const counts = new Map<number, number>()
  for (const pick of picks) counts.set(pick, (counts.get(pick) ?? 0) + 1)
  return {
    draws: [...counts.keys()].map(i => all[i]!.draw),
    weights: Float64Array.from(counts.values(), count => count / picks.length),
  }
}
const STANDING = 500

/** Draws with the date each gives, without those whose run did not finish; weights sum to 1 again. */
export function datedDraws(
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  dateOf: (draw: StandingDraw) => Seconds,
): { draws: StandingDraw[]; weights: Float64Array; datesS: Seconds[]; unfinished: number } {
  const all = draws.map((draw, i) => ({ draw, weight: weights[i]!, dateS: dateOf(draw) }))
  const dated = all.filter(item => !Number.isNaN(item.dateS))
  const sum = dated.reduce((total, item) => total + item.weight, 0)
  return {
    draws: dated.map(item => item.draw),
    weights: Float64Array.from(dated, item => item.weight / sum),
    datesS: dated.map(item => item.dateS),
    unfinished: all.length - dated.length,
  }
}

export function leaveDates(datesS: ArrayLike<number>, weights: ArrayLike<number>, nowS: Seconds): LeaveDates {
  const spread = spreadOf(datesS, weights)
  const endS = nowS + HORIZON_S
  const shareAtEnd = Array.from(datesS).reduce(
    (sum, dateS, i) => (dateS >= endS - 1 ? sum + weights[i]! : sum),
    0,
  )
  return {
    spread,
    // by weight, not by the date: a mean of dates lies before the end where a few of them do
    beyondHorizon: { early: shareAtEnd > 0.9, middle: shareAtEnd > 0.5, late: shareAtEnd > 0.1 },
  }
}

/** Share of the dates' variation that goes with each kind of unknown, largest first. */
export function causesOfWidth(
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
  unknowns: readonly Unknown[],
): { id: string; name: string; share: number }[] {
  const shareOf = (k: number) =>
    weightedCorrelationSquared(
      draws.map(draw => draw.z[k]!),
      datesS,
      weights,
    )
  return kindsOf(unknowns)
    .map(({ kind, cause, members }) => ({
      id: kind,
      name: cause,
      share: members.reduce((sum, k) => sum + shareOf(k), 0),
    }))
    .sort((a, b) => b.share - a.share)
}

/** Unknowns that one answer would tell, together; each by its place in the draw vectors. */
function kindsOf(unknowns: readonly Unknown[]) {
  const kinds = new Map<string, { kind: string; cause: string; asks: string | null; members: number[] }>()
  unknowns.forEach(({ kind, cause, asks }, k) => {
    const known = kinds.get(kind)
    if (known) known.members.push(k)
    else kinds.set(kind, { kind, cause, asks, members: [k] })
  })
  return [...kinds.values()]
}

/** Shares of the draws, and the date by which each has left the target. */
export type SharesOfDates = readonly { readonly share: number; readonly atS: Seconds }[]
export const TWENTIETHS: readonly number[] = Array.from({ length: 19 }, (_, i) => (i + 1) / 20)
export const sharesOfDates = (datesS: ArrayLike<number>, weights: ArrayLike<number>): SharesOfDates =>
  weightedQuantiles(datesS, weights, TWENTIETHS).map((atS, i) => ({ share: TWENTIETHS[i]!, atS }))

/** What knowing one unknown would leave of the spread. */
export interface Worth {
  readonly id: string
  readonly ask: string
  readonly spread: Spread
  readonly sharesOfDates: SharesOfDates
}

/**
 * Width of a range of dates as people feel it: by how many times the late one is further off than the early one, as a
 * logarithm. A day is added to both, so that today is no infinity.
 */
export const feltWidth = ({ low, high }: Spread, nowS: Seconds): number =>
  Math.log((high - nowS + secondsFromDays(1)) / (low - nowS + secondsFromDays(1)))

/** How narrow "fixed" is, in standard deviations of the unknown; wide enough to leave draws to count. */
const FIXED_WITHIN = 0.3
const FEWEST_DRAWS = 8

/**
 * The spread that would be left if one unknown were known: the ensemble with that unknown held at its middle.
 * @returns for each kind of unknown a person could tell and that narrows the range, what is left of it; widest gain first
 */
export function worthOfKnowing(
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
  unknowns: readonly Unknown[],
  nowS: Seconds,
): Worth[] {
  const worth: Worth[] = []
  const all = spreadOf(datesS, weights)
  for (const { kind, asks, members } of kindsOf(unknowns)) {
    if (asks === null) continue
    const raw = Float64Array.from(weights)
    for (const k of members) {
      const column = draws.map(draw => draw.z[k]!)
      const mean = weightedMean(column, weights)
      const deviation = Math.sqrt(
        weightedMean(
          column.map(z => (z - mean) ** 2),
          weights,
        ),
      )
      // several at once are held as loosely as leaves draws to count
      const within = FIXED_WITHIN * Math.sqrt(members.length) * deviation
      column.forEach((z, i) => (raw[i]! *= Math.exp(-0.5 * ((z - mean) / within) ** 2)))
    }
    const sum = raw.reduce((a, b) => a + b, 0)
    const held = raw.map(weight => weight / sum)
    if (effectiveCount(held) < FEWEST_DRAWS) continue
    const spread = spreadOf(datesS, held)
    if (spread.high - spread.low < all.high - all.low)
      worth.push({ id: kind, ask: asks, spread, sharesOfDates: sharesOfDates(datesS, held) })
  }
  return worth.sort((a, b) => feltWidth(a.spread, nowS) - feltWidth(b.spread, nowS))
}
