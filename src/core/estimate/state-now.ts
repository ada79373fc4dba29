import type { Grams, PercentRh } from '#units/quantity.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { chargeRhAtTargetPercent } from '../container/steady.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { isInlet, isPresent, isSameWay, type Way } from '../model/box-model.ts'
import { lawFactor } from '../network/law.ts'
import { ROOM } from '../network/network.ts'
import { storeVapourDensityGPerL } from '../network/water-store.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'
import type { StandingDraw } from './forecast.ts'
import { freshLoadingGPerG, futureModel } from './model-of-draw.ts'
import type { ChargeNow, SpoolNow, Stream } from './report.ts'
import { spreadOf, type Spread } from './weighted.ts'

export type DrawStream = Omit<Stream, 'spread'>

/** Every way water takes now, as one draw has it. */
export function streamsOf(draw: StandingDraw): DrawStream[] {
  const { atS } = draw.now
  const model = futureModel(draw)
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  model.surroundings.at(atS, point)
  const { temperatureC } = point
  const future = boxNetwork(model, { fromS: atS, toS: atS }, 0)
  const density = future.nodes.map(node =>
    storeVapourDensityGPerL(node.store, node.initialWaterG, temperatureC),
  )
  return future.links
    .filter(link => link.conductanceLPerH > 0)
    .map(({ way, a, b, law, ...link }) => {
      const conductanceLPerH = link.conductanceLPerH * (law ? lawFactor(law)(temperatureC) : 1)
      const fromRoom = b === ROOM
      const from = fromRoom ? point.vapourDensityGPerL : density[a]!
      const to = fromRoom ? density[a]! : density[b]!
      return {
        way,
        conductanceLPerH,
        fromGPerM3: perCubicMetreFromPerLitre(from),
        toGPerM3: perCubicMetreFromPerLitre(to),
        mgPerDay: conductanceLPerH * (from - to) * 24 * 1000,
      }
    })
}

/**
 * Every way water takes now, all draws together, and all that comes in. Each shows the draw nearest to the middle.
 * @param perDraw the ways of each draw
 */
export function streamsNow(
  perDraw: readonly (readonly DrawStream[])[],
  weights: ArrayLike<number>,
): { readonly streams: Stream[]; readonly inflows: Float64Array; readonly inflowMgPerDay: Spread } {
  const inflows = new Float64Array(perDraw.length)
  const ways: { way: Way; flows: (DrawStream | null)[] }[] = []
  perDraw.forEach((ofDraw, d) => {
    for (const stream of ofDraw) {
      let known = ways.find(item => isSameWay(item.way, stream.way))
      if (!known) ways.push((known = { way: stream.way, flows: perDraw.map(() => null) }))
      known.flows[d] = stream
      if (stream.way.by !== 'charge') inflows[d]! += Math.max(0, stream.mgPerDay)
    }
  })
  const streams = ways.map(({ flows }) => {
    const mgPerDay = flows.map(flow => flow?.mgPerDay ?? 0)
    const spread = spreadOf(mgPerDay, weights)
    const known = flows.filter(flow => flow !== null)
    return { ...nearest(known, flow => flow.mgPerDay, spread.middle), spread }
  })
  return { streams, inflows, inflowMgPerDay: spreadOf(inflows, weights) }
}

const nearest = <T>(items: readonly T[], valueOf: (item: T) => number, wanted: number): T =>
  items.reduce((best, item) =>
    Math.abs(valueOf(item) - wanted) < Math.abs(valueOf(best) - wanted) ? item : best,
  )

/** All that lets room air in, L/h. */
export const inletLPerH = (streams: readonly Pick<Stream, 'way' | 'conductanceLPerH'>[]): number =>
  streams.filter(stream => isInlet(stream.way)).reduce((sum, stream) => sum + stream.conductanceLPerH, 0)

/** Water one charge holds in one draw: now, where its target is lost, fresh; and what a g/g of loading comes to. */
interface Held {
  readonly dryMassG: Grams
  readonly capacityG: Grams
  readonly waterG: Grams
  readonly notchG: Grams | null
  readonly freshG: Grams
  readonly holderLPerH: number
}

