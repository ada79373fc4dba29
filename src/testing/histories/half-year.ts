import { daysFromSeconds, secondsFromDays } from '#units/time.ts'
import { boxNetwork } from '#core/assemble/box-network.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { COLOUR_LOADING } from '#core/evidence/colour.ts'
import type { BoxFacts, ReadingFacts } from '#core/evidence/facts.ts'
import { seededRandom, type RandomSource } from '#core/estimate/random.ts'
import type { BoxModel } from '#core/model/box-model.ts'
import { simulate } from '#core/network/simulate.ts'
import { settlesAtS } from '#core/reading/hygrometer.ts'
import { sampledSurroundings } from '#core/room/sampled-room.ts'
import { loadingAtRhGPerG } from '#core/sorbent/sorbent.ts'
import { heatedInPlace, openingsOf } from './history.ts'
import { displays } from './looks.ts'
import { between, drawSetting, someDayS, trueCharge, trueSpool } from './setting.ts'
import { roomWeather, WEATHER_STEP_S } from './weather.ts'

/** A box that has stood for twelve weeks, and may be lived through half a year more. Days count from today. */
export interface BoxLife {
  /** Today, from the beginning of 1970. */
  readonly todayS: number
  /** What its owner knows on a day, its beads heated on these days before it. */
  readonly factsOn: (day: number, renewalDays: readonly number[]) => BoxFacts
  /** Days over its target if its beads are heated on these days; the first two after each heat are spared, and these. */
  readonly offDays: (renewalDays: readonly number[], apart: ReadonlySet<number>) => number
  /** Of these days, looked at one after the other, those on which its beads look dark: on them they are heated. */
  readonly darkDays: (days: readonly number[]) => number[]
}

const BEFORE_DAYS = 84
export const AHEAD_DAYS = 182
const WEEK_DAYS = 7
const RINGS = 3
const PER_DAY = 86_400 / WEATHER_STEP_S
/** Beads look dark from here on: olive, on the way to black. */
const DARK_G_PER_G = COLOUR_LOADING.olive.loadingGPerG
const NOON = 0.5
const AN_HOUR_S = 3600

/**
 * One box of a shelf whose truth is drawn apart from anything the engine draws: its leak, its beads, its spools, its
 * openings and its weather, with a display that is read each week.
 * @param shelf boxes of one shelf stand in one season
 */
