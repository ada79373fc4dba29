import type { Grams, PercentRh, Seconds, WeightPercent } from '#units/quantity.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { secondsFromDays, secondsFromHours } from '#units/time.ts'
import { firstPassing, type Passing } from '../ask/spool-time.ts'
import { lengthM } from '../filament/rings.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { tell, type Leg, type SpoolLifeFacts, type Told } from './life.ts'
import { cornersOf, materialOf, type OwnMake, type Telling } from './telling.ts'
import type { StandingAir } from './spool-report.ts'

/** A spool as it stands, and the air it is to stand or print in. */
export interface StandingSpool {
  readonly spool: SpoolLifeFacts['spool']
  readonly filamentG: Grams
  /** RH each ring is in balance with, from the outside in. */
  readonly ringsRhPercent: readonly PercentRh[]
  readonly air: StandingAir
  readonly limitPercent: WeightPercent
  /** What the scale told of this spool while it dried; left out: as its make usually is. */
  readonly own?: OwnMake
}

const LOOKS_AHEAD_S = secondsFromDays(200)
const POINTS = 160

const standing = (
  at: StandingSpool,
  untilS: Seconds,
  more: Partial<SpoolLifeFacts>,
  points?: number,
): SpoolLifeFacts => {
  const { rhPercent, temperatureC } = at.air
  const leg: Leg = {
    untilS,
    temperatureC,
    air: [{ atS: 0, temperatureC, rhPercent: { low: rhPercent, middle: rhPercent, high: rhPercent } }],
    ...(points === undefined ? {} : { points }),
  }
  return {
    spool: at.spool,
    filamentG: at.filamentG,
    cardboardG: 0,
    start: { low: at.ringsRhPercent, high: at.ringsRhPercent },
    fromS: 0,
    legs: [leg],
    prints: [],
    ...more,
  }
}

/** Its course in this air: in the middle, then with every corner of what is not known of it. @returns null where a run did not finish */
export function coursesInAir(
  at: StandingSpool,
  { nextG, aheadS, points }: { readonly nextG: Grams; readonly aheadS: Seconds; readonly points: number },
): [Told, ...Told[]] | null {
  const facts = standing(at, aheadS, { nextG }, points)
  const [middle, ...corners] = cornersOf(at.own).map(one => tell(facts, one))
  return middle && corners.every(one => one !== null) ? [middle, ...corners] : null
}

/** When a print of so many grams would first suffer, if the spool stands idle in this air until then. */
export interface IdleClock {
  /** null: never within two hundred days. */
  readonly earlyS: Seconds | null
  readonly usualS: Seconds | null
  readonly lateS: Seconds | null
  readonly passing: Passing | null
  readonly fromPercent: WeightPercent
  readonly endsAtPercent: WeightPercent
}

/**
 * Idle: judged on the mean over the full strand of the grams the print takes.
 * @param nextG of the print, more than 0 @returns null where a run did not finish
 */
export function idleClock(at: StandingSpool, nextG: Grams): IdleClock | null {
  const courses = coursesInAir(at, { nextG, aheadS: LOOKS_AHEAD_S, points: POINTS })
  if (!courses) return null
  const [middle, ...corners] = courses
  const passing = firstPassing(middle.atS, middle.next, at.limitPercent)
  const startsBelow = middle.next[0]! < at.limitPercent
  // a make that starts beyond the limit has passed it already
  const timeOf = (told: Told): number =>
    told.next[0]! < at.limitPercent !== startsBelow
      ? 0
      : (firstPassing(told.atS, told.next, at.limitPercent)?.atS ?? Infinity)
  const usual = passing?.atS ?? Infinity
  const all = [usual, ...corners.map(timeOf)]
  const finite = (seconds: number) => (seconds === Infinity ? null : seconds)
  return {
    earlyS: finite(all.reduce((least, one) => Math.min(least, one))),
    usualS: finite(usual),
    lateS: finite(all.reduce((most, one) => Math.max(most, one))),
    passing,
    fromPercent: middle.next[0]!,
    endsAtPercent: equilibriumMoisturePercent(
      materialOf(at.spool.material, cornersOf(at.own)[0]),
      at.air.rhPercent,
    ),
  }
}

/** What a print of so many grams over so many hours takes through the nozzle, from the first metre to the last. */
export interface PrintClock {
  /** What there is of it, where the spool has less. */
  readonly grams: Grams
  /** Metres past the limit as they are printed, of so many. */
  readonly pastM: { readonly low: number; readonly middle: number; readonly high: number }
  readonly lengthM: number
  /** When the first and the last of them go through; null where none is. */
  readonly firstPastS: Seconds | null
  readonly lastPastS: Seconds | null
  readonly meanPercent: WeightPercent
  readonly worstPercent: WeightPercent
  /** Moisture of what goes through, from the beginning to the end. */
  readonly course: readonly { readonly atS: Seconds; readonly percent: WeightPercent }[]
}

const SLICES = 30

/**
 * While it prints the front moves inwards with what is used: each slice is judged by itself, as it goes through.
 * @param print grams more than 0, hours more than 0 @returns null where a run did not finish
 */
export function printClock(
  at: StandingSpool,
  print: { readonly grams: Grams; readonly hours: number },
): PrintClock | null {
  const grams = Math.min(print.grams, at.filamentG - 1)
  if (!(grams > 0)) return null
  const untilS = secondsFromHours(print.hours)
  // each slice is taken at the middle of its time
  const prints = Array.from({ length: SLICES }, (_, i) => ({
    atS: (untilS * (i + 0.5)) / SLICES,
    grams: grams / SLICES,
  }))
  const facts = standing(at, untilS, { prints })
  const courseOf = (telling: Telling) =>
    tell(facts, telling)?.printed.map(({ atS, grams: taken, waterG }) => ({
      atS,
      percent: percentFromFraction(waterG / taken),
    })) ?? null
  const [usual, ...others] = cornersOf(at.own)
  const course = courseOf(usual)
  const corners = others.map(courseOf)
  if (!course || corners.some(one => one === null)) return null
  const { material, diameterMm } = at.spool
  const all = lengthM(material, diameterMm, grams)
  const past = (of: NonNullable<typeof course>) => of.filter(({ percent }) => percent > at.limitPercent)
  const metres = (of: NonNullable<typeof course>) => (past(of).length / SLICES) * all
  const pastHere = past(course)
  const each = [course, ...corners.map(one => one!)].map(metres)
  return {
    grams,
    pastM: {
      low: each.reduce((least, one) => Math.min(least, one)),
      middle: metres(course),
      high: each.reduce((most, one) => Math.max(most, one)),
    },
    lengthM: all,
    firstPastS: pastHere[0]?.atS ?? null,
    lastPastS: pastHere.at(-1)?.atS ?? null,
    meanPercent: course.reduce((sum, one) => sum + one.percent, 0) / SLICES,
    worstPercent: course.reduce((most, one) => Math.max(most, one.percent), 0),
    course,
  }
}

export interface PrintAsked {
  readonly at: StandingSpool
  readonly grams: Grams
  /** How long it prints; null: only how long it may wait. */
  readonly hours: number | null
}
export interface PrintFound {
  readonly idle: IdleClock
  readonly print: PrintClock | null
}

/** Both clocks of one print. @returns null where a run did not finish, or there is nothing to print with */
export function printFound({ at, grams, hours }: PrintAsked): PrintFound | null {
  const idle = idleClock(at, grams)
  const print = hours === null ? null : printClock(at, { grams, hours })
  return idle === null || (hours !== null && print === null) ? null : { idle, print }
}
