import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { toldTruly } from '../src/testing/histories/sets.ts'
const dev = { truly: 500000, wrongly: 600000, causes: 700000 }
const hs = [8, 5, 6].map(i => toldTruly(i, dev as any))
for (const h of hs) {
  const t = performance.now()
  estimateBox(h.facts)
  console.log((performance.now() - t).toFixed(0))
}
for (const h of hs) {
  const t = performance.now()
  estimateBox(h.facts)
  console.log((performance.now() - t).toFixed(0))
}