function heldIn(
  facts: BoxFacts,
  draw: StandingDraw,
  streams: readonly DrawStream[],
  inside: readonly number[],
  room: { rhPercent: PercentRh; temperatureC: number },
): Held[] {
  const leakLPerH = inletLPerH(streams)
  const charges = inside.map(i => draw.model.charges[i]!)
  // charges side by side: the air stands at the target when they, all together, let it
  const holderLPerH = charges.reduce((sum, charge) => sum + charge.conductanceLPerH, 0)
  const notchRhPercent =
    facts.targetRhPercent === null
      ? null
      : Math.max(
          0,
          chargeRhAtTargetPercent({
            targetRhPercent: facts.targetRhPercent,
            roomRhPercent: room.rhPercent,
            leakLPerH,
            holderLPerH,
          }),
        )
  return inside.map((i, at) => {
    const { sorbent, dryMassG, capacityFactor, conductanceLPerH } = charges[at]!
    const capacityG = dryMassG * capacityFactor
    return {
      dryMassG,
      capacityG,
      waterG: draw.now.chargesG[i]!,
      notchG:
        notchRhPercent === null
          ? null
          : capacityG *
            loadingAtRhGPerG(sorbent, {
              relativeHumidityPercent: notchRhPercent,
              temperatureC: room.temperatureC,
            }),
      freshG:
        capacityG * freshLoadingGPerG(facts.charges[i]!, draw.values, draw.model.surroundings, facts.nowS),
      holderLPerH: conductanceLPerH,
    }
  })
}

const togetherOf = (held: readonly Held[]): Held =>
  held.reduce((sum, one) => ({
    dryMassG: sum.dryMassG + one.dryMassG,
    capacityG: sum.capacityG + one.capacityG,
    waterG: sum.waterG + one.waterG,
    notchG: sum.notchG === null || one.notchG === null ? null : sum.notchG + one.notchG,
    freshG: sum.freshG + one.freshG,
    holderLPerH: sum.holderLPerH + one.holderLPerH,
  }))

/** What all draws say of one charge, or of all together: each figure the middle of its own. */
function chargeNow(ids: readonly string[], held: readonly Held[], weights: ArrayLike<number>): ChargeNow {
  const of = (valueOf: (one: Held) => number): Spread => spreadOf(held.map(valueOf), weights)
  const hasNotch = held.every(one => one.notchG !== null)
  const water = of(one => one.waterG)
  const notch = hasNotch ? of(one => one.notchG!) : null
  const dryMassG = of(one => one.dryMassG).middle
  const capacityG = of(one => one.capacityG).middle
  return {
    ids,
    dryMassG,
    capacityFactor: dryMassG > 0 ? capacityG / dryMassG : 1,
    loadingGPerG: capacityG > 0 ? water.middle / capacityG : 0,
    waterG: water.middle,
    spread: water,
    notchLoadingGPerG: notch && capacityG > 0 ? notch.middle / capacityG : null,
    notchG: notch?.middle ?? null,
    notchSpread: notch,
    freshG: of(one => one.freshG).middle,
    holderLPerH: of(one => one.holderLPerH).middle,
  }
}

/** What each charge inside holds and where its target is lost; and all of them together. */
export function chargesNow(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  perDraw: readonly (readonly DrawStream[])[],
  weights: ArrayLike<number>,
  room: { rhPercent: PercentRh; temperatureC: number },
): { readonly charges: ChargeNow[]; readonly held: ChargeNow | null } {
  const inside = facts.charges.flatMap((charge, i) => (isPresent(charge, facts.nowS) ? [i] : []))
  if (inside.length === 0) return { charges: [], held: null }
  const heldPerDraw = draws.map((draw, d) => heldIn(facts, draw, perDraw[d]!, inside, room))
  const ids = inside.map(i => facts.charges[i]!.id)
  return {
    charges: ids.map((id, at) =>
      chargeNow(
        [id],
        heldPerDraw.map(held => held[at]!),
        weights,
      ),
    ),
    held: chargeNow(ids, heldPerDraw.map(togetherOf), weights),
  }
}

/** What each spool inside holds. */
export function spoolsNow(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  airRhPercent: PercentRh,
): SpoolNow[] {
  return facts.spools.flatMap((spool, i) => {
    if (!isPresent(spool, facts.nowS)) return []
    const water = spreadOf(
      draws.map(draw => draw.now.spools[i]!.waterG),
      weights,
    )
    const moisture = (waterG: Grams) =>
      spool.filamentG > 0 ? percentFromFraction(waterG / spool.filamentG) : 0
    return [
      {
        id: spool.id,
        filamentG: spool.filamentG,
        moisturePercent: moisture(water.middle),
        spread: { low: moisture(water.low), middle: moisture(water.middle), high: moisture(water.high) },
        waterG: water.middle,
        boxRhPercent: airRhPercent,
      },
    ]
  })
}
