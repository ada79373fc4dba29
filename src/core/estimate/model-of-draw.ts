import type { LitresPerHour, Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { vapourPressurePa } from '../air/vapour.ts'
import { boxNetwork, freeAirAtL, type BoxNetwork } from '../assemble/box-network.ts'
import { modelFrom, type BoxState } from '../assemble/state.ts'
import { openingShare } from '../container/opening.ts'
import { HOLDERS } from '../container/holder.ts'
import { capacityAfterCycles } from '../desiccant/ageing.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { freshnessRange } from '../evidence/freshness.ts'
import { betweenRh, spoolStart } from '../evidence/spool-start.ts'
import { DRY_MASS_SPREAD } from '../evidence/weighing.ts'
import type { BoxFacts, ChargeFacts, HeatingFacts, SpoolFacts } from '../evidence/facts.ts'
import { spoolSolidsL } from '../filament/winding.ts'
import { settledOpenings } from '../model/openings.ts'
import {
  isPresent,
  type BoxModel,
  type ChargeModel,
  type Inlet,
  type SpoolModel,
} from '../model/box-model.ts'
import type { Surroundings } from '../network/network.ts'
import { MICROWAVED_G_PER_G } from '../renewal/after-heating.ts'
import { loadingAfterHeatGPerG } from '../renewal/loading-after-heat.ts'
import { usualRenewalC } from '../renewal/ways.ts'
import { courseSurroundings, roomCourse, type RoomCourse } from '../room/climate.ts'
import type { Amiss } from './amiss.ts'
import { isOfNow, type DrawValues } from './unknowns.ts'

const HOURS_PER_MONTH = 730.5
const USUAL_OPEN_SECONDS = 30

/** After this, what an opening brought has been taken up; no reading is believed so soon after one. */
const SETTLED_S = secondsFromDays(1)

/** How far ahead a forecast looks. */
export const HORIZON_S = secondsFromDays(400)

/** Days of a room are the same for every draw of a box: reckoned once. */
const courses = new WeakMap<BoxFacts, RoomCourse>()

/** The room over the box's whole history and forecast, as one draw takes it. */
export function drawSurroundings(facts: BoxFacts, values: DrawValues): Surroundings {
  const course =
    courses.get(facts) ??
    roomCourse({
      ...facts.room,
      temperatures: facts.readings.filter(reading => reading.settled && reading.atS <= facts.nowS),
      fromS: facts.fromS,
      toS: facts.nowS + HORIZON_S,
    })
  courses.set(facts, course)
  return courseSurroundings(course, values.roomFactor, { fromS: facts.nowS, factor: values.aheadFactor })
}

/** Habitual openings as a steady conductance: each exchanges a share of the free air. */
const openingsLPerH = (facts: BoxFacts, airL: number): LitresPerHour =>
  (facts.openingsPerMonth * openingShare(USUAL_OPEN_SECONDS) * airL) / HOURS_PER_MONTH

/** Vapour pressure of the room's air at a time, Pa. */
function roomPressurePa(surroundings: Surroundings, atS: Seconds): number {
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  surroundings.at(atS, point)
  return vapourPressurePa({
    vapourDensityGPerM3: perCubicMetreFromPerLitre(point.vapourDensityGPerL),
    temperatureC: point.temperatureC,
  })
}

/**
 * Loading of a charge fresh from a heating; by default its kind's usual one, in the room's air of that day. A kind that
 * is used once is fresh when it is new.
 */
export function freshLoadingGPerG(
  charge: Pick<ChargeFacts, 'kind' | 'holder'>,
  values: DrawValues,
  surroundings: Surroundings,
  atS: Seconds,
  temperatureC: number | null = usualRenewalC({ desiccant: charge.kind, holder: charge.holder }),
  airVapourPressurePa: number = roomPressurePa(surroundings, atS),
): number {
  if (temperatureC === null) {
    const { lowGPerG, highGPerG } = freshnessRange('new', charge.kind, ANY_AIR)
    return lowGPerG + (highGPerG - lowGPerG) * values.laterShare
  }
  return loadingAfterHeatGPerG(
    DESICCANTS[charge.kind],
    { airVapourPressurePa, temperatureC },
    values.residueGPerG,
  )
}
const microwavedGPerG = ({ laterShare }: DrawValues): number =>
  MICROWAVED_G_PER_G.low + (MICROWAVED_G_PER_G.high - MICROWAVED_G_PER_G.low) * laterShare
/** What is new says nothing of the air it stood in. */
const ANY_AIR = { relativeHumidityPercent: 50, temperatureC: 20 }

function chargeModel(
  facts: BoxFacts,
  index: number,
  values: DrawValues,
  surroundings: Surroundings,
): ChargeModel {
  const charge = facts.charges[index]!
  const beads = isOfNow(facts, index) ? values.beads : values.beadsBefore
  const { sorbent, capacitySpread, bulkDensityGPerMl } = DESICCANTS[charge.kind]
  const { lowGPerG, highGPerG } = charge.freshness
  const dryMassG = charge.dryMassG * Math.exp(DRY_MASS_SPREAD[charge.massKnowledge] * beads.massDeviations)
  const capacityFactor =
    Math.exp(capacitySpread * beads.capacityDeviations) *
    capacityAfterCycles(charge.cycles.usual) *
    capacityAfterCycles(charge.cycles.overheated, 'overheated')
  return {
    id: charge.id,
    sorbent,
    dryMassG,
    capacityFactor,
    loadingGPerG: lowGPerG + (highGPerG - lowGPerG) * values.freshnessShares[index]!,
    conductanceLPerH: HOLDERS[charge.holder].conductanceLPerH * beads.holderFactor,
    solidsL: charge.dryMassG / bulkDensityGPerMl / 1000,
    renewals: heatingsOf(charge, values.amiss).map(heating => ({
      atS: heating.atS,
      waterG:
        heating.leftWaterG === undefined
          ? (heating.temperatureC === null
              ? microwavedGPerG(values)
              : freshLoadingGPerG(
                  charge,
                  values,
                  surroundings,
                  heating.atS,
                  heating.temperatureC,
                  heating.airVapourPressurePa,
                )) *
            dryMassG *
            capacityFactor
          : // what the scale took for water is less where the beads are heavier than told
            Math.max(0, heating.leftWaterG + charge.dryMassG - dryMassG),
    })),
    inS: charge.inS,
    outS: charge.outS,
  }
}

/** Heatings told, and one that was not where the draw has it. */
function heatingsOf(charge: ChargeFacts, amiss: Amiss | null): readonly HeatingFacts[] {
  if (amiss?.kind !== 'renewed' || !isPresent(charge, amiss.atS)) return charge.heatings
  const temperatureC = usualRenewalC({ desiccant: charge.kind, holder: charge.holder })
  return temperatureC === null
    ? charge.heatings
    : [...charge.heatings, { atS: amiss.atS, temperatureC }].sort((a, b) => a.atS - b.atS)
}

/** RH a spool came in with: within what was told, or as damp as the draw has it. */
const wetRh = (spool: SpoolFacts, share: number, { amiss }: DrawValues) =>
  amiss?.kind === 'damp' && Math.abs(spool.inS - amiss.atS) < SAME_TIME_S
    ? amiss.rhPercent
    : betweenRh(spoolStart(spool), share)
/** Spools put in one after the other came together. */
const SAME_TIME_S = secondsFromDays(1)

const spoolModel = (spool: SpoolFacts, share: number, values: DrawValues): SpoolModel => ({
  id: spool.id,
  material: spool.material,
  size: spool.size,
  filamentG: spool.filamentG,
  diameterMm: spool.strandMm ?? 1.75,
  flanges: 'closed',
  slitShare: values.slitShare,
  wetRhPercent: wetRh(spool, share, values),
  cardboardG: spool.cardboardG,
  solidsL: spoolSolidsL(spool.material, spool.filamentG, spool.emptyG),
  inS: spool.inS,
  outS: spool.outS,
})

/** The lid from the first on: as it leaked before each mending, as it leaks now, and where its seal slipped. */
function lidInlet(facts: BoxFacts, values: DrawValues): Inlet {
  const { amiss } = values
  const leaks = [...values.leaksBeforeLPerH, values.leakLPerH]
  const changes = (facts.leaksBefore ?? []).map(({ untilS }, i) => ({
    atS: untilS,
    conductanceLPerH: leaks[i + 1]!,
  }))
  if (amiss?.kind === 'leak') {
    const before = changes.findLast(change => change.atS <= amiss.atS)?.conductanceLPerH ?? leaks[0]!
    // a lid that was mended afterwards leaks as the mended one does
    changes.push({ atS: amiss.atS, conductanceLPerH: Math.min(before * amiss.factor, WIDE_OPEN_L_PER_H) })
    changes.sort((a, b) => a.atS - b.atS)
  }
  return { by: 'lid', conductanceLPerH: leaks[0]!, ...(changes.length === 0 ? {} : { later: changes }) }
}
const WIDE_OPEN_L_PER_H = 60

/** The box as one draw takes it, from its first entry on. */
export function modelOfDraw(facts: BoxFacts, values: DrawValues): BoxModel {
  const surroundings = drawSurroundings(facts, values)
  const settled = settledOpenings(facts.openings, facts.nowS - SETTLED_S, SETTLED_S)
  const model: BoxModel = {
    insideL: facts.insideL,
    inlets: [lidInlet(facts, values), { by: 'wall', ...facts.wall }],
    charges: facts.charges.map((_, i) => chargeModel(facts, i, values, surroundings)),
    spools: facts.spools.map((spool, i) => spoolModel(spool, values.wetnessShares[i]!, values)),
    ...settled,
    exchanges: exchangesOf(settled.exchanges ?? [], values.amiss),
    airRhPercent: 'room',
    surroundings,
  }
  const habitLPerH = values.habitFactor * openingsLPerH(facts, freeAirAtL(model, facts.nowS))
  return {
    ...model,
    inlets: [
      ...model.inlets,
      {
        by: 'openings',
        // whoever logs openings is believed for the past; the habit goes on into the future
        conductanceLPerH: facts.openings.length > 0 ? 0 : habitLPerH,
        later: [{ atS: facts.nowS, conductanceLPerH: habitLPerH }],
      },
    ],
  }
}

type Exchanges = NonNullable<BoxModel['exchanges']>
/** Openings long past, and the lid off without a word where the draw has it. */
const exchangesOf = (told: Exchanges, amiss: Amiss | null): Exchanges =>
  amiss?.kind === 'opened'
    ? [...told, { atS: amiss.atS, freeAirs: amiss.freeAirs }].sort((a, b) => a.atS - b.atS)
    : told

export const historyNetwork = (facts: BoxFacts, model: BoxModel, rings = 0): BoxNetwork =>
  boxNetwork(model, { fromS: facts.fromS, toS: facts.nowS }, rings)

/** A box from now on, as a draw left it. @param without spools taken out now */
export function futureModel(
  draw: { readonly model: BoxModel; readonly now: BoxState },
  without: readonly string[] = [],
): BoxModel {
  const future = modelFrom(draw.model, draw.now)
  return without.length === 0
    ? future
    : // what is lifted out leaves its room to the air, as it stood: the lid is hardly open
      { ...future, spools: future.spools.filter(spool => !without.includes(spool.id)) }
}
