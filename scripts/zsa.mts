import { seededRandom } from '../src/core/estimate/random.ts'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { syntheticBox } from '../src/testing/synthetic-box.ts'
const s = Number(process.argv[2]),
  all: number[] = []
let ms = 0
for (let box = 1 + s; box <= 20; box += 2) {
  const { facts } = syntheticBox(seededRandom(box * 104729), [20, 60, 150][box % 3]!, 6)
  const t = performance.now()
  const rs = [1, 2, 3].map(seed => estimateBox(facts, { seed }))
  ms += performance.now() - t
  const d = (k: 'low' | 'middle' | 'high') => rs.map(r => (r.leaves!.spread[k] - facts.nowS) / 86400)
  const range = Math.max(2, ...rs.map(r => (r.leaves!.spread.high - r.leaves!.spread.low) / 86400))
  const ap = (['low', 'middle', 'high'] as const).map(k => (Math.max(...d(k)) - Math.min(...d(k))) / range)
  all.push(...ap)
  if (Math.max(...ap) > 0.1)
    console.log(
      box,
      'range',
      range.toFixed(0),
      ap.map(x => x.toFixed(2)).join(' '),
      '|',
      (['low', 'middle', 'high'] as const)
        .map(k =>
          d(k)
            .map(x => x.toFixed(0))
            .join('/'),
        )
        .join('  '),
      '|',
      rs
        .map(
          r =>
            r.accounts
              .slice(0, 2)
              .map(a => a.kind + a.share.toFixed(2))
              .join(',') +
            ' ess' +
            r.effectiveDraws.toFixed(0) +
            '/' +
            r.draws,
        )
        .join(' ; '),
    )
}
console.log(
  'over a tenth',
  all.filter(x => x >= 0.1).length,
  'of',
  all.length,
  'most',
  Math.max(...all).toFixed(2),
  's a report',
  (ms / 30 / 1000).toFixed(2),
)
