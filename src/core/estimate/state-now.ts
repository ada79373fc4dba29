import { percentFromFraction } from '#units/ratio.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { vapourPressureOfRhPa } from '../air/vapour.ts'
import { silicaLoadingGPerG } from '../desiccant/silica-gel.ts'
import { storeVapourDensityGPerL } from '../network/water-store.ts'
import { ROOM } from '../network/network.ts'
import { freshLoadingGPerG, futureNetwork, isPresent } from './box-network.ts'
import type { BoxFacts } from './facts.ts'
import { chargeRhAtTargetPercent } from './floor.ts'
import type { Draw } from './posterior.ts'
import type { ChargeNow, SpoolNow, Stream } from './report.ts'
import { spreadOf } from './weighted.ts'

/** Every way water takes now, as the middle draw has it. */
export function streamsNow(facts: BoxFacts, draw: Draw, temperatureC: number, roomGPerL: number): Stream[] {
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
        fromGPerM3: perCubicMetreFromPerLitre(from),
        toGPerM3: perCubicMetreFromPerLitre(to),
        mgPerDay: link.conductanceLPerH * (from - to) * 24 * 1000,
      }
    })
}

/** All that lets room air in, L/h. */
export const inletLPerH = (streams: readonly Stream[]): number =>
  streams
    .filter(stream => ['lid', 'wall', 'openings'].includes(stream.path))
    .reduce((sum, stream) => sum + stream.conductanceLPerH, 0)

/** What each charge inside holds, and where its target is lost. */
export function chargesNow(
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

/** What each spool inside holds. */
export function spoolsNow(
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
