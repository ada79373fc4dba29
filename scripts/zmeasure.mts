// usage: zmeasure part share of
import { readFileSync } from 'node:fs'
import { unpacked } from '../src/testing/histories/packed.ts'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { inDays, cameDays, isHeld } from '../src/testing/histories/scores.ts'
const [part, share, of] = [process.argv[2]!, Number(process.argv[3] ?? 0), Number(process.argv[4] ?? 1)]
const list = JSON.parse(readFileSync(`.tmp/dev/${part}.json`, 'utf8')).map(unpacked)
let right = 0,
  n = 0,
  held = 0,
  ms = 0
list.forEach((h: never, i: number) => {
  if (i % of !== share) return
  const { facts, leftS } = h as any
  const t = performance.now()
  const r = estimateBox(facts)
  ms += performance.now() - t
  const { low, middle, high } = r.leaves!.spread
  const said = {
    lowDays: inDays(low, facts.nowS),
    middleDays: inDays(middle, facts.nowS),
    highDays: inDays(high, facts.nowS),
    cameDays: cameDays(leftS, facts.nowS),
  }
  const ok = isHeld(said) || r.contradiction !== null || r.wrong.length > 0
  n++
  held += ok ? 1 : 0
  right += r.wrong[0]?.cause === part ? 1 : 0
  console.log(
    i,
    facts.readings.length,
    ok ? 'ok' : 'MISS',
    `${said.lowDays.toFixed(0)}–${said.middleDays.toFixed(0)}–${said.highDays.toFixed(0)} came ${said.cameDays.toFixed(0)}`,
    r.wrong.map(w => w.cause + ' ' + w.share.toFixed(2)).join(' '),
    '|',
    r.accounts
      .map(
        a =>
          a.kind +
          ' ' +
          a.share.toFixed(3) +
          (a.amiss ? ' @' + ((a.amiss.atS - facts.fromS) / 86400).toFixed(0) : ''),
      )
      .join(' '),
    r.contradiction ? 'CONTRA ' + r.contradiction.where : '',
  )
})
console.log(part, 'right', right, 'held/said', held, 'of', n, 'ms each', (ms / n).toFixed(0))
