import { boathouseLoft } from '../demo/loft.ts'
import { BOXES } from '../demo/loft-boxes.ts'
import { fold } from '../src/journal/fold.ts'
import { boxFacts } from '../src/journal/box-facts.ts'
import { boxView } from '../src/journal/box-view.ts'
import { ensembleOf } from '../src/core/estimate/estimate-box.ts'
import { firstDay, firstDayMiss, atHours } from '../src/core/estimate/promise.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { runDraw } from '../src/core/estimate/posterior.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { futureModel } from '../src/core/estimate/model-of-draw.ts'
import { boxNetwork } from '../src/core/assemble/box-network.ts'
import { simulate } from '../src/core/network/simulate.ts'
import { LIDS } from '../src/core/container/lid.ts'
const NOW = Date.UTC(2027, 1, 20, 10)
const state = fold(boathouseLoft(NOW, 'UTC'))
for (const id of ['cox', 'launch', 'bilge', 'ferry'])
  for (const lid of ['clips', 'snap', 'foam', 'unknown'] as const) {
    const madeMs = state.boxes.get(id)!.madeMs + 1000
    const f0 = boxFacts(state, boxView(state, id, madeMs)!, madeMs)!
    const { lowLPerH, highLPerH } = LIDS[lid]
    const facts = { ...f0, leak: { ...f0.leak, lowLPerH, highLPerH } }
    const p = firstDay(facts)
    const random = seededRandom(5)
    const unknowns = unknownsOf(facts)
    const per: Record<number, number[]> = { 1: [0, 0, 0, 0], 10: [0, 0, 0, 0] }
    const score: Record<number, number[]> = { 1: [], 10: [] }
    for (let i = 0; i < 60; i++) {
      const z = Float64Array.from(unknowns, () => random.normal())
      const draw = runDraw(facts, unknowns, [], z)
      const noise = [0, 1, 2, 3].map(() => 1.5 * random.normal())
      for (const factor of [1, 10]) {
        const m = futureModel(draw as never)
        const model = {
          ...m,
          openings: [],
          exchanges: [{ atS: facts.nowS + 1, freeAirs: 3 }],
          inlets: m.inlets.map(x =>
            x.by === 'lid' ? { by: 'lid' as const, conductanceLPerH: factor * draw.values.leakLPerH } : x,
          ),
        }
        const hs = [1, 6, 24, 72]
        const run = simulate(boxNetwork(model, { fromS: facts.nowS, toS: facts.nowS + 72 * 3600 }, 0), {
          fromS: facts.nowS,
          toS: facts.nowS + 72 * 3600,
          outputS: hs.map(h => facts.nowS + h * 3600),
        })
        const inside = hs.map((h, k) => {
          const shown = Math.max(10, Math.round(run.airRhPercent[k]! + draw.values.offsetsRh[0]! + noise[k]!))
          const lo = atHours(p, p.lowRh, h)!,
            hi = Math.max(10, atHours(p, p.highRh, h)!)
          return shown <= hi && (shown >= lo || shown <= 10)
        })
        score[factor]!.push(inside.every(Boolean) ? 1 : 0)
        inside.forEach((x, k) => (per[factor]![k]! += x ? 1 / 60 : 0))
      }
    }
    const per0 = per
    const mean = (x: number[]) => (x.reduce((a, b) => a + b, 0) / x.length).toFixed(2)
    console.log(
      id,
      lid,
      'all four',
      mean(score[1]!),
      'x10',
      mean(score[10]!),
      per[1]!.map(x => x.toFixed(2)).join(' '),
      '|',
      per[10]!.map(x => x.toFixed(2)).join(' '),
    )
  }