export function boxLife(shelf: number, box: number): BoxLife {
  const stream = (part: number): RandomSource => seededRandom(shelf * 6_700_417 + box * 7919 + part * 104_729)
  const fromS = someDayS(seededRandom(shelf * 31_337))
  const setting = drawSetting(stream(2), fromS)
  const { told } = setting
  const todayS = fromS + secondsFromDays(BEFORE_DAYS)
  const endS = todayS + secondsFromDays(AHEAD_DAYS + WEEK_DAYS)
  const surroundings = sampledSurroundings(
    roomWeather(stream(4), told.room.profile, { fromS: fromS - 1, toS: endS }, 0),
  )
  const charge = trueCharge(stream(5), told.charges[0]!)
  const things = stream(6)
  const spools = told.spools.map(spool => trueSpool(things, spool))
  const habit = openingsOf(stream(8), told, { fromS, endS }, undefined, [])
  const lastS = fromS + secondsFromDays(Math.round(between(stream(9), 10, BEFORE_DAYS - 7)))
  const last = heatedInPlace(stream(11), surroundings, charge, lastS)
  const outputS: number[] = []
  for (let atS = fromS + WEATHER_STEP_S; atS <= endS; atS += WEATHER_STEP_S) outputS.push(atS)
  const renewalOn = (day: number) => {
    const atS = todayS + secondsFromDays(day + NOON)
    return { atS, ...heatedInPlace(stream(1000 + day), surroundings, charge, atS) }
  }
  const airs = new Map<string, Float64Array>()
  const airFrom = (days: readonly number[]): Float64Array => {
    const key = days.join()
    const known = airs.get(key) ?? air(days)
    airs.set(key, known)
    return known
  }
  function air(days: readonly number[]): Float64Array {
    const renewals = [{ atS: lastS, waterG: last.waterG }, ...days.map(renewalOn)].map(({ atS, waterG }) => ({
      atS,
      waterG,
    }))
    const model: BoxModel = {
      insideL: told.insideL,
      inlets: [
        { by: 'lid', conductanceLPerH: setting.trueLeakLPerH },
        { by: 'wall', ...told.wall },
      ],
      charges: [{ ...charge, renewals }],
      spools,
      openings: [...habit, ...renewals.map(one => ({ atS: one.atS, openSeconds: 60 }))].toSorted(
        (a, b) => a.atS - b.atS,
      ),
      airRhPercent: 'room',
      surroundings,
    }
    const run = simulate(
      boxNetwork(model, { fromS, toS: endS }, RINGS),
      { fromS, toS: endS, outputS },
      { relativeTolerance: 5e-4, absoluteToleranceG: 1e-3 },
    )
    if (run.outcome !== 'finished')
      throw new Error(`Box ${box} of shelf ${shelf} did not finish: ${run.outcome}`)
    return run.airRhPercent
  }
  const untouched = airFrom([])
  const middleOfDay = (rh: Float64Array, day: number) => {
    const at = (BEFORE_DAYS + day) * PER_DAY
    return rh.slice(at, at + PER_DAY).sort()[PER_DAY / 2]!
  }
  return {
    todayS,
    factsOn,
    offDays: (days, apart) => {
      const rh = airFrom(days)
      const spared = new Set(days.flatMap(day => [day, day + 1, day + 2]))
      let off = 0
      for (let day = 0; day < AHEAD_DAYS; day++)
        if (!spared.has(day) && !apart.has(day) && middleOfDay(rh, day) > told.targetRhPercent!) off++
      return off
    },
    darkDays: days => {
      const { sorbent } = DESICCANTS['silica-a']
      const heated: number[] = []
      let rh = untouched
      for (const day of days) {
        // beads go with the air of the week before
        const week = Array.from({ length: WEEK_DAYS }, (_, i) => middleOfDay(rh, day - WEEK_DAYS + i))
        const relativeHumidityPercent = week.reduce((sum, value) => sum + value, 0) / WEEK_DAYS
        const point = { temperatureC: 0, vapourDensityGPerL: 0 }
        surroundings.at(todayS + secondsFromDays(day), point)
        const loading = loadingAtRhGPerG(sorbent, {
          relativeHumidityPercent,
          temperatureC: point.temperatureC,
        })
        if (loading < DARK_G_PER_G) continue
        heated.push(day)
        rh = airFrom(heated)
      }
      return heated
    },
  }

  function factsOn(day: number, renewalDays: readonly number[]): BoxFacts {
    const nowS = todayS + secondsFromDays(day)
    const rh = airFrom(renewalDays)
    const display = displays(stream(10), fromS, {}, share => fromS + share * (todayS - fromS))
    const heated = [last.told, ...renewalDays.map(one => renewalOn(one).told)]
    const weeks = Math.floor((BEFORE_DAYS + day) / WEEK_DAYS)
    const readings = Array.from({ length: weeks }, (_, week): ReadingFacts => {
      const atS = fromS + secondsFromDays((week + 1) * WEEK_DAYS) - AN_HOUR_S
      const point = { temperatureC: 0, vapourDensityGPerL: 0 }
      surroundings.at(atS, point)
      const openings = setting.logsOpenings ? habit.filter(one => one.atS <= atS) : []
      return {
        ...display.show(atS, rh[Math.floor(daysFromSeconds(atS - fromS) * PER_DAY) - 1]!, point.temperatureC),
        settled:
          settlesAtS(told.hygrometer, {
            atS,
            openedS: openings.at(-1)?.atS ?? null,
            chargedS: heated.findLast(one => one.atS <= atS)?.atS ?? fromS,
          }) === null,
      }
    })
    return {
      ...told,
      nowS,
      openings: setting.logsOpenings ? habit.filter(one => one.atS <= nowS) : [],
      charges: [
        {
          ...told.charges[0]!,
          heatings: heated,
          cycles: { usual: heated.length, overheated: 0 },
        },
      ],
      readings,
    }
  }
}
