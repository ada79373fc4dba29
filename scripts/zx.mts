import { readFileSync } from 'node:fs'
import { unpacked } from '../src/testing/histories/packed.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { observationsOf } from '../src/core/estimate/likelihood.ts'
import { samplePosterior } from '../src/core/estimate/posterior.ts'
import { findSuspects } from '../src/core/estimate/suspects.ts'
import { amissAt, gapsOf } from '../src/core/estimate/hypotheses.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
const all = JSON.parse(readFileSync('.tmp/dev.json', 'utf8'))
for (const [part, i] of [
  ['leak five times', 18],
  ['leak five times', 12],
  ['leak five times', 19],
  ['truly', 1],
] as const) {
  const { facts } = unpacked(all[part][i])
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const opt = { drawsPerRound: 200, maxAdaptiveRounds: 6, enoughEffectiveDraws: 220 }
  const p0 = samplePosterior(facts, u, o, seededRandom(1), opt)
  const p0b = samplePosterior(facts, u, o, seededRandom(2), opt)
  const best = p0.draws.reduce((a, b) => {
    const m = (d: any) => 0.5 * d.z.reduce((s: number, v: number) => s + v * v, 0) - d.logLikelihood
    return m(b) < m(a) ? b : a
  })
  console.log(
    part,
    i,
    'H0',
    p0.logEvidence.toFixed(2),
    p0b.logEvidence.toFixed(2),
    p0.effectiveDraws.toFixed(0),
  )
  console.log(
    '  suspects',
    findSuspects(facts, u, o, best.z)
      .map(s => s.hypothesis.kind + ' ' + s.hypothesis.prior.toFixed(3))
      .join(', '),
  )
  const gaps = gapsOf(facts, o)
  for (const g of [gaps[gaps.length >> 1]!, gaps.at(-1)!])
    for (const seed of [1, 2]) {
      const start = new Float64Array(u.length + 1)
      start.set(best.z)
      const p = samplePosterior(
        facts,
        u,
        o,
        seededRandom(seed),
        { ...opt, drawsPerRound: 100, maxAdaptiveRounds: 3, enoughEffectiveDraws: 80, start },
        { kind: 'leak', atS: g.atS, prior: 1, amiss: amissAt('leak', g.atS, 'a') },
      )
      const q = samplePosterior(
        facts,
        u,
        o,
        seededRandom(seed),
        { ...opt, start },
        { kind: 'leak', atS: g.atS, prior: 1, amiss: amissAt('leak', g.atS, 'a') },
      )
      console.log(
        '   leak at gap share',
        g.share.toFixed(2),
        'evidence',
        p.logEvidence.toFixed(2),
        'ess',
        p.effectiveDraws.toFixed(0),
        'more draws',
        q.logEvidence.toFixed(2),
        q.effectiveDraws.toFixed(0),
      )
    }
}
