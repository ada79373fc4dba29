import type { Celsius, Grams, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { hoursFromSeconds, secondsFromDays } from '#units/time.ts'
import { intakeDewPointNeeded, leastDryingTemperature, type IntakeAir } from '../ask/heated-air.ts'
import { firstPassing, type Passing } from '../ask/spool-time.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { bakingKWh } from '../renewal/baking.ts'
import { asTold, DIAL_STEP_C, hasDial, heatAt, type Heat, type HeatSource } from '../renewal/heat-source.ts'
import { dryerRhPercent, type DryingAir } from './drying-air.ts'
import { cornersOf, materialOf, type Ranged } from './telling.ts'
import { coursesInAir, type StandingSpool } from './print-clock.ts'
import { refusedDrying, spoolLimits, type DryingRefusal, type HeatedParts } from './spool-limits.ts'

/** A spool, a source and its setting, in the air of a room. */
export interface DryAsked {
  readonly at: Omit<StandingSpool, 'air' | 'limitPercent'>
  readonly parts: HeatedParts
  readonly source: HeatSource
  readonly dialC: Celsius
  readonly air: DryingAir
  readonly intake: IntakeAir
  /** What its next print takes. */
  readonly nextG: Grams
}

/** Hours until a part of it is down at a limit; null: never within a week. */
export interface HoursTo {
  readonly early: number | null
  readonly usual: number | null
  readonly late: number | null
  /** Between which points of the middle course; null where it is there already, or never. */
  readonly passing: Passing | null
}

export interface DryFound {
  readonly heat: Heat
  readonly refused: readonly DryingRefusal[]
  /** RH about the spool; null where the air is shut in. */
  readonly rhPercent: Ranged | null
  /** What mean and outer turns head for, however long. */
  readonly endsAtPercent: Ranged | null
  /** The air can bring it down to what prints bear, and to clean. */
  readonly canUsable: boolean
  readonly canClean: boolean
  readonly next: { readonly usable: HoursTo; readonly clean: HoursTo }
  readonly mean: { readonly usable: HoursTo; readonly clean: HoursTo }
  /** Of the middle, hour by hour. */
  readonly course: readonly {
    readonly hours: number
    readonly nextPercent: WeightPercent
    readonly meanPercent: WeightPercent
  }[]
  /** What would do, where this does not: the least heat in this room, °C, and the dew point its air may have; NaN: none. */
  readonly leastC: Celsius
  readonly dewPointC: Celsius
  /** For the hours until the next print is clean, or usable where it never is; null where it is neither. */
  readonly hours: number | null
  readonly kWh: number | null
  readonly waterOutG: Grams | null
}

/** A week: longer nobody leaves a dryer on. */
const AHEAD_S = secondsFromDays(7)
const POINTS = 200

/**
 * Can this dryer, in this room, dry it? Each spool heads for the equilibrium at the heated air's RH, however long it stays.
 * @returns null where a run did not finish
 */
export function dryThese(asked: DryAsked): DryFound | null {
  const { at, source, intake, air, nextG } = asked
  const { material } = at.spool
  const heat = heatAt(source, asked.dialC)
  const heatedC = heat.middleC
  const refused = refusedDrying({ ...asked, material, kind: source.kind, heat })
  const rhPercent = dryerRhPercent(air, intake, heatedC)
  const usablePercent = material.troubleAbovePercent ?? material.cleanBelowPercent
  const cleanPercent = material.cleanBelowPercent
  // this spool may hold more or less than its make does
  const own = materialOf(material, cornersOf(at.own)[0])
  const common = {
    heat,
    refused,
    rhPercent,
    leastC: leastDryingTemperature(own, intake, usablePercent).value,
    dewPointC: intakeDewPointNeeded(own, heatedC, usablePercent).value,
  }
  const never: HoursTo = { early: null, usual: null, late: null, passing: null }
  if (rhPercent === null)
    return {
      ...common,
      endsAtPercent: null,
      canUsable: false,
      canClean: false,
      next: { usable: never, clean: never },
      mean: { usable: never, clean: never },
      course: [],
      hours: null,
      kWh: null,
      waterOutG: null,
    }
  const endsAt = (rh: number) => equilibriumMoisturePercent(own, rh)
  const endsAtPercent = {
    low: endsAt(rhPercent.low),
    middle: endsAt(rhPercent.middle),
    high: endsAt(rhPercent.high),
  }
  const courses = coursesInAir(
    { ...at, air: { temperatureC: heatedC, rhPercent: rhPercent.middle }, limitPercent: usablePercent },
    { nextG, aheadS: AHEAD_S, points: POINTS },
  )
  if (!courses) return null
  const [middle] = courses
  const hoursTo = (part: 'next' | 'mean', limit: WeightPercent): HoursTo => {
    const times = courses.map(told => {
      const values = told[part]
      return values[0]! <= limit ? 0 : (firstPassing(told.atS, values, limit)?.atS ?? Infinity)
    })
    const hours = (seconds: number) => (seconds === Infinity ? null : hoursFromSeconds(seconds))
    return {
      early: hours(times.reduce((least, one) => Math.min(least, one))),
      usual: hours(times[0]!),
      late: hours(times.reduce((most, one) => Math.max(most, one))),
      passing: middle[part][0]! <= limit ? null : firstPassing(middle.atS, middle[part], limit),
    }
  }
  const next = { usable: hoursTo('next', usablePercent), clean: hoursTo('next', cleanPercent) }
  const hours = next.clean.usual ?? next.usable.usual
  const waterOutG =
    hours === null
      ? null
      : Math.max(
          0,
          fractionFromPercent(middle.mean[0]! - valueAt(middle.atS, middle.mean, hours)) * at.filamentG,
        )
  return {
    ...common,
    endsAtPercent,
    canUsable: endsAtPercent.middle <= usablePercent,
    canClean: endsAtPercent.middle <= cleanPercent,
    next,
    mean: { usable: hoursTo('mean', usablePercent), clean: hoursTo('mean', cleanPercent) },
    course: middle.atS.map((s, i) => ({
      hours: hoursFromSeconds(s),
      nextPercent: middle.next[i]!,
      meanPercent: middle.mean[i]!,
    })),
    hours,
    waterOutG,
    kWh:
      hours === null
        ? null
        : bakingKWh(source, {
            heat,
            roomC: intake.temperatureC,
            minutes: hours * 60,
            waterG: waterOutG ?? 0,
          }),
  }
}

function valueAt(atS: readonly number[], values: readonly number[], hours: number): number {
  const after = atS.findIndex(s => hoursFromSeconds(s) >= hours)
  return values[after < 0 ? values.length - 1 : after]!
}

/** Two schools: well below where it softens, at the least heat its material is dried at; or as hot as all parts stand. */
export type School = 'gentle' | 'hot'

/**
 * The setting of a school, in the dial's own steps.
 * @returns null where even the lowest setting is too hot
 */
export function dialOf(school: School, asked: Pick<DryAsked, 'at' | 'parts' | 'source'>): Celsius | null {
  const { source, parts } = asked
  const { material } = asked.at.spool
  const { lowestC, highestC } = asTold(source)
  const [least] = spoolLimits(material, parts)
  const isWithin = (dialC: Celsius) => {
    const { middleC, mostC } = heatAt(source, dialC)
    return mostC <= least!.mostC && (school === 'hot' || middleC <= material.dryAtC[0] + DIAL_STEP_C / 2)
  }
  if (!hasDial(source.kind)) return isWithin(lowestC) ? lowestC : null
  let best: Celsius | null = isWithin(lowestC) ? lowestC : null
  for (let dialC = Math.ceil(lowestC / DIAL_STEP_C) * DIAL_STEP_C; dialC <= highestC; dialC += DIAL_STEP_C)
    if (isWithin(dialC)) best = dialC
  return best
}
