import type { Seconds } from '#units/quantity.ts'
import { daysFromSeconds } from '#units/time.ts'

/** A day at the oven is taken at its noon. */
const NOON = 0.5

/** Where fresh beads are sure for less than this they are never sure for long, and the middle date is taken. */
export const SHORT_DAYS = 28

/** Beads are not renewed more often than this: where they hold for less, heating them oftener brings days, not weeks. */
export const LEAST_DAYS = 14

interface Held {
  readonly dayS: Seconds
  readonly heldS: readonly { readonly share: number; readonly heldS: Seconds }[]
}

/** Of shares in rising order, the value at one; the nearest where it is not among them. */
export function valueAtShare<T extends { readonly share: number }>(shares: readonly T[], share: number): T {
  return shares.reduce((best, one) =>
    Math.abs(one.share - share) < Math.abs(best.share - share) ? one : best,
  )
}

/**
 * Days that beads put in fresh at a time hold, by the share of draws that leave sooner: in a straight line between the days
 * it was worked out for, since only the season changes in between.
 * @param holds at least one, in order of their days
 */
export function freshHeldDays(holds: readonly Held[], atS: Seconds, share: number): number {
  const held = (one: Held) => daysFromSeconds(valueAtShare(one.heldS, share).heldS)
  const next = holds.findIndex(one => one.dayS >= atS)
  if (next < 0) return held(holds.at(-1)!)
  if (next === 0) return held(holds[0]!)
  const [before, after] = [holds[next - 1]!, holds[next]!]
  const part = (atS - before.dayS) / (after.dayS - before.dayS)
  return held(before) + part * (held(after) - held(before))
}

/**
 * The share of draws that may leave sooner, of a box with so much certainty asked: where even fresh beads would be sure for
 * less than four weeks, the middle. The early date would have them heated weekly for a few days a year; measured on forty
 * boxes over a year (docs/validation/results.md).
 * @param sure 0.5…0.95
 */
export const shareThatMayLeave = (fresh: readonly Held[], sure: number): number =>
  freshHeldDays(fresh, fresh[0]!.dayS, mayLeave(sure)) < SHORT_DAYS ? 0.5 : mayLeave(sure)

/** When beads of a box were last heated; -Infinity: not known. */
export const lastHeatedS = (
  charges: readonly { readonly heatings: readonly { readonly atS: Seconds }[] }[],
): Seconds =>
  charges.flatMap(charge => charge.heatings).reduce((last, { atS }) => Math.max(last, atS), -Infinity)

/** Fresh beads that leave within this with four draws of five do not hold. */
const LEAST_HELD_DAYS = 3

/**
 * Whether fresh beads hold the box at all: only a box that four draws of five give up is one that heating does not help.
 * The middle would leave out boxes on the doubt of one reading, and take them up again the week after.
 */
export const freshBeadsHold = (fresh: readonly Held[]): boolean =>
  freshHeldDays(fresh, fresh[0]!.dayS, 0.8) >= LEAST_HELD_DAYS

export const mayLeave = (sure: number): number => Number((1 - sure).toFixed(2))

/**
 * The last day on which it still holds, counted from the day that began at `todayS`; -1: it is over now. Beads heated of
 * late wait out their fortnight, whatever a new reading makes of their date: it was planned so, and heating again brings
 * days only.
 * @param leavesS when it leaves its target
 * @param heatedS when its beads were last heated; -Infinity: not known
 */
export const lastDayHeld = (leavesS: Seconds, todayS: Seconds, heatedS: Seconds): number =>
  Math.max(-1, Math.floor(daysFromSeconds(leavesS - todayS) - NOON), restsUntilDay(heatedS, todayS))

/** The day until which beads heated at a time are left alone. */
export const restsUntilDay = (heatedS: Seconds, todayS: Seconds): number =>
  Math.floor(daysFromSeconds(heatedS - todayS)) + LEAST_DAYS

/** Days that beads put in fresh hold by the share that may leave: by the middle where these are never sure for long. */
export function surelyHeldDays(fresh: readonly Held[], atS: Seconds, share: number): number {
  const held = freshHeldDays(fresh, atS, share)
  return held < SHORT_DAYS ? freshHeldDays(fresh, atS, 0.5) : held
}

/** The last day on which beads put in fresh on a day need no other; a fortnight at the least. */
export const lastDayFreshHeld = (
  fresh: readonly Held[],
  { day, todayS, share }: { readonly day: number; readonly todayS: Seconds; readonly share: number },
): number =>
  Math.floor(day + Math.max(LEAST_DAYS, surelyHeldDays(fresh, todayS + (day + NOON) * 86_400, share)))
