import type { LitresPerHour, Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { vapourPressurePa } from '../air/vapour.ts'
import { BOARD_AT_SATURATION_G_PER_G, BOARD_L_PER_H } from '../box/box-case.ts'
import { freeAirL } from '../container/container.ts'
import { openingShare } from '../container/opening.ts'
import { HOLDERS } from '../container/holder.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { residualLoadingGPerG } from '../desiccant/regeneration.ts'
import { addRings, type SpoolLayout } from '../filament/rings.ts'
import { sorptionIsotherm } from '../filament/sorption.ts'
import { spoolConductanceLPerH, spoolSolidsL } from '../filament/winding.ts'
import { waterAtRhG } from '../network/water-store.ts'
import {
  ROOM,
  type Network,
  type NetworkEvent,
  type NetworkLink,
  type NetworkNode,
  type StrandLink,
  type Surroundings,
  type WaterStore,
} from '../network/network.ts'
import { courseSurroundings, roomCourse, type RoomCourse } from '../room/climate.ts'
import type { BoxFacts, ChargeFacts, HeatingFacts, SpoolFacts } from './facts.ts'
import type { DrawValues } from './unknowns.ts'

const HOURS_PER_MONTH = 730.5
const USUAL_OPEN_SECONDS = 30
/** Beads dry, holder and all: litres of solid per gram. */
const CHARGE_L_PER_G = 1 / 720
const USUAL_HEATING_C = 115

/** How far ahead a forecast looks. */
export const HORIZON_S = secondsFromDays(400)

export interface BoxNetwork extends Network {
  /** Node index by charge, spool and board. */
  readonly nodeOfCharge: Readonly<Record<string, number>>
  readonly nodeOfSpool: Readonly<Record<string, number>>
  readonly nodeOfBoard: Readonly<Record<string, number>>
  /** Where the rings of each spool stand; empty where spools are lumped. */
  readonly layouts: Readonly<Record<string, SpoolLayout>>
}

/** Days of a room are the same for every draw of a box: reckoned once. */
const courses = new WeakMap<BoxFacts, RoomCourse>()

/** The room over the box's whole history and forecast, as one draw takes it. */
export function drawSurroundings(facts: BoxFacts, values: DrawValues): Surroundings {
  const course =
    courses.get(facts) ?? roomCourse({ ...facts.room, fromS: facts.fromS, toS: facts.nowS + HORIZON_S })
  courses.set(facts, course)
  return courseSurroundings(course, values.roomFactor)
}

export const isPresent = (thing: { inS: Seconds; outS: Seconds | null }, atS: Seconds): boolean =>
  thing.inS <= atS && (thing.outS === null || thing.outS > atS)

/** Habitual openings as a steady conductance: each exchanges a share of the free air. */
export const openingsLPerH = (facts: BoxFacts, airL: number): LitresPerHour =>
  (facts.openingsPerMonth * openingShare(USUAL_OPEN_SECONDS) * airL) / HOURS_PER_MONTH

/** Free air with what is inside at a time. */
export function freeAirAtL(facts: BoxFacts, atS: Seconds): number {
  let solidsL = 0
  for (const spool of facts.spools)
    if (isPresent(spool, atS)) solidsL += spoolSolidsL(spool.material, spool.filamentG, spool.emptyG)
  for (const charge of facts.charges) if (isPresent(charge, atS)) solidsL += charge.dryMassG * CHARGE_L_PER_G
  return freeAirL(facts.insideL, solidsL)
}

export const chargeStore = (charge: ChargeFacts, values: DrawValues): WaterStore & { kind: 'silica' } => ({
  kind: 'silica',
  dryMassG: charge.dryMassG * (charge.massKnowledge === 'assumed' ? values.massFactor : 1),
  gel: DESICCANTS[charge.kind].gel,
  capacityFactor: values.capacityFactor,
})

export const spoolStore = (spool: SpoolFacts): WaterStore & { kind: 'polymer' } => ({
  kind: 'polymer',
  dryMassG: spool.filamentG,
  isotherm: sorptionIsotherm(spool.material),
})

export const chargeConductanceLPerH = (charge: ChargeFacts, values: DrawValues): LitresPerHour =>
  HOLDERS[charge.holder].conductanceLPerH * values.holderFactor

/** What heating at this temperature leaves on a charge, in the room's air of that day, plus what real gel keeps. */
function loadingAfterHeating(
  charge: ChargeFacts,
  values: DrawValues,
  surroundings: Surroundings,
  { atS, temperatureC, airVapourPressurePa }: HeatingFacts,
): number {
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  surroundings.at(atS, point)
  const roomVapourPressurePa =
    airVapourPressurePa ??
    vapourPressurePa({
      vapourDensityGPerM3: perCubicMetreFromPerLitre(point.vapourDensityGPerL),
      temperatureC: point.temperatureC,
    })
  return (
    residualLoadingGPerG(DESICCANTS[charge.kind].gel, {
      roomVapourPressurePa,
      heatingTemperatureC: temperatureC,
    }) + values.residueGPerG
  )
}

/** Loading of a charge fresh from the usual heating. */
export const freshLoadingGPerG = (
  charge: ChargeFacts,
  values: DrawValues,
  surroundings: Surroundings,
  atS: Seconds,
): number => loadingAfterHeating(charge, values, surroundings, { atS, temperatureC: USUAL_HEATING_C })

/**
 * The network of a box as one draw takes it, from its first entry on: all that was ever inside has a node, and comes
 * and goes by the conductance of its link. Node 0 is the box air.
 * @param rings of each spool; 0: spools are lumped, which answers for the box air and their means
 */
export function historyNetwork(
  facts: BoxFacts,
  values: DrawValues,
  surroundings: Surroundings,
  rings = 0,
): BoxNetwork {
  const start = { temperatureC: 0, vapourDensityGPerL: 0 }
  surroundings.at(facts.fromS, start)
  const nodes: NetworkNode[] = []
  const links: NetworkLink[] = []
  const strands: StrandLink[] = []
  const layouts: Record<string, SpoolLayout> = {}
  const events: NetworkEvent[] = []
  const airL = freeAirAtL(facts, facts.fromS)
  nodes.push({
    id: 'air',
    store: { kind: 'air', volumeL: airL },
    initialWaterG: start.vapourDensityGPerL * airL,
  })
  const nodeOfCharge: Record<string, number> = {}
  const nodeOfSpool: Record<string, number> = {}
  const nodeOfBoard: Record<string, number> = {}

  links.push({ path: 'lid', a: 0, b: ROOM, conductanceLPerH: values.leakLPerH })
  links.push({ path: 'wall', a: 0, b: ROOM, conductanceLPerH: facts.wallLPerH })
  const habitL = openingsLPerH(facts, freeAirAtL(facts, facts.nowS))
  links.push({ path: 'openings', a: 0, b: ROOM, conductanceLPerH: facts.openings.length > 0 ? 0 : habitL })
  // whoever logs openings is believed for the past; the habit goes on into the future
  events.push({ atS: facts.nowS, kind: 'conduct', link: 2, conductanceLPerH: habitL })

  const addStore = (
    id: string,
    path: string,
    store: WaterStore,
    waterG: number,
    conductanceLPerH: number,
    stay: { inS: Seconds; outS: Seconds | null },
  ): number => {
    const node = nodes.push({ id, store, initialWaterG: waterG }) - 1
    comeAndGo(links.push({ path, a: node, b: 0, conductanceLPerH }) - 1, stay)
    return node
  }
  /** A link that is there only while its thing is inside. */
  const comeAndGo = (link: number, stay: { inS: Seconds; outS: Seconds | null }): void => {
    const { conductanceLPerH } = links[link]!
    if (!isPresent(stay, facts.fromS)) {
      links[link] = { ...links[link]!, conductanceLPerH: 0 }
      events.push({ atS: stay.inS, kind: 'conduct', link, conductanceLPerH })
    }
    if (stay.outS !== null) events.push({ atS: stay.outS, kind: 'conduct', link, conductanceLPerH: 0 })
  }

  facts.charges.forEach((charge, index) => {
    const store = chargeStore(charge, values)
    const { lowGPerG, highGPerG } = charge.freshness
    const loading =
      index === 0 ? values.firstLoadingGPerG : lowGPerG + (highGPerG - lowGPerG) * values.laterShare
    const capacityG = store.dryMassG * store.capacityFactor
    const node = addStore(
      `charge:${charge.id}`,
      `charge:${charge.id}`,
      store,
      loading * capacityG,
      chargeConductanceLPerH(charge, values),
      charge,
    )
    nodeOfCharge[charge.id] = node
    for (const heating of charge.heatings)
      events.push({
        atS: heating.atS,
        kind: 'setWater',
        node,
        waterG: heating.leftWaterG ?? loadingAfterHeating(charge, values, surroundings, heating) * capacityG,
        path: 'renewal',
      })
  })
  for (const spool of facts.spools) {
    const wetRh = values.wetnessRhPercent[spool.wetness.group]!
    if (rings > 0) {
      const outermost = links.length
      layouts[spool.id] = addRings(
        { ...spool, slitShare: values.slitShare, diameterMm: 1.75, flanges: 'closed', rings },
        wetRh,
        start.temperatureC,
        { nodes, links, strands },
      )
      comeAndGo(outermost, spool)
    } else {
      const store = spoolStore(spool)
      const path = `spool:${spool.id}`
      nodeOfSpool[spool.id] = addStore(
        path,
        path,
        store,
        waterAtRhG(store, wetRh, start.temperatureC),
        spoolConductanceLPerH({
          material: spool.material,
          size: spool.size,
          filamentG: spool.filamentG,
          slitShare: values.slitShare,
          temperatureC: start.temperatureC,
        }),
        spool,
      )
    }
    if (spool.cardboardG > 0) {
      const board: WaterStore = {
        kind: 'board',
        dryMassG: spool.cardboardG,
        loadingAtSaturationGPerG: BOARD_AT_SATURATION_G_PER_G,
      }
      const boardId = `board:${spool.id}`
      nodeOfBoard[spool.id] = addStore(
        boardId,
        boardId,
        board,
        waterAtRhG(board, wetRh, start.temperatureC),
        BOARD_L_PER_H,
        spool,
      )
    }
  }
  for (const opening of facts.openings)
    events.push({
      atS: opening.atS,
      kind: 'exchange',
      node: 0,
      share: openingShare(opening.openSeconds),
      path: 'openings',
    })
  // what comes or goes changes the room that is left for air
  const changesS = new Set<Seconds>()
  for (const thing of [...facts.charges, ...facts.spools])
    for (const atS of [thing.inS, thing.outS])
      if (atS !== null && atS > facts.fromS && atS <= facts.nowS) changesS.add(atS)
  for (const atS of changesS)
    events.push({ atS, kind: 'setVolume', node: 0, volumeL: freeAirAtL(facts, atS), path: 'openings' })
  events.sort((a, b) => a.atS - b.atS)
  return { nodes, links, strands, events, surroundings, nodeOfCharge, nodeOfSpool, nodeOfBoard, layouts }
}

/**
 * The same box from now on, with the water it holds now: no events but the habit of opening.
 * @param without spools taken out now
 */
export function futureNetwork(
  facts: BoxFacts,
  history: BoxNetwork,
  waterG: ArrayLike<number>,
  without: readonly string[] = [],
): BoxNetwork {
  const gone = new Set(without.flatMap(id => [history.nodeOfSpool[id], history.nodeOfBoard[id]]))
  const airL = freeAirAtL(facts, facts.nowS)
  const conductances = history.links.map(link => link.conductanceLPerH)
  for (const event of history.events)
    if (event.kind === 'conduct' && event.atS <= facts.nowS) conductances[event.link] = event.conductanceLPerH
  return {
    ...history,
    nodes: history.nodes.map((node, i) => ({
      ...node,
      store: i === 0 ? { kind: 'air', volumeL: airL } : node.store,
      initialWaterG: waterG[i]!,
    })),
    links: history.links.map((link, l) => ({
      ...link,
      conductanceLPerH: gone.has(link.a) ? 0 : conductances[l]!,
    })),
    events: [],
  }
}
