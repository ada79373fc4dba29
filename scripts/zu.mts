import { toldTruly, DEVELOPED } from '../src/testing/histories/sets.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { observationsOf } from '../src/core/estimate/likelihood.ts'
import { samplePosterior } from '../src/core/estimate/posterior.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { weightedMean } from '../src/core/estimate/weighted.ts'
const acc: any = {}
for (let i = Number(process.argv[2]); i < 160; i += 8) {
  const h = toldTruly(i, DEVELOPED)
  const { facts } = h
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const p = samplePosterior(facts, u, o, seededRandom(1), {
    drawsPerRound: 200,
    maxAdaptiveRounds: 4,
    enoughEffectiveDraws: 120,
  })
  const m = (f: (d: any) => number) => weightedMean(p.draws.map(f), p.weights)
  u.forEach((un, k) => {
    const id = un.id.replace(/:\d+/, '')
    ;(acc[id] ??= []).push(m(d => d.z[k]))
  })
  const n = h.trueRhPercent.length
  const tl = h.trueRhPercent.slice(-Math.min(n, 24))
  ;(acc['model-true'] ??= []).push(
    m(d => (Number.isFinite(d.airRhNowPercent) ? d.airRhNowPercent : 0)) -
      tl.reduce((a, b) => a + b, 0) / tl.length,
  )
}
for (const [k, v] of Object.entries(acc) as any)
  console.log(
    k.padEnd(18),
    v.length,
    (v.reduce((a: number, b: number) => a + b, 0) / v.length).toFixed(2),
    'median',
    v.sort((a: number, b: number) => a - b)[v.length >> 1].toFixed(2),
  )
