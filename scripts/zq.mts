import { toldTruly, DEVELOPED } from '../src/testing/histories/sets.ts'
import { unknownsOf, drawValues } from '../src/core/estimate/unknowns.ts'
import { modelOfDraw, historyNetwork, futureModel } from '../src/core/estimate/model-of-draw.ts'
import { observationsOf } from '../src/core/estimate/likelihood.ts'
import { runDraw, ENSEMBLE_TOLERANCES } from '../src/core/estimate/posterior.ts'
import { leavesAtS } from '../src/core/estimate/forecast.ts'
import { simulate } from '../src/core/network/simulate.ts'
for (const i of [1, 2, 5, 6, 8, 9, 14]) {
  const { facts } = toldTruly(i, DEVELOPED)
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const z = new Float64Array(u.length)
  const m = modelOfDraw(facts, drawValues(facts, u, z))
  const n = historyNetwork(facts, m)
  const out = [...o.map(x => x.atS), facts.nowS]
  const run = simulate(n, { fromS: facts.fromS, toS: facts.nowS, outputS: out }, ENSEMBLE_TOLERANCES)
  let t = performance.now()
  for (let k = 0; k < 300; k++)
    simulate(n, { fromS: facts.fromS, toS: facts.nowS, outputS: out }, ENSEMBLE_TOLERANCES)
  const a = (performance.now() - t) / 300
  t = performance.now()
  for (let k = 0; k < 300; k++) runDraw(facts, u, o, z)
  const b = (performance.now() - t) / 300
  const d = runDraw(facts, u, o, z)
  t = performance.now()
  for (let k = 0; k < 100; k++) leavesAtS(facts, d as any, facts.targetRhPercent!)
  const c = (performance.now() - t) / 100
  console.log(
    i,
    'days',
    ((facts.nowS - facts.fromS) / 86400).toFixed(0),
    'unknowns',
    u.length,
    'nodes',
    n.nodes.length,
    'events',
    n.events.length,
    'obs',
    o.length,
    'steps',
    run.steps,
    'rej',
    run.rejected,
    'sim ms',
    a.toFixed(2),
    'draw',
    b.toFixed(2),
    'leaves',
    c.toFixed(2),
  )
}
