import type { Grams } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { GOOD_MM } from './baking.ts'
import { asTold, type HeatSource } from './heat-source.ts'

export interface ToPack {
  readonly id: string
  readonly desiccant: DesiccantKind
  readonly dryMassG: Grams
}

/** Part of one filling of a source that a charge takes at a good depth; above 1 it takes several. */
export function fillingShare(one: ToPack, source: HeatSource): number {
  const { trays, trayAreaCm2 } = asTold(source)
  return areaCm2(one) / (trays * trayAreaCm2)
}
const areaCm2 = (one: ToPack): number =>
  one.dryMassG / DESICCANTS[one.desiccant].bulkDensityGPerMl / (GOOD_MM / 10)

/**
 * Charges in as few fillings of a source as first fit finds, the largest first: each takes the area it has at a good depth,
 * and keeps to itself; equal ones in the order they came. One too large for the whole source is a filling of its own.
 */
export function packBatches(charges: readonly ToPack[], source: HeatSource): string[][] {
  const { trays, trayAreaCm2 } = asTold(source)
  const roomCm2 = trays * trayAreaCm2
  const batches: { left: number; ids: string[] }[] = []
  for (const one of [...charges].sort((a, b) => areaCm2(b) - areaCm2(a))) {
    const fits = batches.find(batch => batch.left >= areaCm2(one))
    if (fits) {
      fits.ids.push(one.id)
      fits.left -= areaCm2(one)
    } else batches.push({ left: roomCm2 - areaCm2(one), ids: [one.id] })
  }
  return batches.map(batch => batch.ids)
}
