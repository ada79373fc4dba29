import type { Celsius, PercentRh, Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { backward, cholesky, forward } from '../cholesky.ts'
import { newEachTimeRh, OFFSET_SHARE } from './offset-share.ts'
import { saltRhPercent, SALTS, type SaltId } from '../air/salts.ts'

/** Displays that stood in the same air for a while: in one bag, or over a salt whose humidity is known. */
export interface DisplayCheck {
  readonly atS: Seconds
  readonly air: 'bag' | SaltId
  readonly temperatureC: Celsius
  readonly waitedHours: number
  readonly shown: readonly { readonly displayId: string; readonly rhPercent: PercentRh }[]
}

/** How far a display is believed to be off at a time. */
export interface DisplayError {
  /** It shows so much more than the air holds, where the air holds `PIVOT_RH`. */
  readonly offsetRh: number
  /** And so much more again for each per cent the air is damper than that. */
  readonly perRh: number
  /** Of what it is off at the pivot, one standard deviation. */
  readonly sigmaRh: number
}

/** Where storage targets lie: a display's error is told there, and its slope turns about it. */
export const PIVOT_RH: PercentRh = 25
/** Of a slope, per % RH and per ± % of accuracy, one standard deviation: a ±5 display is 1.5 off over 50 %. Common practice. */
const SLOPE_SPREAD = 0.006
/** An offset forgets itself over years: about 0.6 of itself anew each year. Common practice; sensors age. */
const MEMORY_S = secondsFromDays(5 * 365)
/** What a display shows beside its offset: whole per cent, and the part of the bag it lies in. */
const LOOK_RH = 0.7
/** A bag may hold any air. */
const BAG_SPREAD_RH = 30
/** Displays come from the room's air to the new one's with this time constant; a jar of slurry has to fill its air first. */
const SETTLES_HOURS = { bag: 0.25, salt: 3 } as const
const FROM_ROOM_RH = 20
/** How long to wait, so that a fifth of a per cent is left at most. */
export const WAIT_HOURS = { bag: 1, salt: 12 } as const

export const waitHours = (air: DisplayCheck['air']): number => WAIT_HOURS[air === 'bag' ? 'bag' : 'salt']

/** What is not there yet when one looks too soon, % RH, one standard deviation. */
const leftRh = ({ air, waitedHours }: DisplayCheck): number =>
  FROM_ROOM_RH * Math.exp(-waitedHours / SETTLES_HOURS[air === 'bag' ? 'bag' : 'salt'])

interface Seen {
  readonly check: number
  readonly displayId: string
  readonly atS: Seconds
  /** Beyond what is taken for the air. */
  readonly beyondRh: number
  readonly fromPivotRh: number
  /** Of what all displays of a check share, and of what each has of its own. */
  readonly sharedRh: number
  readonly ownRh: number
}

/**
 * Every display's error, from all checks together: each has an offset that wanders over years and a slope; displays of
 * one bag share an air nobody knows. One Gaussian over all of it (Rasmussen & Williams, Gaussian Processes, 2006, ch. 2).
 * @param accuracyRh of each display as its maker has it, ± as two standard deviations
 * @returns null for a display that was never checked
 */
export function displayErrors(
  accuracyRh: ReadonlyMap<string, PercentRh>,
  checks: readonly DisplayCheck[],
): (displayId: string, atS: Seconds) => DisplayError | null {
  const seen = checks.flatMap((check, index) => seenAt(check, index, accuracyRh))
  const n = seen.length
  const prior = (displayId: string) => {
    const accuracy = accuracyRh.get(displayId) ?? 0
    return {
      offset: (OFFSET_SHARE * (accuracy / 2)) ** 2,
      slope: (SLOPE_SPREAD * accuracy) ** 2,
    }
  }
  const kept = (a: Seconds, b: Seconds) => Math.exp(-Math.abs(a - b) / MEMORY_S)
  const covariance = new Float64Array(n * n)
  seen.forEach((a, i) =>
    seen.forEach((b, j) => {
      const { offset, slope } = prior(a.displayId)
      covariance[i * n + j] =
        (a.displayId === b.displayId
          ? offset * kept(a.atS, b.atS) + slope * a.fromPivotRh * b.fromPivotRh
          : 0) +
        (a.check === b.check ? a.sharedRh ** 2 : 0) +
        (i === j ? a.ownRh ** 2 : 0)
    }),
  )
  const lower = cholesky(covariance, n)
  if (!lower) return () => null
  const solve = (b: ArrayLike<number>) => backward(lower, n, forward(lower, n, b))
  const weights = solve(seen.map(item => item.beyondRh))
  const checked = new Set(seen.map(item => item.displayId))
  return (displayId, atS) => {
    if (!checked.has(displayId)) return null
    const { offset, slope } = prior(displayId)
    const ofOffset = seen.map(item => (item.displayId === displayId ? offset * kept(item.atS, atS) : 0))
    const ofSlope = seen.map(item => (item.displayId === displayId ? slope * item.fromPivotRh : 0))
    const dot = (a: ArrayLike<number>, b: readonly number[]) => b.reduce((sum, x, i) => sum + x * a[i]!, 0)
    return {
      offsetRh: dot(weights, ofOffset),
      perRh: dot(weights, ofSlope),
      sigmaRh: Math.sqrt(Math.max(0, offset - dot(solve(ofOffset), ofOffset))),
    }
  }
}

function seenAt(check: DisplayCheck, index: number, accuracyRh: ReadonlyMap<string, PercentRh>): Seen[] {
  const shown = check.shown.filter(({ displayId }) => accuracyRh.has(displayId))
  if (shown.length === 0) return []
  const known = check.air === 'bag' ? null : saltRhPercent(check.air, check.temperatureC)
  // of a bag the air is what its displays show in the middle, give or take a lot
  const airRh = known ?? shown.reduce((sum, { rhPercent }) => sum + rhPercent, 0) / shown.length
  const sharedRh = Math.hypot(
    check.air === 'bag' || known === null ? BAG_SPREAD_RH : SALTS[check.air].errorRhPercent / 2,
    leftRh(check),
  )
  return shown.map(({ displayId, rhPercent }) => ({
    check: index,
    displayId,
    atS: check.atS,
    beyondRh: rhPercent - airRh,
    fromPivotRh: airRh - PIVOT_RH,
    sharedRh,
    ownRh: LOOK_RH,
  }))
}

/** What the air holds when a display with this error shows so much, % RH within 0 … 100. */
export function truePercent(shownRhPercent: PercentRh, error: DisplayError): PercentRh {
  const rhPercent = PIVOT_RH + (shownRhPercent - PIVOT_RH - error.offsetRh) / (1 + error.perRh)
  return Math.min(100, Math.max(0, rhPercent))
}

/** What it would show in air of so much: the way back. */
export const shownPercent = (rhPercent: PercentRh, error: DisplayError): PercentRh =>
  Math.min(100, Math.max(0, rhPercent + error.offsetRh + error.perRh * (rhPercent - PIVOT_RH)))

/** ± that a checked display has left: what is not known of its offset, and what is new at each look. */
export const leftAccuracyRh = (accuracyRh: PercentRh, { sigmaRh }: DisplayError): PercentRh =>
  Math.min(accuracyRh, 2 * Math.hypot(sigmaRh, newEachTimeRh(accuracyRh)))
