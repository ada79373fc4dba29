import { LIDS } from '../container/lid.ts'
import { greatestLeakLPerH, steadyRhPercent } from '../container/steady.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { isPresent } from '../model/box-model.ts'
import { rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import type { StandingDraw } from './forecast.ts'
import { freshLoadingGPerG } from './model-of-draw.ts'
import type { BoxReport, Stream } from './report.ts'
import { inletLPerH } from './state-now.ts'
import { weightedQuantile } from './weighted.ts'

/** The lowest RH the box can settle at with its beads fresh, and what would bring it to the target. */
export function floorOf(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  streams: readonly Stream[],
  roomRhPercent: number,
  temperatureC: number,
): BoxReport['floor'] {
  const inside = facts.charges.flatMap((charge, i) =>
    isPresent(charge, facts.nowS) && charge.dryMassG > 0 ? [i] : [],
  )
  if (inside.length === 0 || facts.targetRhPercent === null) return null
  const target = facts.targetRhPercent
  const otherLPerH = inletLPerH(streams) - streams.find(stream => stream.way.by === 'lid')!.conductanceLPerH
  const perDraw = draws.map(draw => {
    // charges side by side: each pulls the air towards its own RH as hard as its holder lets it
    let holderLPerH = 0
    let pull = 0
    for (const i of inside) {
      const { sorbent, conductanceLPerH } = draw.model.charges[i]!
      holderLPerH += conductanceLPerH
      pull +=
        conductanceLPerH *
        rhOverLoadingPercent(sorbent, {
          loadingGPerG: freshLoadingGPerG(
            facts.charges[i]!,
            draw.values,
            draw.model.surroundings,
            facts.nowS,
          ),
          temperatureC,
        })
    }
    const chargeRhPercent = pull / holderLPerH
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
