import { secondsFromDays } from '#units/time.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { equilibriumRhPercent } from '../desiccant/regeneration.ts'
import { silicaLoadingGPerG } from '../desiccant/silica-gel.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { vapourPressureOfRhPa } from '../air/vapour.ts'
import { LIDS } from '../container/container.ts'
import { saturationDensityGPerL, storeVapourDensityGPerL } from '../network/compiled.ts'
import { ROOM } from '../network/network.ts'
import { simulate } from '../network/simulate.ts'
import { drawSurroundings, freshLoadingGPerG, futureNetwork, HORIZON_S, isPresent } from './box-network.ts'
import { findContradiction, type Contradiction } from './contradiction.ts'
import type { BoxFacts } from './facts.ts'
import { chargeRhAtTargetPercent, greatestLeakLPerH, steadyRhPercent } from './floor.ts'
import {
  causesOfWidth,
  leaveDates,
  leavesAtS,
  sharesOfDates,
  TWENTIETHS,
  weightyDraws,
  worthOfKnowing,
  type LeaveDates,
  type SharesOfDates,
  type Worth,
} from './forecast.ts'
import { gramsWanted, REMEDIES, type GramsWanted } from './grams-wanted.ts'
import { observationsOf } from './likelihood.ts'
import { ENSEMBLE_TOLERANCES, samplePosterior, type Draw } from './posterior.ts'
import { seededRandom } from './random.ts'
import { unknownsOf } from './unknowns.ts'
import { evenPicks, spreadOf, weightedQuantile, type Spread } from './weighted.ts'

/** One way water takes, in the middle draw: G·(c_from − c_to). */
export interface Stream {
  readonly path: string
  readonly conductanceLPerH: number
  readonly fromGPerM3: number
  readonly toGPerM3: number
  /** Into the box air when positive. */
  readonly mgPerDay: number
}

export interface ChargeNow {
  readonly id: string
  readonly dryMassG: number
  readonly capacityFactor: number
  readonly loadingGPerG: number
  readonly waterG: number
  readonly spread: Spread
  /** RH over the beads at which the air stands at the target, and the grams they hold then. */
  readonly notchRhPercent: number | null
  readonly notchLoadingGPerG: number | null
  readonly notchG: number | null
  readonly freshG: number
  readonly holderLPerH: number
}

export interface SpoolNow {
  readonly id: string
  readonly filamentG: number
  readonly moisturePercent: number
  readonly spread: Spread
  readonly waterG: number
  /** Where it would end in the air it has now. */
  readonly boxRhPercent: number
}

export interface Curve {
  readonly atS: readonly number[]
  readonly rhPercent: readonly number[]
}

export interface BoxReport {
  readonly nowS: number
  readonly targetRhPercent: number | null
  readonly draws: number
  readonly rounds: number
  readonly effectiveDraws: number
  readonly contradiction: Contradiction | null
  readonly leaves: (LeaveDates & { readonly sharesOfDates: SharesOfDates }) | null
  readonly causes: readonly { readonly id: string; readonly name: string; readonly share: number }[]
  readonly worth: readonly Worth[]
  /** What the display would show now: the 5, 10 … 95 % points. */
  readonly expectedRhPercent: readonly number[]
  readonly temperatureC: number
  readonly roomGPerM3: number
  readonly roomRhPercent: number
  readonly leakLPerH: Spread
  readonly streams: readonly Stream[]
  readonly charges: readonly ChargeNow[]
  readonly spools: readonly SpoolNow[]
  readonly floor: {
    readonly rhPercent: number
    readonly probabilityAboveTarget: number
    readonly chargeRhPercent: number
    readonly roomRhPercent: number
    readonly leakLPerH: number
    readonly holderLPerH: number
    readonly wouldDo: string
  } | null
  readonly past: {
    readonly atS: readonly number[]
    readonly low: readonly number[]
    readonly middle: readonly number[]
    readonly high: readonly number[]
  }
  readonly futures: readonly Curve[]
}

export interface ReportOptions {
  readonly seed: number
  readonly drawsPerRound?: number
  readonly shouldStop?: () => boolean
}

const FUTURE_CURVES = 13
const PAST_POINTS = 90
const FUTURE_POINTS = 40
const PAST_DRAWS = 40

