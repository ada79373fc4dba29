import { least } from '#units/extremes.ts'
import { secondsFromDays, secondsFromHours } from '#units/time.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { vapourPressurePa } from '#core/air/vapour.ts'
import { boxNetwork } from '#core/assemble/box-network.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { seededRandom, type RandomSource } from '#core/estimate/random.ts'
import type { BoxFacts, ChargeFacts, ReadingFacts, SpoolFacts } from '#core/evidence/facts.ts'
import type { BoxModel, ChargeModel, Inlet, SpoolModel } from '#core/model/box-model.ts'
import type { Surroundings } from '#core/network/network.ts'
import { simulate } from '#core/network/simulate.ts'
import { settlesAtS } from '#core/reading/hygrometer.ts'
import { loadingAfterHeatGPerG } from '#core/renewal/loading-after-heat.ts'
import type { RoomReading } from '#core/room/climate.ts'
import { sampledSurroundings } from '#core/room/sampled-room.ts'
import {
  between,
  drawSetting,
  pick,
  rhOf,
  someDayS,
  toldCharge,
  toldSpool,
  trueCharge,
  trueSpool,
  type SettingWish,
} from './setting.ts'
import { displays, timesOf, weigh, type Pace, type Plan } from './looks.ts'
import type { Twist } from './twist.ts'
import { roomWeather, WEATHER_STEP_S } from './weather.ts'

export interface HistoryWish extends SettingWish {
  readonly seed: number
  readonly pace: Pace
  readonly twist?: Twist
  /** The last beads have stood so many times as long as planned; left out: renewed in time. */
  readonly standsFor?: readonly [number, number]
}

/** What is told of a box up to a day, and what came after. */
export interface History {
  readonly seed: number
  readonly pace: Pace
  readonly facts: BoxFacts
  /** The first of three days running whose middle RH stands over the target; null: not within 400 days. */
  readonly leftS: number | null
  /** What the air in the box truly was at each reading, at the box's own temperature. */
  readonly trueRhPercent: readonly number[]
}

const AHEAD_S = secondsFromDays(400)
const RINGS = 8

