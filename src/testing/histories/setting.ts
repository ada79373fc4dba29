import { least } from '#units/extremes.ts'
import { secondsFromDays } from '#units/time.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { LIDS, type LidKind } from '#core/container/lid.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { wallLaw } from '#core/container/wall.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { RandomSource } from '#core/estimate/random.ts'
import { freshnessRange } from '#core/evidence/freshness.ts'
import { wetnessTold, type Wetness } from '#core/evidence/wetness.ts'
import type { BoxFacts, ChargeFacts, SpoolFacts } from '#core/evidence/facts.ts'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { Material, MaterialId } from '#core/filament/material.ts'
import { spoolSolidsL, USUAL_SPOOL } from '#core/filament/winding.ts'
import { saturationDensityGPerL } from '#core/air/vapour.ts'
import type { ChargeModel, SpoolModel } from '#core/model/box-model.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import { CLIMATES, profileAt, type ClimateKind } from '#core/room/climate.ts'
import { loadingAtRhGPerG } from '#core/sorbent/sorbent.ts'

/** What its owner can say of a box on the first day, and what is true of it. */
export interface Setting {
  readonly told: BoxFacts
  readonly trueLeakLPerH: number
  readonly logsOpenings: boolean
  readonly weighs: boolean
  readonly readsRoom: boolean
  /** How long its beads last by what is told and the middle of every range: what a cautious owner plans by. */
  readonly plannedDays: number
}

export const pick = <T>(random: RandomSource, items: readonly T[]): T =>
  items[Math.floor(random.uniform() * items.length)]!
export const between = (random: RandomSource, low: number, high: number): number =>
  low + (high - low) * random.uniform()
export const logBetween = (random: RandomSource, low: number, high: number): number =>
  Math.exp(between(random, Math.log(low), Math.log(high)))

const SHELVES: readonly (readonly MaterialId[])[] = [
  ['PLA', 'PLA', 'PETG'],
  ['PETG', 'ASA'],
  ['TPU', 'PLA'],
  ['PLA', 'PLA', 'PLA', 'PLA'],
  ['PC', 'ABS'],
  ['PETG'],
  ['ASA', 'PLA', 'PA12'],
]
const LID_KINDS: readonly LidKind[] = ['clips', 'clips', 'clips-port', 'clips-port', 'foam', 'unknown']

export interface SettingWish {
  readonly shelf?: readonly MaterialId[]
  readonly dryMassG?: readonly [number, number]
}

/** A box on its first day. @param fromS the day it was closed */
export function drawSetting(random: RandomSource, fromS: number, wish: SettingWish = {}): Setting {
  const climate = pick<ClimateKind>(random, ['mild', 'mild', 'damp', 'heated', 'hot'])
  const { profile } = CLIMATES[climate]
  const lid = LIDS[pick(random, LID_KINDS)]
  const shelf = pick(random, wish.shelf ? [wish.shelf] : SHELVES)
  const kind = pick(random, ['silica-a', 'silica-a', 'silica-unknown'] as const)
  const plannedDays = between(random, 25, 170)
  const generous = between(random, 0.8, 1.4)
  const holder = pick(random, ['packet', 'canister', 'basket', 'tray'] as const)
  const told: BoxFacts = {
    fromS,
    nowS: fromS,
    insideL: between(random, 8, 40),
    wall: { conductanceLPerH: between(random, 0.01, 0.08), law: wallLaw('PP') },
    leak: { lowLPerH: lid.lowLPerH, highLPerH: lid.highLPerH, name: lid.name, knowledge: 'told' },
    openingsPerMonth: pick(random, [2, 4, 4, 8]),
    openings: [],
    charges: [],
    spools: [],
    room: { profile, readings: [], knowledge: 'told' },
    hygrometer: USUAL_HYGROMETER,
    readings: [],
    targetRhPercent: least(shelf.map(id => MATERIALS[id].targetRhPercent)),
  }
  const [leastG, mostG] = wish.dryMassG ?? [25, 450]
  const wanted = generous * wantedG(told, kind, plannedDays, shelf.length)
  const dryMassG = Math.round(Math.min(mostG, Math.max(leastG, wanted)))
  const charge = toldCharge('charge 0', kind, holder, dryMassG, random.uniform() < 0.4, fromS)
  const spools = shelf.map((id, i) =>
    toldSpool(
      random,
      `spool ${i}`,
      id,
      fromS,
      told,
      pick(random, ['sealed bag', 'weeks in the room', 'unknown']),
    ),
  )
  return {
    told: { ...told, charges: [charge], spools },
    trueLeakLPerH: logBetween(random, lid.lowLPerH, lid.highLPerH),
    logsOpenings: random.uniform() < 0.5,
    weighs: random.uniform() < 0.3,
    readsRoom: random.uniform() < 0.5,
    plannedDays,
  }
}

