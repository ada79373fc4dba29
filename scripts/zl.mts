import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { boxFacts } from '../src/journal/box-facts.ts'
import { boxView } from '../src/journal/box-view.ts'
import { fold } from '../src/journal/fold.ts'
import { BOXES } from '../demo/loft-boxes.ts'
import { boathouseLoft } from '../demo/loft.ts'
for (const T of [
  Date.UTC(2025, 10, 8, 10),
  Date.UTC(2026, 10, 26, 10),
  Date.UTC(2027, 0, 20, 10),
  Date.UTC(2026, 6, 1, 10),
]) {
  const state = fold(boathouseLoft(T, 'Europe/Oslo'))
  for (const { id } of BOXES) {
    if (process.argv[2] && id !== process.argv[2]) continue
    const f = boxFacts(state, boxView(state, id, T)!, T)!
    const t = performance.now()
    const x = estimateBox(f)
    const ms = performance.now() - t
    const d = (s: number) => ((s - x.nowS) / 86400).toFixed(0)
    console.log(
      id,
      'T',
      x.targetRhPercent,
      x.leaves && [d(x.leaves.spread.low), d(x.leaves.spread.middle), d(x.leaves.spread.high)].join('/'),
      x.accounts.map(a => a.kind + ' ' + a.share.toFixed(2)).join(', '),
      '|',
      x.standing?.is,
      x.wrong.map(w => w.cause + w.share.toFixed(2)).join(','),
      x.contradiction ? 'CONTRA ' + x.contradiction.where : '',
      'leak',
      x.leakLPerH.middle.toFixed(2),
      '|',
      f.readings
        .slice(-5)
        .map(r => r.relativeHumidityPercent)
        .join(' '),
      ms.toFixed(0) + 'ms',
    )
  }
}