/** A true box, told of as people tell. Rules: docs/validation/histories.md. */
export function makeHistory(wish: HistoryWish): History {
  const { seed, pace, twist = {} } = wish
  // one stream for each thing: a twist changes what it changes and nothing else
  const stream = (part: number): RandomSource => seededRandom(seed * 7919 + part * 104_729)
  const fromS = someDayS(stream(1))
  const setting = drawSetting(stream(2), fromS, wish)
  const plan = planOf(stream(3), setting.plannedDays, wish)
  const nowS = fromS + secondsFromDays(plan.days)
  const endS = nowS + AHEAD_S
  const atShare = (share: number) => fromS + share * (nowS - fromS)
  const series = roomWeather(
    stream(4),
    setting.told.room.profile,
    { fromS: fromS - 1, toS: endS },
    twist.roomWarmerK ?? 0,
  )
  const surroundings = sampledSurroundings(series)

  // the beads: heated in place or swapped for others, on the days planned
  const chargesTold: ChargeFacts[] = []
  const chargesTrue: ChargeModel[] = []
  const beads = stream(5)
  const heating = (charge: ChargeModel, atS: number) => heatedInPlace(beads, surroundings, charge, atS)
  let told = setting.told.charges[0]!
  let real = trueCharge(beads, told)
  if (twist.capacityFactor) real = { ...real, capacityFactor: twist.capacityFactor }
  const workS: number[] = [fromS]
  plan.renewedAfterDays.forEach((days, i) => {
    const atS = fromS + secondsFromDays(days)
    workS.push(atS)
    if (beads.uniform() < 0.5) {
      const hot = heating(real, atS)
      told = {
        ...told,
        heatings: [...told.heatings, hot.told],
        cycles: { usual: told.cycles.usual + 1, overheated: 0 },
      }
      real = { ...real, renewals: [...real.renewals, { atS, waterG: hot.waterG }] }
    } else {
      chargesTold.push({ ...told, outS: atS })
      chargesTrue.push({ ...real, outS: atS })
      told = toldCharge(
        `charge ${i + 1}`,
        told.kind,
        told.holder,
        told.dryMassG,
        told.massKnowledge === 'measured',
        atS,
        pick(beads, ['new', 'heated']),
      )
      real = trueCharge(beads, told)
      if (twist.capacityFactor) real = { ...real, capacityFactor: twist.capacityFactor }
    }
  })
  if (twist.renewedAtShare !== undefined) {
    const atS = atShare(twist.renewedAtShare)
    const renewals = [...real.renewals, { atS, waterG: heating(real, atS).waterG }]
    real = { ...real, renewals: renewals.toSorted((a, b) => a.atS - b.atS) }
  }
  chargesTold.push(told)
  chargesTrue.push(real)

  // the spools: some leave and others come, told at once
  const things = stream(6)
  const spoolsTold: SpoolFacts[] = []
  const spoolsTrue: SpoolModel[] = []
  const movedS: number[] = []
  const addSpool = (spool: SpoolFacts, rhPercent?: number) => {
    spoolsTold.push(spool)
    spoolsTrue.push(trueSpool(things, spool, rhPercent))
  }
  setting.told.spools.forEach((spool, i) => {
    const leaves = i > 0 && things.uniform() < 0.25 ? atShare(between(things, 0.2, 0.9)) : null
    addSpool({ ...spool, outS: leaves }, twist.spoolsRhPercent)
    if (leaves === null) return
    movedS.push(leaves)
    addSpool(
      toldSpool(things, `spool ${i} after`, spool.material.id, leaves, setting.told, 'sealed bag'),
      twist.spoolsRhPercent,
    )
  })
  if (twist.spoolsRhPercent !== undefined)
    spoolsTold.forEach((spool, i) => {
      const { wetness } = toldSpool(stream(7), '', spool.material.id, fromS, setting.told, 'sealed bag')
      spoolsTold[i] = { ...spool, wetness }
    })
  if (twist.arrival) {
    const atS = atShare(twist.arrival.atShare)
    movedS.push(atS)
    for (let i = 0; i < twist.arrival.spools; i++)
      addSpool(
        toldSpool(
          things,
          `arrived ${i}`,
          pick(things, ['TPU', 'PLA', 'ABS', 'PETG']),
          atS,
          setting.told,
          'sealed bag',
        ),
        twist.arrival.rhPercent,
      )
  }

  const openings = openingsOf(stream(8), setting.told, { fromS, endS }, twist.openingsPerMonth, [
    ...workS.slice(1),
    ...movedS,
  ])
  const inlets: Inlet[] = [
    {
      by: 'lid',
      conductanceLPerH: setting.trueLeakLPerH,
      ...laterLeak(setting.trueLeakLPerH, twist, atShare),
    },
    { by: 'wall', ...setting.told.wall },
    ...(twist.ajar ? [ajarInlet(atShare(twist.ajar.atShare), twist.ajar.hours)] : []),
  ]
  const model: BoxModel = {
    insideL: setting.told.insideL,
    inlets,
    charges: chargesTrue,
    spools: spoolsTrue,
    openings,
    airRhPercent: 'room',
    surroundings,
  }

  // the truth, every three hours, rings and all
  const outputS: number[] = []
  for (let atS = fromS + WEATHER_STEP_S; atS <= endS; atS += WEATHER_STEP_S) outputS.push(atS)
  const network = boxNetwork(model, { fromS, toS: endS }, RINGS)
  const run = simulate(
    network,
    { fromS, toS: endS, outputS },
    { relativeTolerance: 5e-4, absoluteToleranceG: 1e-3 },
  )
  if (run.outcome !== 'finished') throw new Error(`History ${seed} did not finish: ${run.outcome}`)
  const rhAt = (atS: number) => straight(run.airRhPercent, (atS - fromS) / WEATHER_STEP_S - 1)

  // what is looked at, and what is shown
  const looks = stream(9)
  const display = displays(stream(10), fromS, twist, atShare)
  const opened = setting.logsOpenings ? openings.filter(one => one.atS <= nowS) : []
  const toldOpenS = [...opened.map(one => one.atS), ...movedS].sort((a, b) => a - b)
  const readings: ReadingFacts[] = []
  const roomReadings: RoomReading[] = []
  const trueRhPercent: number[] = []
  for (const atS of timesOf(looks, pace, plan, fromS, nowS)) {
    const point = { temperatureC: 0, vapourDensityGPerL: 0 }
    surroundings.at(atS, point)
    const shown = display.show(atS, rhAt(atS), point.temperatureC)
    const openedS = toldOpenS.findLast(one => one <= atS) ?? null
    const chargedS = workS.findLast(one => one <= atS) ?? null
    readings.push({
      ...shown,
      settled: settlesAtS(setting.told.hygrometer, { atS, openedS, chargedS }) === null,
    })
    trueRhPercent.push(Number(rhAt(atS).toFixed(2)))
    if (setting.readsRoom && pace !== 'hourly')
      roomReadings.push(
        display.showRoom(atS, rhOf(point.vapourDensityGPerL, point.temperatureC), point.temperatureC),
      )
  }
  const scale = stream(11)
  const weighed = setting.weighs
    ? weigh(scale, chargesTold, chargesTrue, network.chargeNodes, run, fromS, nowS)
    : chargesTold
  return {
    seed,
    pace,
    facts: {
      ...setting.told,
      nowS,
      openings: opened,
      charges: weighed,
      spools: spoolsTold,
      room: { ...setting.told.room, readings: roomReadings },
      readings,
      targetRhPercent: least(
        spoolsTold.filter(spool => spool.outS === null).map(spool => spool.material.targetRhPercent),
      ),
    },
    leftS: leaves(
      run.airRhPercent,
      fromS,
      nowS,
      least(spoolsTold.filter(spool => spool.outS === null).map(spool => spool.material.targetRhPercent)),
    ),
    trueRhPercent,
  }
}

