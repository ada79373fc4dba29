import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { toldTruly } from '../src/testing/histories/sets.ts'
const dev = { truly: 500000, wrongly: 600000, causes: 700000 }
for (let i = 0; i < 16; i++) {
  const h = toldTruly(i, dev as any)
  const t = performance.now()
  const r = estimateBox(h.facts)
  const ms = performance.now() - t
  const d = (s: number) => ((s - h.facts.nowS) / 86400).toFixed(0)
  const s = r.leaves!.spread
  console.log(
    i,
    h.pace,
    h.facts.readings.length,
    'now',
    h.facts.readings.at(-1)?.relativeHumidityPercent,
    '/',
    h.facts.targetRhPercent,
    'came',
    h.leftS === null ? 'never' : d(h.leftS),
    'said',
    d(s.low),
    d(s.middle),
    d(s.high),
    r.contradiction ? 'CONTRA' : '',
    r.accounts.map(a => a.kind + ' ' + a.share.toFixed(2)).join(', '),
    'ess',
    r.effectiveDraws.toFixed(0),
    '/',
    r.draws,
    r.ends,
    'leak',
    r.leakLPerH.middle.toFixed(2),
    ms.toFixed(0) + 'ms',
  )
}
