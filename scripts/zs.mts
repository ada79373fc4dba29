import { toldTruly, DEVELOPED } from '../src/testing/histories/sets.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { observationsOf } from '../src/core/estimate/likelihood.ts'
import { runDraw, samplePosterior } from '../src/core/estimate/posterior.ts'
import { localFit } from '../src/core/estimate/proposal.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { weightedMean } from '../src/core/estimate/weighted.ts'
for (const i of [8, 1, 14]) {
  const { facts } = toldTruly(i, DEVELOPED)
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const n = u.length
  const p = samplePosterior(facts, u, o, seededRandom(1), {
    drawsPerRound: 600,
    maxAdaptiveRounds: 6,
    enoughEffectiveDraws: 2000,
  })
  const lf = localFit(o, z => runDraw(facts, u, o, z).predicted, new Float64Array(n))!
  // laplace sd: invert precision
  const L = lf.proposal.precisionFactor
  const sd = Array.from({ length: n }, (_, k) => {
    const e = new Float64Array(n)
    e[k] = 1
    const x = new Float64Array(n)
    for (let r = 0; r < n; r++) {
      let s = e[r]!
      for (let c = 0; c < r; c++) s -= L[r * n + c]! * x[c]!
      x[r] = s / L[r * n + r]!
    }
    return Math.sqrt(x.reduce((a, b) => a + b * b, 0))
  })
  console.log(i, h(facts), 'ess', p.effectiveDraws, p.draws.length)
  u.forEach((un, k) => {
    const c = p.draws.map(d => d.z[k]!)
    const m = weightedMean(c, p.weights)
    const v = Math.sqrt(
      weightedMean(
        c.map(x => (x - m) ** 2),
        p.weights,
      ),
    )
    const sk =
      weightedMean(
        c.map(x => (x - m) ** 3),
        p.weights,
      ) /
      v ** 3
    console.log(
      '  ',
      un.id.padEnd(18),
      'mean',
      m.toFixed(2),
      'sd',
      v.toFixed(2),
      'skew',
      sk.toFixed(2),
      '| laplace',
      lf.proposal.mean[k]!.toFixed(2),
      sd[k]!.toFixed(2),
    )
  })
}
function h(f: any) {
  return (
    f.leak.name +
    ' ' +
    f.charges.map((c: any) => c.kind + c.dryMassG + c.holder) +
    ' readings ' +
    f.readings.map((r: any) => r.relativeHumidityPercent).join(' ') +
    ' T' +
    f.targetRhPercent
  )
}
