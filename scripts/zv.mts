import { makeHistory as full } from '../src/testing/histories/history.ts'
import { makeHistory as lump } from '../src/testing/histories/zz-rings0.ts'
import { makeHistory as calm } from '../src/testing/histories/zz-calm.ts'
import { makeHistory as shut } from '../src/testing/histories/zz-noopen.ts'
const d: any = { lump: [], calm: [], shut: [] }
for (let i = 3; i < 160; i += 8) {
  const w = { seed: 500000 + i, pace: 'thirty and more' as const }
  const last = (h: any) => {
    const t = h.trueRhPercent.slice(-10)
    return t.reduce((a: number, b: number) => a + b, 0) / t.length
  }
  const f = last(full(w))
  d.lump.push(last(lump(w)) - f)
  d.calm.push(last(calm(w)) - f)
  d.shut.push(last(shut(w)) - f)
}
for (const [k, v] of Object.entries(d) as any)
  console.log(
    k,
    'mean',
    (v.reduce((a: number, b: number) => a + b, 0) / v.length).toFixed(2),
    'median',
    v.sort((a: number, b: number) => a - b)[v.length >> 1].toFixed(2),
    v.map((x: number) => x.toFixed(1)).join(' '),
  )
