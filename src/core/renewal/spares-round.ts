import type { DesiccantKind } from '../desiccant/catalogue.ts'
import { packBatches, type ToPack } from './batches.ts'
import type { HeatSource } from './heat-source.ts'

/** Beads that may go round: in a box, or ready in a jar. */
export interface RoundCharge extends ToPack {
  readonly desiccant: DesiccantKind
  /** null: it lies beside the boxes. */
  readonly boxId: string | null
  /** Beside the boxes, and damp: it waits for heat. */
  readonly isDamp?: boolean
}

/** What becomes of the charges on one day. */
export interface RoundDay {
  /** A spare goes in at once; what came out waits. */
  readonly swaps: readonly { readonly boxId: string; readonly outId: string; readonly inId: string }[]
  /** Fillings of the oven in their order, by charge. */
  readonly batches: readonly (readonly string[])[]
  /** Comes out dry and goes back where it was. */
  readonly back: readonly { readonly boxId: string; readonly chargeId: string }[]
  /** Stays damp until a later day. */
  readonly waiting: readonly string[]
  /** Where each charge is afterwards. */
  readonly whereabouts: ReadonlyMap<string, string | null>
}

/** A spare may be a little smaller than what it stands in for, and not much larger. */
const LEAST = 0.9
const MOST = 1.4

/**
 * Which beads go where on the days of a plan. Ready spares go in first, the nearest in grams of the same kind; what came out
 * is heated as soon as the day has room for it.
 * @param mostBatches fillings each day has time for
 */
export function sparesRound(
  charges: readonly RoundCharge[],
  days: readonly { readonly boxIds: readonly string[]; readonly mostBatches: number }[],
  source: HeatSource,
): RoundDay[] {
  const byId = new Map(charges.map(charge => [charge.id, charge]))
  const where = new Map(charges.map(charge => [charge.id, charge.boxId]))
  const isReady = new Map(charges.map(charge => [charge.id, charge.boxId === null && !charge.isDamp]))
  return days.map(({ boxIds, mostBatches }) => {
    const swaps: RoundDay['swaps'][number][] = []
    const back: RoundDay['back'][number][] = []
    const due = charges.filter(one => boxIds.includes(where.get(one.id) ?? ''))
    for (const out of [...due].sort((a, b) => b.dryMassG - a.dryMassG)) {
      const boxId = where.get(out.id)!
      const spare = nearest(
        charges.filter(one => where.get(one.id) === null && isReady.get(one.id)),
        out,
      )
      if (!spare) {
        back.push({ boxId, chargeId: out.id })
        continue
      }
      swaps.push({ boxId, outId: out.id, inId: spare.id })
      where.set(spare.id, boxId)
      where.set(out.id, null)
      isReady.set(out.id, false)
    }
    const must = back.map(one => byId.get(one.chargeId)!)
    const could = charges.filter(one => where.get(one.id) === null && !isReady.get(one.id))
    const heated = [...must]
    for (const one of could)
      if (packBatches([...heated, one], source).length <= Math.max(mostBatches, 1)) heated.push(one)
    for (const one of heated) if (where.get(one.id) === null) isReady.set(one.id, true)
    return {
      swaps,
      back,
      batches: packBatches(heated, source),
      waiting: could.filter(one => !isReady.get(one.id)).map(one => one.id),
      whereabouts: new Map(where),
    }
  })
}

function nearest(ready: readonly RoundCharge[], out: RoundCharge): RoundCharge | null {
  const fit = ready.filter(
    one =>
      one.desiccant === out.desiccant &&
      one.dryMassG >= LEAST * out.dryMassG &&
      one.dryMassG <= MOST * out.dryMassG,
  )
  const off = (one: RoundCharge) => Math.abs(one.dryMassG - out.dryMassG)
  return fit.reduce<RoundCharge | null>((best, one) => (best && off(best) <= off(one) ? best : one), null)
}

/** Spares that would suit some charge of these. */
export const suitingSpares = <T extends RoundCharge>(charges: readonly T[]): T[] =>
  charges.filter(
    spare =>
      spare.boxId === null && charges.some(one => one.boxId !== null && nearest([spare], one) !== null),
  )
