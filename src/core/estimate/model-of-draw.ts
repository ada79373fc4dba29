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
import type { BoxFacts, ChargeFacts, SpoolFacts } from '../evidence/facts.ts'
import { spoolSolidsL } from '../filament/winding.ts'
import { settledOpenings } from '../model/openings.ts'
import type { BoxModel, ChargeModel, Inlet, SpoolModel } from '../model/box-model.ts'
import type { Surroundings } from '../network/network.ts'
import { loadingAfterHeatGPerG } from '../renewal/loading-after-heat.ts'
import { usualRenewalC } from '../renewal/ways.ts'
import { courseSurroundings, roomCourse, type RoomCourse } from '../room/climate.ts'
import type { DrawValues } from './unknowns.ts'

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
    courses.get(facts) ?? roomCourse({ ...facts.room, fromS: facts.fromS, toS: facts.nowS + HORIZON_S })
  courses.set(facts, course)
  return courseSurroundings(course, values.roomFactor)
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
/** What is new says nothing of the air it stood in. */
const ANY_AIR = { relativeHumidityPercent: 50, temperatureC: 20 }

function chargeModel(
  charge: ChargeFacts,
  freshnessShare: number,
  values: DrawValues,
  surroundings: Surroundings,
): ChargeModel {
  const { sorbent, capacitySpread, bulkDensityGPerMl } = DESICCANTS[charge.kind]
  const { lowGPerG, highGPerG } = charge.freshness
  const dryMassG = charge.dryMassG * Math.exp(DRY_MASS_SPREAD[charge.massKnowledge] * values.massDeviations)
  const capacityFactor =
    Math.exp(capacitySpread * values.capacityDeviations) *
    capacityAfterCycles(charge.cycles.usual) *
    capacityAfterCycles(charge.cycles.overheated, 'overheated')
  return {
    id: charge.id,
    sorbent,
    dryMassG,
    capacityFactor,
    loadingGPerG: lowGPerG + (highGPerG - lowGPerG) * freshnessShare,
    conductanceLPerH: HOLDERS[charge.holder].conductanceLPerH * values.holderFactor,
    solidsL: charge.dryMassG / bulkDensityGPerMl / 1000,
    renewals: charge.heatings.map(heating => ({
      atS: heating.atS,
      waterG:
        heating.leftWaterG === undefined
          ? freshLoadingGPerG(
              charge,
              values,
              surroundings,
              heating.atS,
              heating.temperatureC,
              heating.airVapourPressurePa,
            ) *
            dryMassG *
            capacityFactor
          : // what the scale took for water is less where the beads are heavier than told
            Math.max(0, heating.leftWaterG + charge.dryMassG - dryMassG),
    })),
    inS: charge.inS,
    outS: charge.outS,
  }
}

const spoolModel = (spool: SpoolFacts, values: DrawValues): SpoolModel => ({
  id: spool.id,
  material: spool.material,
  size: spool.size,
  filamentG: spool.filamentG,
  diameterMm: spool.strandMm ?? 1.75,
  flanges: 'closed',
  slitShare: values.slitShare,
  wetRhPercent: betweenRh(spoolStart(spool), values.wetnessShare[spool.wetness.group]!),
  cardboardG: spool.cardboardG,
  solidsL: spoolSolidsL(spool.material, spool.filamentG, spool.emptyG),
  inS: spool.inS,
  outS: spool.outS,
})

/** The lid from the first on: as it leaked before each mending, and as it leaks now. */
function lidInlet(facts: BoxFacts, values: DrawValues): Inlet {
  const before = facts.leaksBefore ?? []
  const leaks = [...values.leaksBeforeLPerH, values.leakLPerH]
  return {
    by: 'lid',
    conductanceLPerH: leaks[0]!,
    ...(before.length === 0
      ? {}
      : {
          later: before.map(({ untilS }, i) => ({ atS: untilS, conductanceLPerH: leaks[i + 1]! })),
        }),
  }
}

/** The box as one draw takes it, from its first entry on. */
export function modelOfDraw(facts: BoxFacts, values: DrawValues): BoxModel {
  const surroundings = drawSurroundings(facts, values)
  const firstInS = Math.min(...facts.charges.map(charge => charge.inS))
  const model: BoxModel = {
    insideL: facts.insideL,
    inlets: [lidInlet(facts, values), { by: 'wall', ...facts.wall }],
    charges: facts.charges.map(charge => {
      // what went in together was bought and stored together
      const share = charge.inS === firstInS ? values.freshnessShare : values.laterShare
      return chargeModel(charge, share, values, surroundings)
    }),
    spools: facts.spools.map(spool => spoolModel(spool, values)),
    ...settledOpenings(facts.openings, facts.nowS - SETTLED_S, SETTLED_S),
    airRhPercent: 'room',
    surroundings,
  }
  const habitLPerH = openingsLPerH(facts, freeAirAtL(model, facts.nowS))
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
