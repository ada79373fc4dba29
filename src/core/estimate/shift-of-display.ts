import type { Seconds } from '#units/quantity.ts'
import type { Observation } from './likelihood.ts'
import { localFit } from './proposal.ts'

/** A model near one point: what it gives there, and how that changes with each unknown. */
export interface Straight {
  readonly z: Float64Array
  readonly predicted: Float64Array
  /** For each unknown, of each observation. */
  readonly slopes: readonly Float64Array[]
}

/** A time from which one display may show more, or less; `share` of all such times. */
export interface ShiftTime {
  readonly display: number
  readonly atS: Seconds
  readonly share: number
}

export interface Shift extends ShiftTime {
  /** All unknowns, and the amount of the shift last. */
  readonly z: Float64Array
  /** As `localFit` has it: the less, the likelier. */
  readonly misfit: number
}

/** The amount one standard deviation of its unknown stands for, % RH. */
export const SHIFT_SPREAD_RH = 8

/**
 * Shifts at some times, the likeliest first, the unknowns following along straight lines and tails as they are: by
 * slopes alone, taken where nothing shifted, a step looks like a drift of what it is not.
 */
export function likeliestShifts(
  observations: readonly Observation[],
  near: Straight,
  times: readonly ShiftTime[],
  amount: number,
): Shift[] {
  const n = near.z.length
  return times
    .flatMap((time): Shift[] => {
      const pattern = patternOf(observations, time)
      const predict = (z: Float64Array) => {
        const sums = new Float64Array(pattern.length)
        for (let o = 0; o < sums.length; o++) sums[o] = near.predicted[o]! + z[n]! * pattern[o]!
        for (let k = 0; k < n; k++) {
          const slope = near.slopes[k]!
          const moved = z[k]! - near.z[k]!
          for (let o = 0; o < sums.length; o++) sums[o]! += slope[o]! * moved
        }
        return sums
      }
      const start = new Float64Array(n + 1)
      start.set(near.z)
      start[n] = amount
      const fit = localFit(observations, predict, start)
      return fit ? [{ ...time, z: fit.proposal.mean, misfit: fit.misfit }] : []
    })
    .sort((a, b) => a.misfit - Math.log(a.share) - b.misfit + Math.log(b.share))
}

/** What a shift of one standard deviation adds to each observation. */
export const patternOf = (
  observations: readonly Observation[],
  { display, atS }: Pick<ShiftTime, 'display' | 'atS'>,
): number[] => observations.map(one => (one.display === display && one.atS >= atS ? SHIFT_SPREAD_RH : 0))

/** How far the readings of one display stand apart before and after a time: the middles of a few on each side. */
export function stepAt(observations: readonly Observation[], display: number, atS: Seconds): number {
  const of = observations.filter(one => one.display === display)
  const after = of.findIndex(one => one.atS >= atS)
  if (after <= 0) return 0
  const middle = (list: readonly Observation[]) =>
    list.map(one => one.value).sort((a, b) => a - b)[list.length >> 1]!
  return (
    middle(of.slice(after, after + STEP_READINGS)) -
    middle(of.slice(Math.max(0, after - STEP_READINGS), after))
  )
}
const STEP_READINGS = 3