/** The reckoning of one box: what is in it now, and when it leaves its target. Same facts and seed, same report. */
export function reckonBox(facts: BoxFacts, options: ReportOptions): BoxReport {
  return reckonWithDraws(facts, options).report
}

/** Grams wanted for each remedy and each number of weeks; costs more than the report, so it is asked for apart. */
export function reckonGrams(
  facts: BoxFacts,
  options: ReportOptions,
  weeks: readonly number[],
): GramsWanted[] {
  const { draws, weights, datesS } = reckonWithDraws(facts, options)
  const list: GramsWanted[] = []
  for (const remedy of REMEDIES)
    for (const n of weeks) {
      const wanted = gramsWanted(facts, draws, weights, datesS, remedy, n, options.shouldStop)
      if (wanted) list.push(wanted)
    }
  return list
}

function reckonWithDraws(facts: BoxFacts, options: ReportOptions) {
  const unknowns = unknownsOf(facts)
  const observations = observationsOf(facts)
  const posterior = samplePosterior(facts, unknowns, observations, seededRandom(options.seed), {
    drawsPerRound: options.drawsPerRound ?? 200,
    maxAdaptiveRounds: 6,
    enoughEffectiveDraws: 80,
    ...(options.shouldStop ? { shouldStop: options.shouldStop } : {}),
  })
  const { draws, weights } = weightyDraws(posterior)
  const target = facts.targetRhPercent
  const datesS = draws.map(draw =>
    target === null ? facts.nowS + HORIZON_S : leavesAtS(facts, draw, target),
  )
  const middle = middleDraw(
    draws,
    weights,
    datesS,
    facts.charges.find(charge => isPresent(charge, facts.nowS))?.id,
  )
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  middle.network.surroundings.at(facts.nowS, point)
  const temperatureC = point.temperatureC
  const saturation = saturationDensityGPerL(temperatureC)
  const roomRhPercent = percentFromFraction(point.vapourDensityGPerL / saturation)
  const streams = streamsNow(facts, middle, temperatureC, point.vapourDensityGPerL)
  const leaves =
    target === null
      ? null
      : {
          ...leaveDates(datesS, weights, facts.nowS),
          sharesOfDates: sharesOfDates(datesS, weights),
        }
  const report: BoxReport = {
    nowS: facts.nowS,
    targetRhPercent: target,
    draws: posterior.draws.length,
    rounds: posterior.rounds,
    effectiveDraws: posterior.effectiveDraws,
    contradiction: findContradiction(posterior, observations, unknowns),
    leaves,
    causes: target === null ? [] : causesOfWidth(draws, weights, datesS, unknowns),
    worth: target === null ? [] : worthOfKnowing(draws, weights, datesS, unknowns),
    expectedRhPercent: TWENTIETHS.map(share =>
      weightedQuantile(
        draws.map(draw => draw.airRhNowPercent + draw.values.offsetRhPercent),
        weights,
        share,
      ),
    ),
    temperatureC,
    roomGPerM3: point.vapourDensityGPerL * 1000,
    roomRhPercent,
    leakLPerH: spreadOf(
      draws.map(draw => draw.values.leakLPerH),
      weights,
    ),
    streams,
    charges: chargesNow(facts, draws, weights, middle, streams, roomRhPercent, temperatureC),
    spools: spoolsNow(facts, draws, weights, middle),
    floor: floorOf(facts, draws, weights, streams, roomRhPercent, temperatureC),
    past: pastCurve(facts, draws, weights, datesS),
    futures: futureCurves(
      facts,
      draws,
      weights,
      datesS,
      leaves?.spread.high ?? facts.nowS + secondsFromDays(60),
    ),
  }
  return { report, draws, weights, datesS }
}

/**
 * One draw to stand for all where a page needs figures that agree with each other: the nearest to the weighted medians
 * of what is shown: leak, water in the charge, RH now, and the date the target is left, each measured in its spread.
 */
