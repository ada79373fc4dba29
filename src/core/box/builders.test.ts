import { expect, test } from '@jest/globals'
import { freeAirAtL, historyNetwork } from '../estimate/box-network.ts'
import { seededRandom } from '../estimate/random.ts'
import { syntheticBox } from '../estimate/synthetic-box.ts'
import { simulate } from '../network/simulate.ts'
import { HOLDERS } from '../container/holder.ts'
import { drawSurroundings } from '../estimate/box-network.ts'
import { caseNetwork, type BoxCase } from './box-case.ts'

test.each([0, 6])('both builders agree where both can speak: %i rings', rings => {
  for (let seed = 1; seed <= 6; seed++) {
    const { facts: made, truth } = syntheticBox(seededRandom(seed), 40, 8)
    const openings = [7, 14, 21, 28, 35].map(day => ({ atS: made.fromS + day * 86_400, openSeconds: 30 }))
    const facts = { ...made, openings }
    const surroundings = drawSurroundings(facts, truth)
    const start = { temperatureC: 0, vapourDensityGPerL: 0 }
    surroundings.at(facts.fromS, start)
    const [charge] = facts.charges
    const history = historyNetwork(facts, truth, surroundings, rings)
    const air = history.nodes[0]!
    const same: BoxCase = {
      freeAirL: freeAirAtL(facts, facts.fromS),
      inlets: [
        { path: 'lid', conductanceLPerH: truth.leakLPerH },
        { path: 'wall', conductanceLPerH: facts.wallLPerH },
      ],
      charges: [
        {
          id: charge!.id,
          kind: charge!.kind,
          dryMassG: charge!.dryMassG,
          capacityFactor: truth.capacityFactor,
          loadingGPerG: truth.firstLoadingGPerG,
          conductanceLPerH: HOLDERS[charge!.holder].conductanceLPerH * truth.holderFactor,
        },
      ],
      spools: facts.spools.map(spool => ({
        ...spool,
        diameterMm: 1.75,
        flanges: 'closed',
        slitShare: truth.slitShare,
        wetRhPercent: truth.wetnessRhPercent[spool.wetness.group]!,
      })),
      openings: { everyS: 7 * 86_400, openSeconds: 30 },
      airRhPercent: 50,
      surroundings,
    }
    const made2 = caseNetwork(same, facts.fromS, facts.nowS, rings)
    const request = {
      fromS: facts.fromS,
      toS: facts.nowS,
      outputS: [10, 20, 30, 40].map(day => facts.fromS + day * 86_400),
    }
    const one = simulate(history, request)
    const other = simulate({ ...made2, nodes: [air, ...made2.nodes.slice(1)] }, request)
    one.airRhPercent.forEach((rh, i) => expect(other.airRhPercent[i]!).toBeCloseTo(rh, 9))
  }
})
