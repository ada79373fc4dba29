import { boathouseLoft } from '../demo/loft.ts'
import { BOXES } from '../demo/loft-boxes.ts'
import { fold } from '../src/journal/fold.ts'
import { boxFacts } from '../src/journal/box-facts.ts'
import { boxView } from '../src/journal/box-view.ts'
import { ensembleOf } from '../src/core/estimate/estimate-box.ts'
import { firstDay, firstDayMiss, atHours } from '../src/core/estimate/promise.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
const NOW = Date.UTC(2027, 1, 20, 10)
const state = fold(boathouseLoft(NOW, 'UTC'))
for (const { id } of BOXES) {
  const madeMs = state.boxes.get(id)!.madeMs + 1000
  const facts = boxFacts(state, boxView(state, id, madeMs)!, madeMs)!
  if (facts.charges.length === 0) continue
  const t = performance.now()
  const p = firstDay(facts)
  const ms = performance.now() - t
  const f = (x: readonly number[]) => [1, 6, 24, 72].map(h => Math.round(atHours(p, x, h)!)).join(' ')
  console.log(
    id,
    Math.round(ms),
    'low',
    f(p.lowRh),
    'mid',
    f(p.middleRh),
    'high',
    f(p.highRh),
    p.otherwise.map(o => o.cause + ' ' + f(o.rhPercent)).join(' | '),
  )
}
