import type { Seconds } from '#units/quantity.ts'
import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import type { Contradiction } from './contradiction.ts'
import type { LeaveDates } from './forecast.ts'
import { SURE_OF_A_CAUSE, type Wrong } from './wrong.ts'

/** Whether a date may be shown, and if not, why not. */
export type DateStanding =
  | { readonly is: 'shown' }
  /** The readings fit no account, or only one in which the display is wrong. */
  | { readonly is: 'withdrawn'; readonly why: 'contradiction' | 'display' }
  /** The range is too wide to act by: when to read it again. */
  | { readonly is: 'not known yet'; readonly readAgainS: Seconds }

/** The late end may be so many times as far off as the early one, a day added to each. */
const WIDEST = 4
/** However wide, nothing has to be done before this. */
const FAR_S = secondsFromDays(60)
const SOONEST_DAYS = 3
const LATEST_DAYS = 14

/** The standing of a forecast's date. A box that is certain to be over has one: today. */
export function dateStanding(
  leaves: Pick<LeaveDates, 'spread'>,
  nowS: Seconds,
  contradiction: Contradiction | null,
  wrong: readonly Wrong[],
): DateStanding {
  if (contradiction) return { is: 'withdrawn', why: 'contradiction' }
  const [first] = wrong
  if (first?.cause === 'display' && first.share >= SURE_OF_A_CAUSE) return { is: 'withdrawn', why: 'display' }
  const { low, middle, high } = leaves.spread
  const lowDays = daysFromSeconds(low - nowS)
  const highDays = daysFromSeconds(high - nowS)
  if (low - nowS >= FAR_S || (highDays + 1) / (lowDays + 1) <= WIDEST) return { is: 'shown' }
  return { is: 'not known yet', readAgainS: readAgainS(middle, nowS) }
}

/** When the next reading tells most: a quarter of the way to the middle date, three to fourteen days off. */
export const readAgainS = (middleS: Seconds, nowS: Seconds): Seconds =>
  nowS + secondsFromDays(Math.min(LATEST_DAYS, Math.max(SOONEST_DAYS, daysFromSeconds(middleS - nowS) / 4)))
