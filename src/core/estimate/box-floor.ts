import { LIDS } from '../container/lid.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { equilibriumRhPercent } from '../desiccant/regeneration.ts'
import { freshLoadingGPerG, futureNetwork, isPresent } from './box-network.ts'
import type { BoxFacts } from './facts.ts'
import { greatestLeakLPerH, steadyRhPercent } from './floor.ts'
import type { Draw } from './posterior.ts'
import type { BoxReport, Stream } from './report.ts'
import { inletLPerH } from './state-now.ts'
import { weightedQuantile } from './weighted.ts'

/** The lowest RH the box can settle at with its beads fresh, and what would bring it to the target. */
export function floorOf(
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
