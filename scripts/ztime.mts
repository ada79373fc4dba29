import { readFileSync } from 'node:fs'
import { unpacked } from '../src/testing/histories/packed.ts'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
const list = JSON.parse(readFileSync(`.tmp/dev/truly.json`, 'utf8')).map(unpacked)
const by: Record<string, number[]> = {}
for (const h of list.slice(0, 32)) {
  const t = performance.now()
  const r = estimateBox(h.facts)
  const ms = performance.now() - t
  ;(by[h.pace] ??= []).push(ms)
  if (h.pace === 'hourly' || h.pace === 'thirty and more')
    console.log(
      h.pace,
      h.facts.readings.length,
      ((h.facts.nowS - h.facts.fromS) / 86400).toFixed(0),
      'd',
      ms.toFixed(0),
      r.draws,
      r.rounds,
      r.ends,
      r.accounts.length,
    )
}
for (const [k, v] of Object.entries(by))
  console.log(
    k,
    v.length,
    'median',
    v.sort((a, b) => a - b)[v.length >> 1]!.toFixed(0),
    'max',
    v.at(-1)!.toFixed(0),
  )
