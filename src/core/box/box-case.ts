import type { Grams, GramsPerGram, Litres, LitresPerHour, PercentRh, Seconds } from '#units/quantity.ts'
import { openingShare } from '../container/opening.ts'
import { chargeStoreOf, sorbentOf, type AnyDesiccantKind } from '../desiccant/sorbent.ts'
import { addRings, type RingedSpool, type SpoolLayout } from '../filament/rings.ts'
import { sorptionIsotherm } from '../filament/sorption.ts'
import { spoolConductanceLPerH } from '../filament/winding.ts'
import {
  ROOM,
  type ConductanceLaw,
  type Network,
  type NetworkEvent,
  type NetworkLink,
  type NetworkNode,
  type StrandLink,
  type Surroundings,
  type WaterStore,
} from '../network/network.ts'
import { waterAtRhG } from '../network/water-store.ts'

/** A box as it stands at the start of a run: everything a question about it needs, nothing about how it is known. */
export interface BoxCase {
  readonly freeAirL: Litres
  /** Every way room air comes in, by name. */
  readonly inlets: readonly Inlet[]
  readonly charges: readonly ChargeCase[]
  readonly spools: readonly SpoolCase[]
  readonly openings: { readonly everyS: Seconds; readonly openSeconds: Seconds } | null
  readonly airRhPercent: PercentRh
  readonly surroundings: Surroundings
}
/** `law`: how it changes with temperature, for walls and holes. */
export interface Inlet {
  readonly path: string
  readonly conductanceLPerH: LitresPerHour
  readonly law?: ConductanceLaw
}
export interface ChargeCase {
  readonly id: string
  readonly kind: AnyDesiccantKind
  readonly dryMassG: Grams
  readonly capacityFactor?: number
  readonly loadingGPerG: GramsPerGram
  readonly conductanceLPerH: LitresPerHour
}
export interface SpoolCase extends Omit<RingedSpool, 'rings'> {
  readonly wetRhPercent: PercentRh
  readonly cardboardG: Grams
}

/** Cardboard holds this at saturation, g/g, and passes this; common practice. */
export const BOARD_AT_SATURATION_G_PER_G = 0.15
export const BOARD_L_PER_H = 90

export interface CaseNetwork extends Network {
  readonly layouts: readonly SpoolLayout[]
}

/**
 * The network of a case from one time to another.
 * @param rings of each spool; 0 for the lumped spool, which answers for the mean alone
 */
export function caseNetwork(box: BoxCase, fromS: Seconds, toS: Seconds, rings: number): CaseNetwork {
  const start = { temperatureC: 0, vapourDensityGPerL: 0 }
  box.surroundings.at(fromS, start)
  const { temperatureC } = start
  const nodes: NetworkNode[] = []
  const links: NetworkLink[] = []
  const strands: StrandLink[] = []
  const layouts: SpoolLayout[] = []
  const add = (id: string, store: WaterStore, initialWaterG: number) =>
    nodes.push({ id, store, initialWaterG }) - 1
  const air: WaterStore = { kind: 'air', volumeL: box.freeAirL }
  add('air', air, waterAtRhG(air, box.airRhPercent, temperatureC))
  for (const inlet of box.inlets) links.push({ ...inlet, a: 0, b: ROOM })
  for (const charge of box.charges) {
    const store = chargeStoreOf(sorbentOf(charge.kind), charge.dryMassG, charge.capacityFactor)
    const node = add(
      `charge:${charge.id}`,
      store,
      charge.loadingGPerG * charge.dryMassG * store.capacityFactor,
    )
    links.push({ path: `charge:${charge.id}`, a: node, b: 0, conductanceLPerH: charge.conductanceLPerH })
  }
  for (const spool of box.spools) {
    if (rings > 0)
      layouts.push(addRings({ ...spool, rings }, spool.wetRhPercent, temperatureC, { nodes, links, strands }))
    else {
      const store: WaterStore = {
        kind: 'polymer',
        dryMassG: spool.filamentG,
        isotherm: sorptionIsotherm(spool.material),
      }
      const node = add(`spool:${spool.id}`, store, waterAtRhG(store, spool.wetRhPercent, temperatureC))
      links.push({
        path: `spool:${spool.id}`,
        a: node,
        b: 0,
        conductanceLPerH: spoolConductanceLPerH({ ...spool, temperatureC }),
      })
    }
    if (spool.cardboardG > 0) {
      const board: WaterStore = {
        kind: 'board',
        dryMassG: spool.cardboardG,
        loadingAtSaturationGPerG: BOARD_AT_SATURATION_G_PER_G,
      }
      const node = add(`board:${spool.id}`, board, waterAtRhG(board, spool.wetRhPercent, temperatureC))
      links.push({ path: `board:${spool.id}`, a: node, b: 0, conductanceLPerH: BOARD_L_PER_H })
    }
  }
  const events: NetworkEvent[] = []
  if (box.openings)
    for (let atS = fromS + box.openings.everyS; atS < toS; atS += box.openings.everyS)
      events.push({
        atS,
        kind: 'exchange',
        node: 0,
        share: openingShare(box.openings.openSeconds),
        path: 'openings',
      })
  return { nodes, links, strands, events, surroundings: box.surroundings, layouts }
}