function middleDraw(
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  datesS: readonly number[],
  chargeId: string | undefined,
): Draw {
  const columns = [
    draws.map(draw => Math.log(draw.values.leakLPerH)),
    draws.map(draw => (chargeId === undefined ? 0 : draw.waterNowG[draw.network.nodeOfCharge[chargeId]!]!)),
    draws.map(draw => draw.airRhNowPercent),
    datesS,
  ]
  const distance = draws.map(() => 0)
  for (const column of columns) {
    const { low, middle, high } = spreadOf(column, weights)
    column.forEach((value, i) => (distance[i]! += ((value - middle) / Math.max(high - low, 1e-9)) ** 2))
  }
  return draws[distance.indexOf(Math.min(...distance))]!
}

function streamsNow(facts: BoxFacts, draw: Draw, temperatureC: number, roomGPerL: number): Stream[] {
  const future = futureNetwork(facts, draw.network, draw.waterNowG)
  const density = future.nodes.map((node, i) =>
    storeVapourDensityGPerL(node.store, draw.waterNowG[i]!, temperatureC),
  )
  return future.links
    .filter(link => link.conductanceLPerH > 0)
    .map(link => {
      const fromRoom = link.b === ROOM
      const from = fromRoom ? roomGPerL : density[link.a]!
      const to = fromRoom ? density[link.a]! : density[link.b]!
      return {
        path: link.path,
        conductanceLPerH: link.conductanceLPerH,
        fromGPerM3: from * 1000,
        toGPerM3: to * 1000,
        mgPerDay: link.conductanceLPerH * (from - to) * 24 * 1000,
      }
    })
}

/** All that lets room air in, L/h. */
const inletLPerH = (streams: readonly Stream[]): number =>
  streams
    .filter(stream => ['lid', 'wall', 'openings'].includes(stream.path))
    .reduce((sum, stream) => sum + stream.conductanceLPerH, 0)

function chargesNow(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  middle: Draw,
  streams: readonly Stream[],
  roomRhPercent: number,
  temperatureC: number,
): ChargeNow[] {
  const leakLPerH = inletLPerH(streams)
  return facts.charges
    .filter(charge => isPresent(charge, facts.nowS))
    .map(charge => {
      const node = middle.network.nodeOfCharge[charge.id]!
      const store = middle.network.nodes[node]!.store
      if (store.kind !== 'silica') throw new Error('A charge is of silica gel.')
      const waterG = middle.waterNowG[node]!
      const capacityG = store.dryMassG * store.capacityFactor
      const holderLPerH = streams.find(stream => stream.path === `charge:${charge.id}`)!.conductanceLPerH
      const notchRhPercent =
        facts.targetRhPercent === null
          ? null
          : Math.max(
              0,
              chargeRhAtTargetPercent({
                targetRhPercent: facts.targetRhPercent,
                roomRhPercent,
                leakLPerH,
                holderLPerH,
              }),
            )
      const notchLoadingGPerG =
        notchRhPercent === null
          ? null
          : silicaLoadingGPerG(store.gel, {
              vapourPressurePa: vapourPressureOfRhPa({
                relativeHumidityPercent: notchRhPercent,
                temperatureC,
              }),
              temperatureC,
            })
      return {
        id: charge.id,
        dryMassG: store.dryMassG,
        capacityFactor: store.capacityFactor,
        loadingGPerG: waterG / capacityG,
        waterG,
        spread: spreadOf(
          draws.map(draw => draw.waterNowG[draw.network.nodeOfCharge[charge.id]!]!),
          weights,
        ),
        notchRhPercent,
        notchLoadingGPerG,
        notchG: notchLoadingGPerG === null ? null : notchLoadingGPerG * capacityG,
        freshG: freshLoadingGPerG(charge, middle.values, middle.network.surroundings, facts.nowS) * capacityG,
        holderLPerH,
      }
    })
}

function spoolsNow(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  middle: Draw,
): SpoolNow[] {
  return facts.spools
    .filter(spool => isPresent(spool, facts.nowS))
    .map(spool => {
      const moisture = (draw: Draw) =>
        percentFromFraction(draw.waterNowG[draw.network.nodeOfSpool[spool.id]!]! / spool.filamentG)
      return {
        id: spool.id,
        filamentG: spool.filamentG,
        moisturePercent: moisture(middle),
        spread: spreadOf(draws.map(moisture), weights),
        waterG: middle.waterNowG[middle.network.nodeOfSpool[spool.id]!]!,
        boxRhPercent: middle.airRhNowPercent,
      }
    })
}

