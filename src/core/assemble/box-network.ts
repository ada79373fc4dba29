import type { Litres, LitresPerHour, PercentRh, Seconds } from '#units/quantity.ts'
import { freeAirL } from '../container/container.ts'
import { openingShare } from '../container/opening.ts'
import { BOARD, BOARD_L_PER_H } from '../filament/board.ts'
import { addRings, meanRhOfRingsPercent, type SpoolLayout } from '../filament/rings.ts'
import { filamentSorbent } from '../filament/sorption.ts'
import { spoolConductanceLPerH } from '../filament/winding.ts'
import {
  isPresent,
  solidsAtL,
  type BoxModel,
  type SpoolModel,
  type Stay,
  type Way,
} from '../model/box-model.ts'
import type { ConductanceLaw } from '../network/law.ts'
import {
  ROOM,
  type Network,
  type NetworkEvent,
  type NetworkLink,
  type NetworkNode,
  type StrandLink,
  type WaterStore,
} from '../network/network.ts'
import { waterAtRhG } from '../network/water-store.ts'

/** Where a spool stands in a network: lumped as one node, or ring by ring. */
export interface SpoolPlace {
  readonly lump: number | null
  readonly layout: SpoolLayout | null
  readonly board: number | null
}

/** The network of a box; charges and spools in the order of its model. Node 0 is the box air. */
export interface BoxNetwork extends Network<Way> {
  /** null for a charge without beads: there is nothing to hold water. */
  readonly chargeNodes: readonly (number | null)[]
  readonly spoolPlaces: readonly SpoolPlace[]
}

/** The slits of a lumped spool are what its conductance hangs on: it follows the diffusivity of vapour in air. */
const LUMP_STATED_C = 23
const LUMP_LAW: ConductanceLaw = { kind: 'diffusion', referenceC: LUMP_STATED_C, of: 'spool' }

/** Free air with what is inside at a time. */
export const freeAirAtL = (model: BoxModel, atS: Seconds): Litres =>
  freeAirL(model.insideL, solidsAtL(model, atS))

/**
 * The network of a box over a span: the only builder there is. All that is ever inside has a node, and comes and goes
 * by the conductance of its link.
 * @param rings of each spool; 0: spools are lumped, which answers for the box air and their means
 */
