import type { Celsius, Grams, PercentRh, Seconds, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { TIME_RINGS } from '../ask/spool-time.ts'
import { boxNetwork, type BoxNetwork } from '../assemble/box-network.ts'
import { betweenRh, type SpoolRh, type SpoolStart } from '../evidence/spool-start.ts'
import {
  NEXT_PRINT_G,
  nextPercent,
  ringRhPercent,
  spoolMoisture,
  type RingedSpool,
} from '../filament/rings.ts'
import { ALWAYS, type BoxModel } from '../model/box-model.ts'
import type { Surroundings } from '../network/network.ts'
import { simulate, type Simulation } from '../network/simulate.ts'
import { dampAt, materialOf, tellingsOf, type FittedSpool, type Ranged, type Telling } from './telling.ts'
import { spoolWaterAt, withoutOuterTurns, type SpoolWater } from './turns.ts'

/** What the air about a spool is, in straight lines from one point to the next. */
export interface AirPoint {
  readonly atS: Seconds
  readonly temperatureC: Celsius
  readonly rhPercent: Ranged
}
/** A stretch of a spool's life. Sealed away it keeps what it has; else the air has its way with it. */
export interface Leg {
  readonly untilS: Seconds
  /** At least one point, in order of time; null: sealed in a bag. */
  readonly air: readonly AirPoint[] | null
  readonly temperatureC: Celsius
  /** Times at which its moisture is wanted, 24 where nothing is said; many crowd at its beginning. */
  readonly points?: number
}

/** All that is known of one spool, from when something was first told of it: plain data, fit for a message. */
export interface SpoolLifeFacts {
  readonly spool: Omit<RingedSpool, 'rings' | 'slitShare' | 'filamentG'>
  /** When its life begins. */
  readonly filamentG: Grams
  readonly cardboardG: Grams
  readonly start: SpoolStart
  readonly fromS: Seconds
  /** One after another without a gap, at least one; the last ends now. */
  readonly legs: readonly Leg[]
  /** Prints: what was taken off the outside, in order of time. */
  readonly prints: readonly { readonly atS: Seconds; readonly grams: Grams }[]
  /** What the next print takes; left out: a hundred grams. */
  readonly nextG?: Grams
  /** What the scale told of it in a dryer; left out: as spools usually are. */
  readonly fitted?: FittedSpool
}

export interface SpoolLife {
  readonly atS: readonly Seconds[]
  /** Of the filament printed next, and of the whole spool, wt %. */
  readonly next: readonly Ranged[]
  readonly mean: readonly Ranged[]
  readonly now: SpoolStateNow
}
export interface SpoolStateNow {
  readonly filamentG: Grams
  readonly nextG: Grams
  readonly next: Ranged
  readonly mean: Ranged
  readonly corePercent: WeightPercent
  /** RH each ring is in balance with, from the outside in: what its clocks start from. */
  readonly ringsRhPercent: readonly PercentRh[]
  /** Ring by ring: the air between the turns, then the strand's shells. */
  readonly nodesG: ArrayLike<number>
  readonly waterG: Grams
}

/** Free air in a bag; and air that a spool cannot change: so much of it, and changed so fast. */
const BAG_L = 2
const AROUND_L = 10
const WIDE_OPEN_L_PER_H = 1e5
const POINTS_A_LEG = 24

/**
 * A spool's water through all it has been in: its rings go with it from box to room to dryer, and nothing is ever reset.
 * The range puts together what each unknown makes by itself, as independent errors.
 * @returns wt % at times of its own choice; null where it has no filament, or a run did not finish
 */
export function spoolLife(facts: SpoolLifeFacts): SpoolLife | null {
  if (!(facts.filamentG > 0)) return null
  const tellings = tellingsOf(facts.fitted)
  const middle = tell(facts, tellings.middle)
  const causes = tellings.causes.map(pair => pair.map(one => tell(facts, one)))
  if (!middle || causes.some(pair => pair.some(one => one === null))) return null
  const rangeOf = (valueOf: (told: Told) => number): Ranged => {
    const value = valueOf(middle)
    let below = 0
    let above = 0
    for (const pair of causes) {
      const off = pair.map(one => valueOf(one!) - value)
      below += Math.min(0, ...off) ** 2
      above += Math.max(0, ...off) ** 2
    }
    return { low: Math.max(0, value - Math.sqrt(below)), middle: value, high: value + Math.sqrt(above) }
  }
  const next = middle.atS.map((_, i) => rangeOf(told => told.next[i]!))
  const mean = middle.atS.map((_, i) => rangeOf(told => told.mean[i]!))
  return {
    atS: middle.atS,
    next,
    mean,
    now: {
      filamentG: middle.filamentG,
      nextG: Math.min(facts.nextG ?? NEXT_PRINT_G, middle.filamentG),
      next: next.at(-1)!,
      mean: mean.at(-1)!,
      corePercent: middle.corePercent,
      ringsRhPercent: middle.ringsRhPercent,
      nodesG: middle.water.nodesG,
      waterG: fractionFromPercent(mean.at(-1)!.middle) * middle.filamentG,
    },
  }
}

/** One telling, lived through. */
export interface Told {
  readonly atS: number[]
  readonly next: number[]
  readonly mean: number[]
  /** Water in filament and board together. */
  readonly waterG: number[]
  readonly filamentG: Grams
  readonly corePercent: WeightPercent
  readonly ringsRhPercent: readonly PercentRh[]
  readonly water: SpoolWater
  /** Each print as it went through: its filament, and the water in it. */
  readonly printed: readonly { readonly atS: Seconds; readonly grams: Grams; readonly waterG: Grams }[]
  /** Of the spool and its board: what stood in it at the start, what came in by the air, what left with its prints. */
  readonly books: { startG: Grams; takenUpG: Grams; printedG: Grams; endG: Grams }
}

/** @returns null where a run did not finish */
export function tell(facts: SpoolLifeFacts, telling: Telling): Told | null {
  const { spool: told, legs } = facts
  const material = materialOf(told.material, telling)
  const atS: number[] = []
  const next: number[] = []
  const mean: number[] = []
  const waterG: number[] = []
  const printed: { atS: Seconds; grams: Grams; waterG: Grams }[] = []
  const books = { startG: Number.NaN, takenUpG: 0, printedG: 0, endG: 0 }
  let spool: RingedSpool = {
    ...told,
    material,
    filamentG: facts.filamentG,
    slitShare: telling.slitShare,
    rings: TIME_RINGS,
  }
  let water: SpoolWater | null = null
  let end: Pick<Told, 'corePercent' | 'ringsRhPercent'> = { corePercent: 0, ringsRhPercent: [] }
  for (const stretch of stretchesOf(facts, legs)) {
    const { fromS, untilS, printsG } = stretch
    const run = live(spool, facts, telling, stretch, water && { water, rhPercent: end.ringsRhPercent })
    if (!run) return null
    const { network, simulation, startG, takenUpG } = run
    const place = network.spoolPlaces[0]!
    const nodes = network.nodes.length
    if (Number.isNaN(books.startG)) books.startG = startG
    for (let row = 0; row < simulation.atS.length; row++) {
      const moisture = spoolMoisture(place.layout!, simulation.waterG, row * nodes)
      atS.push(simulation.atS[row]!)
      next.push(nextPercent(place.layout!, simulation.waterG, facts.nextG ?? NEXT_PRINT_G, row * nodes))
      mean.push(moisture.meanPercent)
      waterG.push(totalG(spoolWaterAt(place, simulation.waterG, row * nodes)))
    }
    const last = (simulation.atS.length - 1) * nodes
    water = spoolWaterAt(place, simulation.waterG, last)
    books.takenUpG += takenUpG
    end = {
      corePercent: spoolMoisture(place.layout!, simulation.waterG, last).corePercent,
      ringsRhPercent: ringRhPercent(place.layout!, simulation.waterG, material, last),
    }
    if (fromS === untilS || printsG === 0) continue
    // the last turns of a spool are never reckoned to nothing: what is left of it is weighed or thrown away
    const takenG = Math.min(printsG, spool.filamentG - LEAST_G)
    if (takenG <= 0) continue
    const left = withoutOuterTurns(spool, water, takenG)
    water = left.water
    books.printedG += left.printedWaterG
    printed.push({ atS: untilS, grams: takenG, waterG: left.printedWaterG })
    spool = { ...spool, filamentG: spool.filamentG - takenG }
  }
  books.endG = water ? totalG(water) : 0
  return { atS, next, mean, waterG, filamentG: spool.filamentG, ...end, water: water!, printed, books }
}

const LEAST_G = 1
const totalG = ({ nodesG, boardG }: SpoolWater): Grams => nodesG.reduce((sum, one) => sum + one, boardG)

interface Stretch {
  readonly fromS: Seconds
  readonly untilS: Seconds
  readonly leg: Leg
  /** Taken off at its end. */
  readonly printsG: Grams
}

/** Legs, cut where something was printed; after the last cut the print shows, so that now is never before it. */
function stretchesOf({ fromS, prints }: SpoolLifeFacts, legs: readonly Leg[]): Stretch[] {
  const stretches: Stretch[] = []
  let atS = fromS
  for (const leg of legs) {
    for (const print of prints) {
      if (print.atS <= atS || print.atS >= leg.untilS) continue
      stretches.push({ fromS: atS, untilS: print.atS, leg, printsG: print.grams })
      atS = print.atS
    }
    const atEnd = prints.filter(print => print.atS === leg.untilS).reduce((sum, one) => sum + one.grams, 0)
    stretches.push({ fromS: atS, untilS: leg.untilS, leg, printsG: atEnd })
    atS = leg.untilS
  }
  // a print at the very end is seen by a look of no length after it
  if (stretches.at(-1)!.printsG > 0)
    stretches.push({ fromS: atS, untilS: atS, leg: legs.at(-1)!, printsG: 0 })
  return stretches
}

/** One stretch in its air, from the water it came with. */
function live(
  spool: RingedSpool,
  { cardboardG, start }: SpoolLifeFacts,
  telling: Telling,
  { fromS, untilS, leg }: Stretch,
  came: { readonly water: SpoolWater; readonly rhPercent: SpoolRh } | null,
): { network: BoxNetwork; simulation: Simulation; startG: Grams; takenUpG: Grams } | null {
  const wetRhPercent: SpoolRh = betweenRh(start, telling.damp)
  const model: BoxModel = {
    insideL: leg.air === null ? BAG_L : AROUND_L,
    // the air turns at its points: a step that ran over one would be tried again and again
    inlets: [
      {
        by: 'open',
        conductanceLPerH: leg.air === null ? 0 : WIDE_OPEN_L_PER_H,
        later: (leg.air ?? [])
          .filter(({ atS }) => atS > fromS && atS < untilS)
          .map(({ atS }) => ({ atS, conductanceLPerH: WIDE_OPEN_L_PER_H })),
      },
    ],
    charges: [],
    spools: [
      { ...spool, ...ALWAYS, wetRhPercent, cardboardG: cardboardG * (telling.board ?? 1), solidsL: 0 },
    ],
    openings: [],
    // a bag's air is soon as its spool has it
    airRhPercent: leg.air === null ? middleRh(came?.rhPercent ?? wetRhPercent) : 'room',
    surroundings: airOver(leg, dampAt(telling, fromS)),
  }
  const plain = boxNetwork(model, { fromS, toS: untilS }, TIME_RINGS)
  const network = came ? withWater(plain, came.water) : plain
  const place = network.spoolPlaces[0]!
  const initial = Float64Array.from(network.nodes, node => node.initialWaterG)
  const startG = totalG(spoolWaterAt(place, initial, 0))
  const points = leg.points ?? Math.max(1, Math.min(POINTS_A_LEG, Math.ceil((untilS - fromS) / 3600)))
  const crowding = leg.points === undefined ? 1.5 : 3
  const outputS =
    untilS === fromS
      ? [fromS]
      : Array.from({ length: points + 1 }, (_, i) => fromS + (untilS - fromS) * (i / points) ** crowding)
  const simulation = simulate(
    network,
    { fromS, toS: untilS, outputS },
    { airToleranceRhPercent: 0.1, relativeTolerance: 5e-4, maxSteps: 20_000 },
  )
  if (simulation.outcome !== 'finished' || simulation.atS.length === 0) return null
  const lastRow = (simulation.atS.length - 1) * network.links.length
  const takenUpG = network.links.reduce(
    (sum, link, i) => (link.b === 0 ? sum - simulation.flowG[lastRow + i]! : sum),
    0,
  )
  return { network, simulation, startG, takenUpG }
}

const middleRh = (rh: SpoolRh): PercentRh => (typeof rh === 'number' ? rh : rh[rh.length >> 1]!)

/** The same network with this water in its spool. */
function withWater(network: BoxNetwork, { nodesG, boardG }: SpoolWater): BoxNetwork {
  const { layout, board } = network.spoolPlaces[0]!
  return {
    ...network,
    nodes: network.nodes.map((node, i) => {
      if (i === board) return { ...node, initialWaterG: boardG }
      const inSpool = i - layout!.first
      return inSpool >= 0 && inSpool < nodesG.length ? { ...node, initialWaterG: nodesG[inSpool]! } : node
    }),
  }
}

/** The air of a leg as one telling has it. */
function airOver({ air, temperatureC }: Leg, damp: number): Surroundings {
  const rhOf = ({ rhPercent: { low, middle, high } }: AirPoint) =>
    damp < 0.5 ? low + (middle - low) * 2 * damp : middle + (high - middle) * (2 * damp - 1)
  return {
    at(timeS, out) {
      if (air === null) {
        out.temperatureC = temperatureC
        out.vapourDensityGPerL = 0
        return
      }
      const after = air.findIndex(point => point.atS >= timeS)
      const next = air[after < 0 ? air.length - 1 : after]!
      const before = after <= 0 ? next : air[after - 1]!
      const share = next.atS > before.atS ? (timeS - before.atS) / (next.atS - before.atS) : 0
      const between = (from: number, to: number) => from + (to - from) * Math.min(1, share)
      out.temperatureC = between(before.temperatureC, next.temperatureC)
      out.vapourDensityGPerL =
        fractionFromPercent(between(rhOf(before), rhOf(next))) * saturationDensityGPerL(out.temperatureC)
    },
  }
}