/** The lowest RH the box can settle at with its beads fresh, and what would bring it to the target. */
function floorOf(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  streams: readonly Stream[],
  roomRhPercent: number,
  temperatureC: number,
): BoxReport['floor'] {
  const charge = facts.charges.find(item => isPresent(item, facts.nowS))
  if (!charge || facts.targetRhPercent === null) return null
  const target = facts.targetRhPercent
  const { gel } = DESICCANTS[charge.kind]
  const otherLPerH = inletLPerH(streams) - streams.find(stream => stream.path === 'lid')!.conductanceLPerH
  const perDraw = draws.map(draw => {
    const chargeRhPercent = equilibriumRhPercent(gel, {
      loadingGPerG: freshLoadingGPerG(charge, draw.values, draw.network.surroundings, facts.nowS),
      temperatureC,
    })
    const future = futureNetwork(facts, draw.network, draw.waterNowG)
    let holderLPerH = 0
    for (const link of future.links) if (link.path.startsWith('charge:')) holderLPerH += link.conductanceLPerH
    const leakLPerH = draw.values.leakLPerH + otherLPerH
    return {
      chargeRhPercent,
      leakLPerH,
      holderLPerH,
      rhPercent: steadyRhPercent({ chargeRhPercent, roomRhPercent, leakLPerH, holderLPerH }),
    }
  })
  const middleRh = weightedQuantile(
    perDraw.map(item => item.rhPercent),
    weights,
    0.5,
  )
  const middle = perDraw.reduce((best, item) =>
    Math.abs(item.rhPercent - middleRh) < Math.abs(best.rhPercent - middleRh) ? item : best,
  )
  const mostLPerH =
    greatestLeakLPerH({
      targetRhPercent: target,
      chargeRhPercent: middle.chargeRhPercent,
      roomRhPercent,
      holderLPerH: middle.holderLPerH,
    }) - otherLPerH
  const wouldDo =
    mostLPerH > LIDS.foam.highLPerH
      ? 'a foam strip under the lid'
      : mostLPerH > LIDS.clips.highLPerH
        ? 'a lid with clips and rubber'
        : 'a tight lid and beads lying more open'
  return {
    ...middle,
    probabilityAboveTarget: perDraw.reduce(
      (sum, item, i) => sum + (item.rhPercent > target ? weights[i]! : 0),
      0,
    ),
    roomRhPercent,
    wouldDo,
  }
}

function pastCurve(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
): BoxReport['past'] {
  const atS = Array.from(
    { length: PAST_POINTS },
    (_, i) => facts.fromS + ((facts.nowS - facts.fromS) * (i + 1)) / PAST_POINTS,
  )
  const runs = evenPicks(datesS, weights, PAST_DRAWS).map(pick => {
    const draw = draws[pick]!
    const network = { ...draw.network, surroundings: drawSurroundings(facts, draw.values) }
    return simulate(network, { fromS: facts.fromS, toS: facts.nowS, outputS: atS }, ENSEMBLE_TOLERANCES)
      .airRhPercent
  })
  const even = runs.map(() => 1 / runs.length)
  const spreads = atS.map((_, i) =>
    spreadOf(
      runs.map(run => run[i] ?? Number.NaN),
      even,
    ),
  )
  return {
    atS,
    low: spreads.map(s => s.low),
    middle: spreads.map(s => s.middle),
    high: spreads.map(s => s.high),
  }
}

function futureCurves(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
  lateS: number,
): Curve[] {
  const spanS = Math.min(HORIZON_S, Math.max(secondsFromDays(21), (lateS - facts.nowS) * 1.25))
  const atS = Array.from(
    { length: FUTURE_POINTS + 1 },
    (_, i) => facts.nowS + spanS * (i / FUTURE_POINTS) ** 1.4,
  )
  return evenPicks(datesS, weights, FUTURE_CURVES).map(pick => {
    const draw = draws[pick]!
    const run = simulate(
      futureNetwork(facts, draw.network, draw.waterNowG),
      { fromS: facts.nowS, toS: atS.at(-1)!, outputS: atS },
      ENSEMBLE_TOLERANCES,
    )
    return { atS: Array.from(run.atS), rhPercent: Array.from(run.airRhPercent) }
  })
}