export function boxNetwork(
  model: BoxModel,
  span: { readonly fromS: Seconds; readonly toS: Seconds },
  rings: number,
): BoxNetwork {
  const { fromS, toS } = span
  const start = { temperatureC: 0, vapourDensityGPerL: 0 }
  model.surroundings.at(fromS, start)
  const { temperatureC } = start
  const nodes: NetworkNode[] = []
  const links: NetworkLink<Way>[] = []
  const strands: StrandLink[] = []
  const events: NetworkEvent<Way>[] = []

  const airL = freeAirAtL(model, fromS)
  const air: WaterStore = { kind: 'air', volumeL: airL }
  nodes.push({
    id: 'air',
    store: air,
    initialWaterG:
      model.airRhPercent === 'room'
        ? start.vapourDensityGPerL * airL
        : waterAtRhG(air, model.airRhPercent, temperatureC),
  })
  for (const { by, conductanceLPerH, law, later } of model.inlets) {
    const link = links.push({ way: { by }, a: 0, b: ROOM, conductanceLPerH, ...(law ? { law } : {}) }) - 1
    for (const change of later ?? []) events.push({ ...change, kind: 'conduct', link })
  }

  /** The comings and goings of a link that is there only while its thing is inside. */
  const comeAndGo = (link: number, stay: Stay, conductanceLPerH: LitresPerHour): void => {
    if (stay.inS > fromS) events.push({ atS: stay.inS, kind: 'conduct', link, conductanceLPerH })
    if (stay.outS !== null && stay.outS > fromS)
      events.push({ atS: stay.outS, kind: 'conduct', link, conductanceLPerH: 0 })
  }
  const addStore = (
    way: Way,
    id: string,
    store: WaterStore,
    initialWaterG: number,
    conductanceLPerH: LitresPerHour,
    stay: Stay,
    law?: ConductanceLaw,
  ): number => {
    const node = nodes.push({ id, store, initialWaterG }) - 1
    const atFirst = isPresent(stay, fromS) ? conductanceLPerH : 0
    const link = { way, a: node, b: 0, conductanceLPerH: atFirst }
    comeAndGo(links.push(law ? { ...link, law } : link) - 1, stay, conductanceLPerH)
    return node
  }

  const chargeNodes = model.charges.map(charge => {
    const { id, sorbent, dryMassG, capacityFactor, loadingGPerG } = charge
    if (dryMassG <= 0) return null
    const node = addStore(
      { by: 'charge', id },
      id,
      { kind: 'sorbent', sorbent, dryMassG, capacityFactor, of: 'beads' },
      loadingGPerG * dryMassG * capacityFactor,
      charge.conductanceLPerH,
      charge,
    )
    for (const renewal of charge.renewals)
      events.push({ ...renewal, kind: 'setWater', node, way: { by: 'renewal', id } })
    return node
  })

  const addSpool = (spool: SpoolModel): SpoolPlace => {
    const { id, filamentG, wetRhPercent, cardboardG } = spool
    const meanRh = rings === 0 || cardboardG > 0 ? meanRhPercent(spool) : 0
    let lump: number | null = null
    let layout: SpoolLayout | null = null
    if (filamentG > 0 && rings > 0) {
      const outermost = links.length
      layout = addRings({ ...spool, rings }, ringsOf(wetRhPercent, rings), temperatureC, {
        nodes,
        links,
        strands,
      })
      for (let i = outermost; i < links.length; i++) {
        const link = links[i]!
        if (link.b !== 0) continue
        if (!isPresent(spool, fromS)) links[i] = { ...link, conductanceLPerH: 0 }
        comeAndGo(i, spool, link.conductanceLPerH)
      }
    } else if (filamentG > 0) {
      const store: WaterStore = {
        kind: 'sorbent',
        sorbent: filamentSorbent(spool.material),
        dryMassG: filamentG,
        capacityFactor: 1,
        of: 'spool',
      }
      lump = addStore(
        { by: 'spool', id },
        id,
        store,
        waterAtRhG(store, meanRh, temperatureC),
        spoolConductanceLPerH({ ...spool, temperatureC: LUMP_STATED_C }),
        spool,
        LUMP_LAW,
      )
    }
    if (cardboardG <= 0) return { lump, layout, board: null }
    const store: WaterStore = {
      kind: 'sorbent',
      sorbent: BOARD,
      dryMassG: cardboardG,
      capacityFactor: 1,
      of: 'spool',
    }
    const boardRh = spool.boardRhPercent ?? meanRh
    const board = addStore(
      { by: 'board', id },
      `${id}:board`,
      store,
      waterAtRhG(store, boardRh, temperatureC),
      BOARD_L_PER_H,
      spool,
    )
    return { lump, layout, board }
  }
  const spoolPlaces = model.spools.map(addSpool)

  for (const { atS, openSeconds } of model.openings)
    if (atS >= fromS && atS < toS)
      events.push({
        atS,
        kind: 'exchange',
        node: 0,
        share: openingShare(openSeconds),
        way: { by: 'openings' },
      })
  for (const { atS, freeAirs } of model.exchanges ?? [])
    if (atS >= fromS && atS < toS)
      events.push(
        rings === 0
          ? { atS, kind: 'takeUp', freeAirs, way: { by: 'openings' } }
          : // between rings there is next to no air to take anything up: they get the air itself
            { atS, kind: 'exchange', node: 0, share: 1 - Math.exp(-freeAirs), way: { by: 'openings' } },
      )
  for (const atS of changesOfSolidsS(model, span))
    events.push({
      atS,
      kind: 'setVolume',
      node: 0,
      volumeL: freeAirAtL(model, atS),
      way: { by: 'room for air' },
    })
  events.sort((a, b) => a.atS - b.atS)
  return { nodes, links, strands, events, surroundings: model.surroundings, chargeNodes, spoolPlaces }
}

/** When what comes or goes changes the room that is left for air. */
function changesOfSolidsS(model: BoxModel, { fromS, toS }: { fromS: Seconds; toS: Seconds }): Set<Seconds> {
  const changesS = new Set<Seconds>()
  for (const thing of [...model.charges, ...model.spools])
    for (const atS of [thing.inS, thing.outS])
      if (atS !== null && atS > fromS && atS <= toS && thing.solidsL > 0) changesS.add(atS)
  return changesS
}

/** As many rings as the network has, from a state that may have been kept with another number. */
function ringsOf(
  wetRhPercent: PercentRh | readonly PercentRh[],
  rings: number,
): PercentRh | readonly PercentRh[] {
  if (typeof wetRhPercent === 'number' || wetRhPercent.length === rings) return wetRhPercent
  throw new Error(`A spool kept as ${wetRhPercent.length} rings can't be built with ${rings}.`)
}

const meanRhPercent = (spool: SpoolModel): PercentRh =>
  typeof spool.wetRhPercent === 'number'
    ? spool.wetRhPercent
    : meanRhOfRingsPercent(spool, spool.wetRhPercent)
