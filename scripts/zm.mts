// dev measuring: usage zm part,part every
import { readFileSync } from 'node:fs'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { unpacked, type Packed } from '../src/testing/histories/packed.ts'
import {
  cameDays,
  inDays,
  isHeld,
  isOpen,
  biasOf,
  isEarly,
  pinballDays,
  winklerDays,
} from '../src/testing/histories/scores.ts'
import { fork } from 'node:child_process'
const all = JSON.parse(readFileSync('.tmp/dev.json', 'utf8')) as Record<string, Packed[]>
const [parts, every = '1', share] = process.argv.slice(2)
const names = parts === 'all' ? Object.keys(all) : parts!.split(',')
if (share === undefined) {
  const outs: any[] = []
  await Promise.all(
    [0, 1].map(
      i =>
        new Promise<void>(r => {
          const c = fork(process.argv[1]!, [parts!, every, String(i)], { execArgv: process.execArgv })
          c.on('message', m => outs.push(m))
          c.on('close', () => r())
        }),
    ),
  )
  outs.sort((a, b) => a.i - b.i)
  const ms = outs.map(o => o.ms).sort((a, b) => a - b)
  for (const n of names) {
    const l = outs.filter(o => o.part === n)
    const o = l.filter(isOpen)
    const line = (k: string, l: any[]) => {
      const o = l.filter(isOpen)
      console.log(
        k.padEnd(18),
        'n',
        l.length,
        'open',
        o.length,
        'held',
        (o.filter(isHeld).length / o.length).toFixed(2),
        'early',
        (o.filter(isEarly).length / o.length).toFixed(2),
        'bias',
        biasOf(o).toFixed(2),
        'pin',
        pinballDays(o).toFixed(1),
        'wink',
        winklerDays(o).toFixed(0),
        'contra',
        l.filter(x => x.contra).length,
        'amiss',
        l
          .map(x => x.amiss)
          .filter(a => a)
          .reduce((m: any, a: string) => ((m[a] = (m[a] ?? 0) + 1), m), {}),
        'ess',
        l
          .map(x => x.ess)
          .sort((a, b) => a - b)
          [Math.floor(l.length / 10)]?.toFixed(0),
        'held|said',
        (o.filter(x => isHeld(x) || x.contra || x.amiss).length / o.length).toFixed(2),
      )
    }
    line(n, l)
    if (n === 'truly')
      for (const p of ['under ten', 'ten and more', 'thirty and more', 'hourly'])
        line(
          '  ' + p,
          l.filter(x => x.pace === p),
        )
    if (process.env.VC)
      for (const x of l)
        if (x.contra)
          console.log(
            '   C',
            x.i,
            x.pace,
            x.n,
            x.contra,
            x.acc,
            'came',
            x.cameDays.toFixed(0),
            'said',
            x.lowDays.toFixed(0),
            x.middleDays.toFixed(0),
            x.highDays.toFixed(0),
          )
    if (process.env.V)
      for (const x of l)
        if (process.env.V === 'all' || (isOpen(x) && !isHeld(x)))
          console.log(
            '   ',
            x.i,
            x.pace,
            x.n,
            'last',
            x.last,
            '/',
            x.T,
            'came',
            x.cameDays.toFixed(0),
            'said',
            x.lowDays.toFixed(0),
            x.middleDays.toFixed(0),
            x.highDays.toFixed(0),
            x.contra,
            x.acc,
          )
  }
  console.log(
    'ms median',
    ms[ms.length >> 1]?.toFixed(0),
    'most',
    ms.at(-1)?.toFixed(0),
    'sum s',
    (ms.reduce((a, b) => a + b, 0) / 1000).toFixed(0),
  )
} else {
  let k = 0
  for (const n of names)
    all[n]!.forEach((p, i) => {
      if (i % Number(every) !== 0 || k++ % 2 !== Number(share)) return
      const { facts, leftS, pace } = unpacked(p)
      const t = performance.now()
      const r = estimateBox(facts)
      const ms = performance.now() - t
      const s = r.leaves!.spread
      const rep = r as any
      const top = rep.accounts?.filter((a: any) => a.kind !== 'as told')[0]
      process.send!({
        part: n,
        i,
        pace,
        n: facts.readings.length,
        last: facts.readings.at(-1)?.relativeHumidityPercent,
        T: facts.targetRhPercent,
        lowDays: inDays(s.low, facts.nowS),
        middleDays: inDays(s.middle, facts.nowS),
        highDays: inDays(s.high, facts.nowS),
        cameDays: cameDays(leftS, facts.nowS),
        contra: r.contradiction ? r.contradiction.where + r.contradiction.observations : '',
        amiss: rep.wrong?.[0]?.cause ?? null,
        acc: rep.accounts?.map((a: any) => a.kind + ' ' + a.share.toFixed(2)).join(', '),
        ess: r.effectiveDraws,
        ms,
      })
    })
}
