import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { syntheticBox } from '../src/testing/synthetic-box.ts'
for (const [count, days] of [
  [400, 180],
  [5000, 209],
] as const) {
  const { facts } = syntheticBox(seededRandom(4242), days, days / count)
  for (let k = 0; k < 2; k++) {
    const t = performance.now()
    const r = estimateBox(facts)
    console.log(
      facts.readings.length,
      r.draws,
      r.rounds,
      r.ends,
      r.accounts.length,
      (performance.now() - t).toFixed(0),
    )
  }
}
