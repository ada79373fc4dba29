import type { Grams } from '#units/quantity.ts'
import type { SpoolPlace } from '../assemble/box-network.ts'
import { ringMassesG, type RingedSpool } from '../filament/rings.ts'
import { STRAND_SHELLS } from '../filament/strand.ts'

/** Water of a ringed spool, node by node, and of its cardboard: what goes with it wherever it goes. */
export interface SpoolWater {
  /** Ring by ring from the outside in: the air between the turns, then the strand's shells. */
  readonly nodesG: Float64Array
  readonly boardG: Grams
}

/** Nodes of a ring: the air between its turns, and its strand. */
export const NODES_A_RING = 1 + STRAND_SHELLS.length

export function spoolWaterAt(
  { layout, board }: SpoolPlace,
  waterG: ArrayLike<number>,
  row: number,
): SpoolWater {
  const nodesG = new Float64Array(layout!.ringMassG.length * NODES_A_RING)
  const first = row + layout!.first
  for (let i = 0; i < nodesG.length; i++) nodesG[i] = waterG[first + i]!
  return { nodesG, boardG: board === null ? 0 : waterG[row + board]! }
}

/**
 * The outer turns are printed first: what is left is wound in rings anew, each with the water of the turns it is made of.
 * @param takenG more than 0, less than all
 * @returns its water, and what went with the turns that were printed: together as much as before
 */
export function withoutOuterTurns(
  spool: RingedSpool,
  water: SpoolWater,
  takenG: Grams,
): { readonly water: SpoolWater; readonly printedWaterG: Grams } {
  const before = ringMassesG(spool)
  const after = ringMassesG({ ...spool, filamentG: spool.filamentG - takenG })
  const nodesG = new Float64Array(after.length * NODES_A_RING)
  const bounds = (masses: Float64Array, fromG: Grams) => {
    let atG = fromG
    return Array.from(masses, massG => [atG, (atG += massG)] as const)
  }
  const old = bounds(before, 0)
  let keptG = 0
  bounds(after, takenG).forEach(([fromG, toG], ring) => {
    old.forEach(([oldFromG, oldToG], oldRing) => {
      const shared = Math.min(toG, oldToG) - Math.max(fromG, oldFromG)
      if (shared <= 0) return
      const share = shared / (oldToG - oldFromG)
      for (let node = 0; node < NODES_A_RING; node++) {
        const partG = share * water.nodesG[oldRing * NODES_A_RING + node]!
        nodesG[ring * NODES_A_RING + node]! += partG
        keptG += partG
      }
    })
  })
  const allG = water.nodesG.reduce((sum, one) => sum + one, 0)
  return { water: { nodesG, boardG: water.boardG }, printedWaterG: allG - keptG }
}
