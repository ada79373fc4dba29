import type { GramsPerGram } from '#units/quantity.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { chargeRhAtTargetPercent } from '../container/steady.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { isInlet, isPresent, isSameWay } from '../model/box-model.ts'
import { lawFactor } from '../network/law.ts'
import { ROOM } from '../network/network.ts'
import { storeVapourDensityGPerL } from '../network/water-store.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'
import type { StandingDraw } from './forecast.ts'
import { freshLoadingGPerG, futureModel } from './model-of-draw.ts'
import type { ChargeNow, SpoolNow, Stream } from './report.ts'
import { spreadOf } from './weighted.ts'

/** Every way water takes now, as the middle draw has it. */
export function streamsNow(draw: StandingDraw, temperatureC: number, roomGPerL: number): Stream[] {
  const { atS } = draw.now
  const future = boxNetwork(futureModel(draw), { fromS: atS, toS: atS }, 0)
  const density = future.nodes.map(node =>
    storeVapourDensityGPerL(node.store, node.initialWaterG, temperatureC),
  )
  return future.links
    .filter(link => link.conductanceLPerH > 0)
    .map(({ way, a, b, law, ...link }) => {
      const conductanceLPerH = link.conductanceLPerH * (law ? lawFactor(law)(temperatureC) : 1)
      const fromRoom = b === ROOM
      const from = fromRoom ? roomGPerL : density[a]!
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

/** All that lets room air in, L/h. */
export const inletLPerH = (streams: readonly Stream[]): number =>
  streams.filter(stream => isInlet(stream.way)).reduce((sum, stream) => sum + stream.conductanceLPerH, 0)

/** What each charge inside holds, and where its target is lost. */
export function chargesNow(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  middle: StandingDraw,
  streams: readonly Stream[],
  roomRhPercent: number,
  temperatureC: number,
): ChargeNow[] {
  const leakLPerH = inletLPerH(streams)
  return facts.charges.flatMap((charge, i) => {
    if (!isPresent(charge, facts.nowS)) return []
    const { sorbent, dryMassG, capacityFactor } = middle.model.charges[i]!
    const waterG = middle.now.chargesG[i]!
    const capacityG = dryMassG * capacityFactor
    const holderLPerH =
      streams.find(stream => isSameWay(stream.way, { by: 'charge', id: charge.id }))?.conductanceLPerH ?? 0
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
    const notchLoadingGPerG: GramsPerGram | null =
      notchRhPercent === null
        ? null
        : loadingAtRhGPerG(sorbent, { relativeHumidityPercent: notchRhPercent, temperatureC })
    return [
      {
        id: charge.id,
        dryMassG,
        capacityFactor,
        loadingGPerG: capacityG > 0 ? waterG / capacityG : 0,
        waterG,
        spread: spreadOf(
          draws.map(draw => draw.now.chargesG[i]!),
          weights,
        ),
        notchRhPercent,
        notchLoadingGPerG,
        notchG: notchLoadingGPerG === null ? null : notchLoadingGPerG * capacityG,
        freshG: freshLoadingGPerG(charge, middle.values, middle.model.surroundings, facts.nowS) * capacityG,
        holderLPerH,
      },
    ]
  })
}

/** What each spool inside holds. */
export function spoolsNow(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  middle: StandingDraw,
): SpoolNow[] {
  return facts.spools.flatMap((spool, i) => {
    if (!isPresent(spool, facts.nowS)) return []
    const moisture = (draw: StandingDraw) =>
      spool.filamentG > 0 ? percentFromFraction(draw.now.spools[i]!.waterG / spool.filamentG) : 0
    return [
      {
        id: spool.id,
        filamentG: spool.filamentG,
        moisturePercent: moisture(middle),
        spread: spreadOf(draws.map(moisture), weights),
        waterG: middle.now.spools[i]!.waterG,
        boxRhPercent: middle.airRhNowPercent,
      },
    ]
  })
}
