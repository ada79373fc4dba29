import { toldTruly, DEVELOPED } from '../src/testing/histories/sets.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { observationsOf } from '../src/core/estimate/likelihood.ts'
import { samplePosterior } from '../src/core/estimate/posterior.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { weightedMean } from '../src/core/estimate/weighted.ts'
for (let i = 3; i < 160; i += 8) {
  const h = toldTruly(i, DEVELOPED)
  const { facts } = h
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const p = samplePosterior(facts, u, o, seededRandom(1), {
    drawsPerRound: 200,
    maxAdaptiveRounds: 4,
    enoughEffectiveDraws: 120,
  })
  const prior = samplePosterior(facts, u, [], seededRandom(1), {
    drawsPerRound: 100,
    maxAdaptiveRounds: 4,
    enoughEffectiveDraws: 120,
  })
  const m = (p: any, f: (d: any) => number) => weightedMean(p.draws.map(f), p.weights)
  const n = h.trueRhPercent.length
  const tl = h.trueRhPercent.slice(-Math.min(n, 24))
  const t = tl.reduce((a, b) => a + b, 0) / tl.length
  const t0 = h.trueRhPercent.slice(0, 24).reduce((a, b) => a + b, 0) / 24
  console.log(
    i,
    facts.leak.name.slice(0, 14),
    'logs',
    facts.openings.length,
    'true',
    t0.toFixed(1),
    '->',
    t.toFixed(1),
    'prior mean',
    m(prior, d => d.airRhNowPercent).toFixed(1),
    'post',
    m(p, d => (Number.isFinite(d.airRhNowPercent) ? d.airRhNowPercent : 0)).toFixed(1),
    'shown',
    facts.readings.slice(-24).reduce((a, r) => a + r.relativeHumidityPercent, 0) / 24,
    'censored',
    o.filter(x => x.censored).length + '/' + o.length,
    'ess',
    p.effectiveDraws.toFixed(0),
  )
}
