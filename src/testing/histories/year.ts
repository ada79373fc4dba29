import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { boxNetwork } from '#core/assemble/box-network.ts'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import { seededRandom, type RandomSource } from '#core/estimate/random.ts'
import type { BoxFacts, HeatingFacts, ReadingFacts } from '#core/evidence/facts.ts'
import type { BoxModel } from '#core/model/box-model.ts'
import { simulate } from '#core/network/simulate.ts'
import { settlesAtS } from '#core/reading/hygrometer.ts'
import { readingWord } from '#core/verdict/reading.ts'
import { sampledSurroundings } from '#core/room/sampled-room.ts'
import { heatedInPlace, openingsOf } from './history.ts'
import { displays } from './looks.ts'
import { drawSetting, someDayS, trueCharge, trueSpool } from './setting.ts'
import { roomWeather, WEATHER_STEP_S } from './weather.ts'

/** A year of one box under one rule. Rules: docs/validation/histories.md, "A year on forty boxes". */
export interface Year {
  readonly seed: number
  /** Days whose middle RH stood over the target, but the first two after a renewal. */
  readonly offDays: number
  readonly renewals: number
}

/** What a rule may go by on the day of a reading. */
interface Day {
  readonly facts: BoxFacts
  readonly atS: number
  /** True RH of the coming week if nothing is done, by days; none but the all-knowing looks. */
  readonly ahead: () => number[]
}
/** Whether the beads are renewed on that day. */
export type Rule = () => (day: Day) => boolean

const DAYS = 364
const WEEK_S = secondsFromDays(7)
/** Beads that are sure for less than this are never sure for long. */
const SHORT_S = secondsFromDays(28)
const RINGS = 4
const PER_DAY = 86_400 / WEATHER_STEP_S

export const RULES = {
  /**
   * On the reading at which the early date lies before the next one, or the display shows more by its own error. Where
   * even fresh beads are sure for less than a month, on the middle date: the early one would have them heated weekly for
   * a few days a year.
   */
  veld: () => {
    let quietUntilS = -Infinity
    return ({ facts, atS }) => {
      const last = facts.readings.at(-1)!
      if (readingWord(facts.hygrometer, last, facts.targetRhPercent!) === 'over') return true
      // a date far off is not worked out anew each week: only after a third of the way to it
      if (atS < quietUntilS) return false
      const { low, middle } = estimateBox(facts).leaves!.spread
      const freshS = facts.charges[0]!.heatings.at(-1)?.atS ?? facts.fromS
      const actsS = low - freshS < SHORT_S ? middle : low
      quietUntilS = atS + (actsS - atS) / 3
      return actsS < atS + WEEK_S
    }
  },
  'first of the month': () => {
    let month = 0
    return ({ facts, atS }) => {
      const now = Math.floor(daysFromSeconds(atS - facts.fromS) / 30.44)
      if (now === month) return false
      month = now
      return true
    }
  },
  'two readings over': () => {
    return ({ facts }) => {
      const settled = facts.readings.filter(reading => reading.settled).slice(-2)
      return (
        settled.length === 2 &&
        settled.every(reading => reading.relativeHumidityPercent > facts.targetRhPercent!) &&
        settled[0]!.atS > (facts.charges[0]!.heatings.at(-1)?.atS ?? -Infinity)
      )
    }
  },
  'all-knowing': () => {
    return ({ facts, ahead }) => ahead().some(rh => rh > facts.targetRhPercent!)
  },
} satisfies Record<string, Rule>
export type RuleName = keyof typeof RULES

/** One box for a year, read weekly, its beads heated in place whenever the rule says so. */
export function yearOf(seed: number, rule: Rule): Year {
  const stream = (part: number): RandomSource => seededRandom(seed * 7919 + part * 104_729)
  const fromS = someDayS(stream(1))
  const setting = drawSetting(stream(2), fromS)
  const { told } = setting
  const endS = fromS + secondsFromDays(DAYS)
  const surroundings = sampledSurroundings(
    roomWeather(stream(4), told.room.profile, { fromS: fromS - 1, toS: endS + WEEK_S }, 0),
  )
  const charge = trueCharge(stream(5), told.charges[0]!)
  const things = stream(6)
  const spools = told.spools.map(spool => trueSpool(things, spool))
  const habit = openingsOf(stream(8), told, { fromS, endS }, undefined, [])
  const heatings: HeatingFacts[] = []
  const renewals: { atS: number; waterG: number }[] = []

  const outputS: number[] = []
  for (let atS = fromS + WEATHER_STEP_S; atS <= endS + WEEK_S; atS += WEATHER_STEP_S) outputS.push(atS)
  const truth = (): Float64Array => {
    const model: BoxModel = {
      insideL: told.insideL,
      inlets: [
        { by: 'lid', conductanceLPerH: setting.trueLeakLPerH },
        { by: 'wall', ...told.wall },
      ],
      charges: [{ ...charge, renewals: [...renewals] }],
      spools,
      openings: [...habit, ...renewals.map(one => ({ atS: one.atS, openSeconds: 60 }))].toSorted(
        (a, b) => a.atS - b.atS,
      ),
      airRhPercent: 'room',
      surroundings,
    }
    const toS = endS + WEEK_S
    const run = simulate(
      boxNetwork(model, { fromS, toS }, RINGS),
      { fromS, toS, outputS },
      { relativeTolerance: 5e-4, absoluteToleranceG: 1e-3 },
    )
    if (run.outcome !== 'finished') throw new Error(`Year ${seed} did not finish: ${run.outcome}`)
    return run.airRhPercent
  }
  let rh = truth()
  const middleOfDay = (day: number) => rh.slice(day * PER_DAY, (day + 1) * PER_DAY).sort()[PER_DAY / 2]!

  const display = displays(stream(10), fromS, {}, share => fromS + share * (endS - fromS))
  const readings: ReadingFacts[] = []
  const decides = rule()
  for (let week = 1; week * 7 < DAYS; week++) {
    const atS = fromS + week * WEEK_S
    const point = { temperatureC: 0, vapourDensityGPerL: 0 }
    surroundings.at(atS, point)
    const openings = setting.logsOpenings ? habit.filter(one => one.atS <= atS) : []
    readings.push({
      ...display.show(atS, rh[week * 7 * PER_DAY - 1]!, point.temperatureC),
      settled:
        settlesAtS(told.hygrometer, {
          atS,
          openedS: openings.at(-1)?.atS ?? null,
          chargedS: renewals.at(-1)?.atS ?? fromS,
        }) === null,
    })
    const facts: BoxFacts = {
      ...told,
      nowS: atS,
      openings,
      charges: [
        {
          ...told.charges[0]!,
          heatings: [...heatings],
          cycles: { usual: heatings.length, overheated: 0 },
        },
      ],
      readings: [...readings],
    }
    const ahead = () => Array.from({ length: 7 }, (_, day) => middleOfDay(week * 7 + day))
    if (!decides({ facts, atS, ahead })) continue
    const heated = heatedInPlace(stream(100 + week), surroundings, charge, atS + 1)
    heatings.push(heated.told)
    renewals.push({ atS: atS + 1, waterG: heated.waterG })
    rh = truth()
  }
  const spared = new Set(
    [fromS, ...renewals.map(one => one.atS)].flatMap(atS => {
      const day = Math.floor(daysFromSeconds(atS - fromS))
      return [day, day + 1]
    }),
  )
  let offDays = 0
  for (let day = 0; day < DAYS; day++)
    if (!spared.has(day) && middleOfDay(day) > told.targetRhPercent!) offDays++
  return { seed, offDays, renewals: renewals.length }
}
