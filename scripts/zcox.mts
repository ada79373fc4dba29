import { boathouseLoft } from '../demo/loft.ts'
import { makeAct } from '../src/records/act.ts'
import { journalViewOf } from '../src/session/journal-view.ts'
import { lastClosing } from '../src/session/closing.ts'
import { calls } from '../src/workers/calls.ts'
const NOW = Date.parse('2025-11-08T10:00:00Z')
let ids = 0
const maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `t${++ids}` }
const acts = boathouseLoft(NOW, 'UTC')
const h = makeAct(maker, 'x', [
  {
    kind: 'charge.heated',
    atMs: NOW - 30 * 3600000,
    payload: { chargeId: 'cox-beads', temperatureC: 110, hours: 2, oven: 'electric', roomId: null },
  },
])
const c = lastClosing(journalViewOf([...acts, h], [], NOW), 'cox')!
const p = calls.firstDay(c.facts)
console.log(
  p.hours
    .map((x, i) => `${x}: ${p.lowRh[i]!.toFixed(0)} ${p.middleRh[i]!.toFixed(0)} ${p.highRh[i]!.toFixed(0)}`)
    .join(' | '),
)
console.log(
  c.facts.insideL,
  c.facts.charges.map(x => [x.dryMassG, x.holder]),
)
