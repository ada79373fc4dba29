import type { Grams, Seconds } from '#units/quantity.ts'
import { simulate } from '../network/simulate.ts'
import { waterAtRhG } from '../network/water-store.ts'
import {
  chargeConductanceLPerH,
  chargeStore,
  freshLoadingGPerG,
  futureNetwork,
  isPresent,
} from './box-network.ts'
import type { BoxFacts, ChargeFacts } from './facts.ts'
import { ENSEMBLE_TOLERANCES, type Draw } from './posterior.ts'
import { evenPicks, weightedQuantile } from './weighted.ts'

const MOST_G = 1500
const DRAWS = 15
/** Nine draws in ten must hold. */
const SURE = 0.9

/** What else changes when the charge is sized. */
export interface Remedy {
  readonly id: 'as it is' | 'dry the damp spools' | 'a better seal'
  /** RH-equivalent the spools are dried to. */
  readonly spoolsRhPercent?: number
  readonly leakLPerH?: number
}
export const REMEDIES: readonly Remedy[] = [
  { id: 'as it is' },
  { id: 'dry the damp spools', spoolsRhPercent: 8 },
  // the middle of what clips and rubber let through
  { id: 'a better seal', leakLPerH: 0.063 },
]

export interface GramsWanted {
  readonly remedy: Remedy['id']
  readonly weeks: number
  /** null where even the most would not do. */
  readonly grams: Grams | null
  /** What each draw asks for, ascending; MOST_G where it is not enough. */
  readonly perDraw: readonly Grams[]
}

/** Whether a fresh charge of this size keeps a draw below the target until then. */
function holds(
  facts: BoxFacts,
  draw: Draw,
  charge: ChargeFacts,
  remedy: Remedy,
  grams: Grams,
  untilS: Seconds,
): boolean {
  const future = futureNetwork(facts, draw.network, draw.waterNowG)
  const node = draw.network.nodeOfCharge[charge.id]!
  const surroundings = future.surroundings
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  surroundings.at(facts.nowS, point)
  const loading = freshLoadingGPerG(charge, draw.values, surroundings, facts.nowS)
  const store = { ...chargeStore(charge, draw.values), dryMassG: grams }
  const spoolNodes = new Set([
    ...Object.values(draw.network.nodeOfSpool),
    ...Object.values(draw.network.nodeOfBoard),
  ])
  // every other charge comes out: one fresh charge of this size does the work
  const others = new Set(
    Object.entries(draw.network.nodeOfCharge)
      .filter(([id]) => id !== charge.id)
      .map(([, index]) => index),
  )
  // more beads of the same holder lie in more of them: the way in grows with the mass
  const holderLPerH =
    chargeConductanceLPerH(charge, draw.values) * Math.max(1, grams / charge.dryMassG) ** (2 / 3)
  const network = {
    ...future,
    nodes: future.nodes.map((item, i) => {
      if (i === node) return { ...item, store, initialWaterG: loading * grams * store.capacityFactor }
      if (spoolNodes.has(i) && remedy.spoolsRhPercent !== undefined) {
        const dryG = waterAtRhG(item.store, remedy.spoolsRhPercent, point.temperatureC)
        return { ...item, initialWaterG: Math.min(item.initialWaterG, dryG) }
      }
      return item
    }),
    links: future.links.map(link => {
      if (link.path === 'lid' && remedy.leakLPerH !== undefined)
        return { ...link, conductanceLPerH: Math.min(link.conductanceLPerH, remedy.leakLPerH) }
      if (link.a === node) return { ...link, conductanceLPerH: holderLPerH }
      return others.has(link.a) ? { ...link, conductanceLPerH: 0 } : link
    }),
  }
  // damp spools and board keep the air up for a while, whatever the beads: what counts is that it comes down and stays
  const fromS = facts.nowS + SETTLES_S
  const run = simulate(
    network,
    { fromS: facts.nowS, toS: untilS, outputS: [], stopAbove: { rhPercent: facts.targetRhPercent!, fromS } },
    ENSEMBLE_TOLERANCES,
  )
  return run.outcome === 'finished'
}
const SETTLES_S = 7 * 86_400

/** Root finding on the network: the least grams with which this draw holds. Halving in ln(grams), to 3 %. */
function leastGrams(
  facts: BoxFacts,
  draw: Draw,
  charge: ChargeFacts,
  remedy: Remedy,
  untilS: Seconds,
): Grams {
  let low = Math.log(5)
  let high = Math.log(MOST_G)
  if (!holds(facts, draw, charge, remedy, MOST_G, untilS)) return MOST_G
  while (high - low > 0.03) {
    const middle = (low + high) / 2
    if (holds(facts, draw, charge, remedy, Math.exp(middle), untilS)) high = middle
    else low = middle
  }
  return Math.exp(high)
}

/**
 * Grams of beads, fresh from the usual heating and put in now, that hold the strictest target for so many weeks in
 * nine draws of ten.
 * @param datesS when each draw leaves the target: the draws used are spread evenly along them
 */
export function gramsWanted(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
  remedy: Remedy,
  weeks: number,
  shouldStop?: () => boolean,
): GramsWanted | null {
  const charge = [...facts.charges].reverse().find(item => isPresent(item, facts.nowS))
  if (!charge || facts.targetRhPercent === null) return null
  const picks = evenPicks(datesS, weights, DRAWS)
  const perDraw: number[] = []
  for (const pick of picks) {
    if (shouldStop?.()) return null
    perDraw.push(leastGrams(facts, draws[pick]!, charge, remedy, facts.nowS + weeks * 7 * 86_400))
  }
  perDraw.sort((a, b) => a - b)
  const even = perDraw.map(() => 1 / perDraw.length)
  const grams = weightedQuantile(perDraw, even, SURE)
  return { remedy: remedy.id, weeks, grams: grams >= MOST_G ? null : grams, perDraw }
}
