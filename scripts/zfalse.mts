import { readFileSync } from 'node:fs'
import { unpacked } from '../src/testing/histories/packed.ts'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
const list = JSON.parse(readFileSync(`.tmp/dev/truly.json`, 'utf8')).map(unpacked)
let n = 0
const named: Record<string, number> = {}
for (const h of list) {
  if (h.pace === 'hourly') continue
  const r = estimateBox(h.facts)
  n++
  const w = r.wrong[0]
  if (w && w.share >= 0.5) {
    named[w.cause] = (named[w.cause] ?? 0) + 1
    if (!['spent', 'too few beads'].includes(w.cause))
      console.log(
        h.seed,
        h.pace,
        h.facts.readings.length,
        r.wrong.map(x => x.cause + x.share.toFixed(2)).join(' '),
      )
  }
}
console.log(n, JSON.stringify(named))
