import { toldTruly, DEVELOPED } from '../src/testing/histories/sets.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { observationsOf, missesOf } from '../src/core/estimate/likelihood.ts'
import { displaysOf } from '../src/core/estimate/displays.ts'
import { samplePosterior } from '../src/core/estimate/posterior.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { weightedMean } from '../src/core/estimate/weighted.ts'
for (const i of process.argv.slice(2).map(Number)) {
  const h = toldTruly(i, DEVELOPED)
  const { facts } = h
  const u = unknownsOf(facts)
  const o = observationsOf(facts)
  const p = samplePosterior(facts, u, o, seededRandom(1), {
    drawsPerRound: 200,
    maxAdaptiveRounds: 6,
    enoughEffectiveDraws: 220,
  })
  const best = p.draws.reduce((a, b) => (b.logLikelihood > a.logLikelihood ? b : a))
  const m = (f: (d: any) => number) => weightedMean(p.draws.map(f), p.weights)
  console.log(
    i,
    'T',
    facts.targetRhPercent,
    'days',
    ((facts.nowS - facts.fromS) / 86400).toFixed(0),
    'left',
    h.leftS && ((h.leftS - facts.nowS) / 86400).toFixed(0),
    facts.charges
      .map(
        c =>
          c.kind +
          c.dryMassG +
          c.holder +
          'in' +
          ((c.inS - facts.fromS) / 86400).toFixed(0) +
          ' heat' +
          c.heatings.map(x => ((x.atS - facts.fromS) / 86400).toFixed(0)).join('/') +
          ' w' +
          c.weighings.length,
      )
      .join(' ; '),
    'room reads',
    facts.room.readings.length,
  )
  console.log(
    '  true now',
    h.trueRhPercent.slice(-24).reduce((a, b) => a + b, 0) / 24,
    'model now',
    m(d => (Number.isFinite(d.airRhNowPercent) ? d.airRhNowPercent : 0)).toFixed(2),
    'offsets',
    displaysOf(facts)
      .map((_, k) => m(d => d.values.offsetsRh[k]).toFixed(2))
      .join(' '),
    'drift',
    displaysOf(facts)
      .map((_, k) => m(d => d.values.driftsRhPerMonth[k]).toFixed(2))
      .join(' '),
    'ess',
    p.effectiveDraws.toFixed(0),
  )
  // true offset per display by mean shown - true
  const by: any = {}
  facts.readings.forEach((r, k) => {
    ;(by[r.displayId!] ??= []).push(r.relativeHumidityPercent - h.trueRhPercent[k]!)
  })
  console.log(
    '  true offsets',
    Object.entries(by)
      .map(([k, v]: any) => k + ' ' + (v.reduce((a: number, b: number) => a + b, 0) / v.length).toFixed(2))
      .join(' '),
  )
  console.log(
    '  obs',
    o
      .map((x, k) => x.kind[0] + x.value + (x.censored ? '*' : '') + '/' + best.predicted[k]!.toFixed(1))
      .join(' '),
  )
  console.log(
    '  u',
    missesOf(o, best.predicted)
      .map(x => (x.innovation / x.deviation).toFixed(1))
      .join(' '),
  )
  u.forEach((un, k) => process.stdout.write(' ' + un.id + ' ' + m(d => d.z[k]).toFixed(2)))
  console.log()
}