/** Beads heated in the room's air of that day: what is told of it, and what it left in them. */
export function heatedInPlace(
  random: RandomSource,
  surroundings: Surroundings,
  charge: Pick<ChargeModel, 'dryMassG' | 'capacityFactor'>,
  atS: number,
) {
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  surroundings.at(atS, point)
  const airVapourPressurePa = vapourPressurePa({
    vapourDensityGPerM3: perCubicMetreFromPerLitre(point.vapourDensityGPerL),
    temperatureC: point.temperatureC,
  })
  const told = pick(random, [110, 115, 120])
  const left = loadingAfterHeatGPerG(
    DESICCANTS['silica-a'],
    { airVapourPressurePa, temperatureC: told + 4 * random.normal() },
    between(random, 0.002, 0.02),
  )
  return { told: { atS, temperatureC: told }, waterG: left * charge.dryMassG * charge.capacityFactor }
}

/** How long it has stood and when its beads were renewed, by what its owner knew beforehand and nothing else. */
function planOf(
  random: RandomSource,
  plannedDays: number,
  { pace, standsFor = [0.1, 0.8] }: HistoryWish,
): Plan {
  const cycleDays = plannedDays * between(random, 0.5, 0.9)
  const renewals = pick(random, [0, 1, 1, 2])
  const rounds = cycleDays * renewals > 250 ? 0 : renewals
  const last = Math.max(pace === 'daily' ? 30 : 8, plannedDays * between(random, ...standsFor))
  return {
    days: Math.min(330, rounds * cycleDays + last),
    renewedAfterDays: Array.from({ length: rounds }, (_, i) => (i + 1) * cycleDays),
  }
}

export function openingsOf(
  random: RandomSource,
  told: BoxFacts,
  span: { fromS: number; endS: number },
  reallyPerMonth: number | undefined,
  workS: readonly number[],
): { atS: number; openSeconds: number }[] {
  const perDay = (reallyPerMonth ?? told.openingsPerMonth) / 30.44
  const list = workS.map(atS => ({ atS, openSeconds: 60 }))
  for (let atS = span.fromS; ;) {
    atS += secondsFromDays(-Math.log(1 - random.uniform()) / perDay)
    if (atS >= span.endS) break
    list.push({ atS, openSeconds: Math.round(between(random, 15, 50)) })
  }
  return list.sort((a, b) => a.atS - b.atS)
}

const laterLeak = (leakLPerH: number, { slip }: Twist, atShare: (share: number) => number) =>
  slip ? { later: [{ atS: atShare(slip.atShare), conductanceLPerH: leakLPerH * slip.factor }] } : {}

const AJAR_L_PER_H = 40
const ajarInlet = (atS: number, hours: number): Inlet => ({
  by: 'outlet',
  conductanceLPerH: 0,
  later: [
    { atS, conductanceLPerH: AJAR_L_PER_H },
    { atS: atS + secondsFromHours(hours), conductanceLPerH: 0 },
  ],
})

const straight = (values: Float64Array, position: number): number => {
  const at = Math.min(Math.max(position, 0), values.length - 1.001)
  const i = Math.floor(at)
  return values[i]! + (at - i) * (values[i + 1]! - values[i]!)
}

/** The first of three days running whose middle RH stands over the target. */
function leaves(rhPercent: Float64Array, fromS: number, nowS: number, target: number): number | null {
  const perDay = 86_400 / WEATHER_STEP_S
  const first = Math.ceil((nowS - fromS) / WEATHER_STEP_S) - 1
  let running = 0
  for (let day = 0; first + (day + 1) * perDay <= rhPercent.length; day++) {
    const middle = rhPercent.slice(first + day * perDay, first + (day + 1) * perDay).sort()[perDay / 2]!
    running = middle > target ? running + 1 : 0
    if (running === 3) return nowS + secondsFromDays(day - 2)
  }
  return null
}
