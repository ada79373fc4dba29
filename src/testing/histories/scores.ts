import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'

/** What was said of a history on its last day, in days from then, and what came. Never is the horizon's end. */
export interface Said {
  readonly lowDays: number
  readonly middleDays: number
  readonly highDays: number
  readonly cameDays: number
}

export const HORIZON_DAYS = 400
/** Dates are told in whole days. */
const HALF_A_DAY = 0.5

export const cameDays = (leftS: number | null, nowS: number): number =>
  leftS === null ? HORIZON_DAYS : Math.min(HORIZON_DAYS, daysFromSeconds(leftS - nowS))

/** A box that is surely over, or surely good beyond the horizon, says nothing of a range. */
export const isOpen = ({ lowDays, highDays }: Said): boolean =>
  highDays - lowDays >= 1 && lowDays < HORIZON_DAYS - 1

/** Where the late end is the horizon, nothing can come after it. */
export const isHeld = ({ lowDays, highDays, cameDays: came }: Said): boolean =>
  came >= lowDays - HALF_A_DAY && (highDays >= HORIZON_DAYS - 1 || came <= highDays + HALF_A_DAY)

export const isEarly = ({ lowDays, cameDays: came }: Said): boolean => came < lowDays - HALF_A_DAY

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** How many times further off the date came than the middle said, by the median. */
export const biasOf = (said: readonly Said[]): number =>
  Math.exp(median(said.map(one => Math.log((one.cameDays + 1) / (one.middleDays + 1)))))

/** Mean pinball loss of the 10, 50 and 90 % points, days. Source: Koenker & Bassett 1978 (from memory). */
export const pinballDays = (said: readonly Said[]): number =>
  mean(
    said.map(({ lowDays, middleDays, highDays, cameDays: came }) =>
      mean(
        (
          [
            [0.1, lowDays],
            [0.5, middleDays],
            [0.9, highDays],
          ] as const
        ).map(([share, at]) => (came >= at ? share * (came - at) : (1 - share) * (at - came))),
      ),
    ),
  )

/** Mean width of the 80 % range, and ten times each miss. Source: Winkler 1972 (from memory), α = 0.2. */
export const winklerDays = (said: readonly Said[]): number =>
  mean(
    said.map(
      ({ lowDays, highDays, cameDays: came }) =>
        highDays - lowDays + 10 * Math.max(0, lowDays - came, came - highDays),
    ),
  )

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

/** Days until the straight line through the last four settled readings meets the target; the horizon where it never does. */
export function straightLineDays({ readings, nowS, targetRhPercent }: BoxFacts): number | null {
  const last = readings.filter(reading => reading.settled).slice(-4)
  if (last.length < 2) return null
  const x = last.map(reading => daysFromSeconds(reading.atS - nowS))
  const y = last.map(reading => reading.relativeHumidityPercent)
  const [mx, my] = [mean(x), mean(y)]
  const sxx = x.reduce((sum, value) => sum + (value - mx) ** 2, 0)
  const slope = sxx > 0 ? x.reduce((sum, value, i) => sum + (value - mx) * (y[i]! - my), 0) / sxx : 0
  const atNow = my - slope * mx
  if (atNow >= targetRhPercent!) return 0
  return slope > 0 ? Math.min(HORIZON_DAYS, (targetRhPercent! - atNow) / slope) : HORIZON_DAYS
}

/** Days until these beads have stood as long as the ones before; null where there were none before. */
export function asLastTimeDays({ charges, fromS, nowS }: BoxFacts): number | null {
  const renewedS = charges
    .flatMap(charge => [charge.inS, ...charge.heatings.map(heating => heating.atS)])
    .filter(atS => atS <= nowS)
    .sort((a, b) => a - b)
  if (renewedS.length < 2) return null
  const [before, last] = renewedS.slice(-2) as [number, number]
  return Math.max(0, daysFromSeconds(last + (last - Math.max(before, fromS)) - nowS))
}

/**
 * A date alone made a range: the one factor to either side with which eight in ten are held, found afterwards. No
 * person could know it: it flatters the date.
 */
export function asRanges(dates: readonly { readonly days: number; readonly cameDays: number }[]): Said[] {
  const misses = dates
    .map(({ days, cameDays: came }) => Math.abs(Math.log((came + 1) / (days + 1))))
    .sort((a, b) => a - b)
  const factor = Math.exp(misses[Math.floor(0.8 * misses.length)] ?? 0)
  return dates.map(({ days, cameDays: came }) => ({
    lowDays: (days + 1) / factor - 1,
    middleDays: days,
    highDays: Math.min(HORIZON_DAYS, (days + 1) * factor - 1),
    cameDays: came,
  }))
}

export const inDays = (atS: number, nowS: number): number => (atS - nowS) / secondsFromDays(1)