export const toldCharge = (
  id: string,
  kind: ChargeFacts['kind'],
  holder: ChargeFacts['holder'],
  dryMassG: number,
  isWeighed: boolean,
  inS: number,
  freshness: 'new' | 'heated' = 'new',
): ChargeFacts => ({
  id,
  name: id,
  kind,
  dryMassG,
  massKnowledge: isWeighed ? 'measured' : 'told',
  holder,
  freshness: freshnessRange(freshness, kind, { relativeHumidityPercent: 50, temperatureC: 20 }),
  inS,
  outS: null,
  heatings: [],
  weighings: [],
  looks: [],
  cycles: { usual: 0, overheated: 0 },
})

export function toldSpool(
  random: RandomSource,
  id: string,
  materialId: MaterialId,
  inS: number,
  { room }: Pick<BoxFacts, 'room'>,
  wetness: Exclude<Wetness, 'dried today'>,
): SpoolFacts {
  return {
    id,
    name: materialId,
    material: MATERIALS[materialId],
    filamentG: Math.round(between(random, 250, 990)),
    emptyG: 220,
    cardboardG: random.uniform() < 0.25 ? 200 : 0,
    size: USUAL_SPOOL,
    wetness: { told: wetnessTold(wetness, profileAt(room.profile, inS)), group: wetness, past: [] },
    inS,
    outS: null,
  }
}

/** Beads for so many days, by what comes in by lid, wall, openings and spools, each at its middle: as an owner would. */
function wantedG(told: BoxFacts, kind: ChargeFacts['kind'], days: number, spools: number): number {
  const room = profileAt(told.room.profile, told.fromS)
  const saturation = saturationDensityGPerL(room.temperatureC)
  const target = told.targetRhPercent!
  const atTarget = loadingAtRhGPerG(DESICCANTS[kind].sorbent, {
    relativeHumidityPercent: 0.8 * target,
    temperatureC: room.temperatureC,
  })
  const leak = Math.sqrt(told.leak.lowLPerH * told.leak.highLPerH)
  const openingsLPerH = (told.openingsPerMonth * 0.55 * 0.8 * told.insideL) / 730.5
  const drive = ((room.relativeHumidityPercent - target / 2) / 100) * saturation
  const inG = (leak + told.wall.conductanceLPerH + openingsLPerH) * drive * 24 * days + 0.8 * spools
  return inG / Math.max(atTarget - 0.03, 0.02)
}

/** The beads as they are: what they hold, how they lie, what they brought. */
export function trueCharge(random: RandomSource, told: ChargeFacts): ChargeModel {
  const { sorbent, capacitySpread, bulkDensityGPerMl } = DESICCANTS[told.kind]
  const heavier = told.massKnowledge === 'measured' ? 1 : Math.exp(0.03 * random.normal())
  return {
    id: told.id,
    sorbent,
    dryMassG: told.dryMassG * heavier,
    capacityFactor: Math.exp(capacitySpread * random.normal()),
    loadingGPerG: between(random, told.freshness.lowGPerG, told.freshness.highGPerG),
    conductanceLPerH: HOLDERS[told.holder].conductanceLPerH * Math.exp(0.35 * random.normal()),
    solidsL: told.dryMassG / bulkDensityGPerMl / 1000,
    renewals: [],
    inS: told.inS,
    outS: told.outS,
  }
}

/** The spool as it is: its make, its winding, its water. @param rhPercent where it is not as damp as told */
export function trueSpool(random: RandomSource, told: SpoolFacts, rhPercent?: number): SpoolModel {
  const make: Material = {
    ...told.material,
    diffusivityAt23M2PerS: told.material.diffusivityAt23M2PerS * Math.exp(0.35 * random.normal()),
  }
  const uptake = Math.exp(0.07 * random.normal())
  const { told: wet } = told.wetness
  const share = random.uniform()
  const asTold =
    wet.kind === 'between' ? wet.lowRhPercent + (wet.highRhPercent - wet.lowRhPercent) * share : 10
  return {
    id: told.id,
    material: {
      ...make,
      moistureAt50Percent: make.moistureAt50Percent * uptake,
      saturatedMoisturePercent: make.saturatedMoisturePercent * uptake,
    },
    size: told.size,
    filamentG: told.filamentG,
    diameterMm: 1.75,
    flanges: 'closed',
    slitShare: Math.min(0.2, 0.07 * Math.exp(0.4 * random.normal())),
    wetRhPercent: rhPercent ?? asTold,
    cardboardG: told.cardboardG,
    solidsL: spoolSolidsL(told.material, told.filamentG, told.emptyG),
    inS: told.inS,
    outS: told.outS,
  }
}

/** The date a history starts on, spread over the year. */
export const someDayS = (random: RandomSource): number =>
  secondsFromDays(20_000 + Math.floor(365 * random.uniform()) + 0.4)

export const rhOf = (densityGPerL: number, temperatureC: number): number =>
  percentFromFraction(densityGPerL / saturationDensityGPerL(temperatureC))
