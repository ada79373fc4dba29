import { toldTruly, DEVELOPED } from '../src/testing/histories/sets.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { observationsOf } from '../src/core/estimate/likelihood.ts'
import { runDraw } from '../src/core/estimate/posterior.ts'
import {
  localFit,
  drawFrom,
  logDensity,
  standardProposal,
  widened,
  momentProposal,
} from '../src/core/estimate/proposal.ts'
import { evenPoints } from '../src/core/estimate/even-points.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { effectiveCount } from '../src/core/estimate/weighted.ts'
for (const i of [1, 2, 5, 6, 8, 9, 14]) {
  const { facts } = toldTruly(i, DEVELOPED)
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const n = u.length
  const pts = evenPoints(n, seededRandom(1))
  const prior = standardProposal(n)
  const predict = (z: Float64Array) => runDraw(facts, u, o, z).predicted
  let runs = 0
  const scouts = Array.from({ length: 63 }, () => runDraw(facts, u, o, drawFrom(prior, pts.next())))
  const best = scouts.reduce((a, b) => (b.logLikelihood > a.logLikelihood ? b : a))
  const lf = localFit(
    o,
    z => {
      runs++
      return predict(z)
    },
    best.z,
  )!
  const lf0 = localFit(o, predict, new Float64Array(n))!
  const test = (p: any) => {
    const d = Array.from({ length: 300 }, () => runDraw(facts, u, o, drawFrom(p, pts.next())))
    const lw = d.map(x => x.logLikelihood + logDensity(prior, x.z) - logDensity(p, x.z))
    const top = Math.max(...lw)
    const w = lw.map(l => Math.exp(l - top))
    const s = w.reduce((a, b) => a + b, 0)
    const W = Float64Array.from(w, x => x / s)
    return { ess: effectiveCount(W), d, W }
  }
  const a = test(lf.proposal)
  const m = momentProposal(a.d, a.W)!
  const b = test(m)
  const m2 = momentProposal(b.d, b.W)!
  const c = test(m2)
  console.log(
    i,
    'n',
    n,
    'fit runs',
    runs,
    'misfit',
    lf.misfit.toFixed(1),
    lf0.misfit.toFixed(1),
    'ess of 300: laplace',
    a.ess.toFixed(0),
    'wide',
    test(widened(lf.proposal, 1.3)).ess.toFixed(0),
    'moment',
    b.ess.toFixed(0),
    'again',
    c.ess.toFixed(0),
  )
}
