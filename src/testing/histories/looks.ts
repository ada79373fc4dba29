import { daysFromSeconds, secondsFromDays, secondsFromHours } from '#units/time.ts'
import type { RandomSource } from '#core/estimate/random.ts'
import type { ChargeFacts, ReadingFacts } from '#core/evidence/facts.ts'
import type { ChargeModel } from '#core/model/box-model.ts'
import type { RoomReading } from '#core/room/climate.ts'
import { between, pick } from './setting.ts'
import type { Twist } from './twist.ts'
import { WEATHER_STEP_S } from './weather.ts'

/** How a box is read: so many times over its history, or by a logger every hour. */
export type Pace = 'under ten' | 'ten and more' | 'thirty and more' | 'hourly' | 'daily'

const LOGGED_DAYS = 50

/** How long a box has stood, and when its beads were renewed. */
export interface Plan {
  readonly days: number
  readonly renewedAfterDays: readonly number[]
}

/** One display, or two in turn; each errs its own way, drifts a little, shows whole per cent and nothing under its floor. */
export function displays(
  random: RandomSource,
  fromS: number,
  twist: Twist,
  atShare: (share: number) => number,
) {
  const make = (displayId: string) => ({
    displayId,
    offsetRh: 2 * random.normal(),
    driftRhPerMonth: 0.15 * random.normal(),
    offsetC: 0.4 * random.normal(),
  })
  const own = [make('a'), make('b')]
  const isMixed = random.uniform() < 0.35
  const carried = make('room')
  const isHourlySteady = random.uniform()
  const noise = () => 1.5 * random.normal()
  const halves = (value: number) => Math.round(2 * value) / 2
  return {
    show(atS: number, rhPercent: number, temperatureC: number): Omit<ReadingFacts, 'settled'> {
      const one = own[isMixed && random.uniform() < (isHourlySteady > 0.5 ? 0.3 : 0.5) ? 1 : 0]!
      const months = daysFromSeconds(atS - fromS) / 30.44
      const drift = (one.driftRhPerMonth + (twist.driftRhPercentPerMonth ?? 0)) * months
      const shifted =
        one === own[0] && twist.shifted && atS >= atShare(twist.shifted.atShare) ? twist.shifted.rhPercent : 0
      const shown = Math.round(rhPercent + one.offsetRh + drift + shifted + noise())
      return {
        atS,
        temperatureC: halves(temperatureC + one.offsetC + 0.2 * random.normal()),
        relativeHumidityPercent: Math.min(99, Math.max(10, shown)),
        displayId: one.displayId,
      }
    },
    showRoom: (atS: number, rhPercent: number, temperatureC: number): RoomReading => ({
      atS,
      temperatureC: halves(temperatureC + carried.offsetC),
      relativeHumidityPercent: Math.min(
        99,
        Math.max(10, Math.round(rhPercent + carried.offsetRh + 1.5 * random.normal())),
      ),
    }),
  }
}

/** When the box is looked at: by day, as evenly as people are, or by a logger on the hour. */
export function timesOf(random: RandomSource, pace: Pace, plan: Plan, fromS: number, nowS: number): number[] {
  if (pace === 'hourly') {
    const startS = Math.max(fromS, nowS - secondsFromDays(LOGGED_DAYS))
    const hours = Math.floor((nowS - startS) / 3600)
    return Array.from({ length: hours }, (_, i) => startS + secondsFromHours(i + 1))
  }
  const everyDay = Math.floor(plan.days)
  const count = {
    'under ten': Math.round(between(random, 1, 9)),
    'ten and more': Math.round(between(random, 10, 29)),
    'thirty and more': Math.round(between(random, 30, 80)),
    daily: Math.min(60, everyDay),
  }[pace]
  const times = Array.from({ length: count }, (_, i) => {
    const share = (i + 1 - 0.35 * random.uniform()) / count
    return fromS + share * (nowS - fromS)
  })
  // nobody reads at night, but where the history is shorter than its readings
  return times
    .map(atS =>
      count > everyDay ? atS : Math.floor(atS / 86_400) * 86_400 + secondsFromHours(between(random, 8, 22)),
    )
    .filter(atS => atS > fromS + 7200 && atS <= nowS)
    .sort((a, b) => a - b)
}

/** Beads on a kitchen scale, now and then: a gram is a gram, and the tin was weighed once. */
export function weigh(
  random: RandomSource,
  told: readonly ChargeFacts[],
  real: readonly ChargeModel[],
  nodes: readonly (number | null)[],
  run: { readonly waterG: Float64Array; readonly atS: Float64Array },
  fromS: number,
  nowS: number,
): ChargeFacts[] {
  const scaleErrorG = pick(random, [0.1, 0.5, 1])
  const width = run.waterG.length / run.atS.length
  return told.map((charge, i) => {
    const tareG = scaleErrorG * random.normal()
    const untilS = Math.min(charge.outS ?? nowS, nowS)
    const times = Array.from({ length: 1 + Math.floor(3 * random.uniform()) }, () =>
      between(random, charge.inS + 86_400, Math.max(untilS - 3600, charge.inS + 90_000)),
    )
      .filter(atS => atS < untilS)
      .sort((a, b) => a - b)
    return {
      ...charge,
      weighings: times.map(atS => {
        const row = Math.max(0, Math.round((atS - fromS) / WEATHER_STEP_S) - 1)
        const waterG = run.waterG[row * width + nodes[i]!]!
        return {
          atS,
          waterG: waterG + real[i]!.dryMassG - charge.dryMassG + tareG + scaleErrorG * random.normal(),
          sigmaG: Math.SQRT2 * scaleErrorG,
        }
      }),
    }
  })
}
