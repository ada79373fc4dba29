import type { Celsius, PercentRh } from '#units/quantity.ts'
import { inScale, scaleSlip, type TemperatureScale } from './scale-slip.ts'

/** What a reading is judged against before it is kept: where the box was thought to be. */
export interface Expectation {
  /** What the display would show by the reckoning: 5 %, 50 % and 95 % points; null while nothing is reckoned. */
  readonly rhPercent: { readonly low: number; readonly middle: number; readonly high: number } | null
  readonly nearC: readonly Celsius[]
  readonly accuracyPercentRh: PercentRh
  readonly lastRhPercent: PercentRh | null
}

export interface Typed {
  readonly rhPercent: PercentRh
  /** As typed, in the person's scale; null where it was left as it stood. */
  readonly temperature: number | null
  readonly scale: TemperatureScale
  readonly opened: boolean
}

/** A likely slip, with what may have been meant. Asked about; never changed unasked, never blocked. */
export type Slip =
  | { readonly kind: 'scale'; readonly asTypedC: Celsius; readonly otherwiseC: Celsius }
  | { readonly kind: 'swapped'; readonly rhPercent: PercentRh; readonly temperature: number }
  /** 0.34 for 34 %. */
  | { readonly kind: 'share'; readonly rhPercent: PercentRh }
  | { readonly kind: 'nothing' }
  | { readonly kind: 'turned round'; readonly rhPercent: PercentRh }
  | { readonly kind: 'jump'; readonly lowRhPercent: PercentRh; readonly highRhPercent: PercentRh }

/** Accuracies of the display a reading must lie beyond the expected range before it is asked about. */
const BEYOND = 1.5
/** A meant value lies within this many per cent RH of the expected one. */
const MEANT_WITHIN_RH = 4
const MEANT_WITHIN_K = 5

/**
 * The likeliest slip behind a reading, or null. In order: the other scale; RH and temperature in each other's field;
 * digits turned round; a jump beyond what the box could have done since last time with its lid shut.
 */
export function slipOf(typed: Typed, expected: Expectation): Slip | null {
  if (typed.rhPercent === 0) return { kind: 'nothing' }
  if (typed.rhPercent > 0 && typed.rhPercent < 1) return { kind: 'share', rhPercent: 100 * typed.rhPercent }
  const { rhPercent: range, accuracyPercentRh, nearC } = expected
  if (typed.temperature !== null) {
    const other = scaleSlip({ value: typed.temperature, scale: typed.scale, nearC })
    const swapped = range ? isSwapped(typed, expected) : isSwappedAtSight(typed)
    if (other && !swapped) return { kind: 'scale', ...other }
  }
  if (!range)
    return isSwappedAtSight(typed)
      ? { kind: 'swapped', rhPercent: typed.temperature!, temperature: typed.rhPercent }
      : null
  const margin = BEYOND * accuracyPercentRh
  const low = Math.min(range.low - margin, expected.lastRhPercent ?? range.low)
  const high = Math.max(range.high + margin, expected.lastRhPercent ?? range.high)
  if (typed.rhPercent >= low && typed.rhPercent <= high) return null
  if (isSwapped(typed, expected))
    return { kind: 'swapped', rhPercent: typed.temperature!, temperature: typed.rhPercent }
  const turned = turnedRound(typed.rhPercent)
  if (turned !== null && Math.abs(turned - range.middle) <= MEANT_WITHIN_RH)
    return { kind: 'turned round', rhPercent: turned }
  if (typed.opened) return null
  return { kind: 'jump', lowRhPercent: Math.max(0, low), highRhPercent: Math.min(100, high) }
}

/** Where nothing is known of a place yet: hotter than any room, over a humidity that is a room's temperature. */
const isSwappedAtSight = ({ rhPercent, temperature, scale }: Typed): boolean =>
  scale === 'C' &&
  temperature !== null &&
  temperature > HOTTEST_ROOM_C &&
  rhPercent >= 5 &&
  rhPercent <= HOTTEST_ROOM_C
const HOTTEST_ROOM_C = 38

/** Each number fits the other's field, in the same scale. */
function isSwapped(typed: Typed, { rhPercent: range, nearC }: Expectation): boolean {
  if (typed.temperature === null || !range || nearC.length === 0) return false
  const near = (value: number, wanted: readonly number[], within: number) =>
    wanted.some(one => Math.abs(value - one) <= within)
  const wantedTemperatures = nearC.map(celsius => inScale(celsius, typed.scale))
  const within = inScale(MEANT_WITHIN_K, typed.scale) - inScale(0, typed.scale)
  return (
    near(typed.temperature, [range.middle], 2 * MEANT_WITHIN_RH) &&
    near(typed.rhPercent, wantedTemperatures, within) &&
    !near(typed.temperature, wantedTemperatures, within) &&
    !near(typed.rhPercent, [range.middle], 2 * MEANT_WITHIN_RH)
  )
}

/** 42 for 24; null where turning changes nothing or there are not two digits. */
function turnedRound(rhPercent: PercentRh): number | null {
  if (!Number.isInteger(rhPercent) || rhPercent < 10 || rhPercent > 99) return null
  const turned = (rhPercent % 10) * 10 + Math.floor(rhPercent / 10)
  return turned === rhPercent ? null : turned
}
