import type { MaterialId } from '#core/filament/material.ts'
import { boxView } from '#journal/box-view.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { SpoolRecord, State } from '#journal/state.ts'

/** What a label says of a spool. */
export interface SpoolLabelFacts {
  readonly of: 'spool'
  readonly id: string
  readonly name: string
  readonly material: MaterialId
  readonly colour: string
  readonly maker: string | null
  readonly preset: string | null
  /** When it was taken out of its factory bag; null: not told, or it never was. */
  readonly openedMs: number | null
  readonly isSealed: boolean
  readonly driedMs: number | null
  /** With its spool, and the spool alone. */
  readonly grossG: number
  readonly emptyG: number
}
export interface BoxLabelFacts {
  readonly of: 'box'
  readonly id: string
  readonly name: string
  readonly targetRhPercent: number | null
  readonly spools: readonly string[]
  readonly beadsG: number
}
export type LabelFacts = SpoolLabelFacts | BoxLabelFacts

export const spoolLabels = ({ spools }: State): SpoolLabelFacts[] =>
  [...spools.values()]
    .filter(spool => spool.where.at !== 'used up')
    .sort((a, b) => a.name.localeCompare(b.name, 'en'))
    .map(spool => ({
      of: 'spool',
      id: spool.spoolId,
      name: spool.name,
      material: spool.material,
      colour: spool.colour,
      maker: spool.maker ?? null,
      preset: spool.preset ?? null,
      openedMs: openedMs(spool),
      isSealed: isSealed(spool),
      driedMs: spool.dryings.reduce<number | null>((last, one) => Math.max(last ?? 0, one.atMs), null),
      grossG: spool.filamentG + spool.emptyG,
      emptyG: spool.emptyG,
    }))

const cameSealed = ({ wetness, whereabouts }: SpoolRecord): boolean =>
  wetness === 'sealed bag' && whereabouts[0]!.where.at === 'bag'
const isSealed = (spool: SpoolRecord): boolean => cameSealed(spool) && spool.whereabouts.length === 1

function openedMs(spool: SpoolRecord): number | null {
  if (cameSealed(spool)) return spool.whereabouts[1]?.fromMs ?? null
  return spool.wetness === 'weeks in the room' ? spool.madeMs : null
}

export const boxLabels = (state: State, nowMs: number): BoxLabelFacts[] =>
  inShelfOrder(state).flatMap(box => {
    const view = boxView(state, box.boxId, nowMs)
    return view
      ? [
          {
            of: 'box',
            id: box.boxId,
            name: box.name,
            targetRhPercent: view.target?.rhPercent ?? null,
            spools: view.spools.map(spool => spool.name),
            beadsG: view.charges.reduce((sum, one) => sum + one.dryMassG, 0),
          },
        ]
      : []
  })
