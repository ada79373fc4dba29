import { readFileSync, writeFileSync } from 'node:fs'
import {
  asRanges,
  biasOf,
  isEarly,
  isHeld,
  isOpen,
  pinballDays,
  winklerDays,
} from '../src/testing/histories/scores.ts'
const all = readFileSync('/tmp/baseline.jsonl', 'utf8')
  .split('\n')
  .filter(Boolean)
  .map(l => JSON.parse(l))
const r = (v: number, d = 3) => Number(v.toFixed(d))
const held = (l: any[]) => {
  const o = l.filter(isOpen)
  return { histories: l.length, open: o.length, held: r(o.filter(isHeld).length / o.length) }
}
const truly = all.filter(a => a.part === 'truly')
const open = truly.filter(isOpen)
const parts = [...new Set(all.map(a => a.part))]
const result = {
  what: 'The estimator before these histories were made (commit 4f21bf7), on every third of them; of those told wrongly these are the ones of under ten readings.',
  truly: {
    ...held(truly),
    byPace: Object.fromEntries(
      ['under ten', 'ten and more', 'thirty and more', 'hourly'].map(p => [
        p,
        held(truly.filter(a => a.pace === p)),
      ]),
    ),
    early: r(open.filter(isEarly).length / open.length),
    bias: r(biasOf(open), 2),
    contradicted: truly.filter(a => a.contradicts).length,
  },
  scores: {
    veld: {
      histories: open.length,
      pinballDays: r(pinballDays(open), 1),
      winklerDays: r(winklerDays(open), 1),
    },
    'straight line': (() => {
      const s = asRanges(open.flatMap(a => (a.lineDays === null ? [] : [{ ...a, days: a.lineDays }])))
      return { histories: s.length, pinballDays: r(pinballDays(s), 1), winklerDays: r(winklerDays(s), 1) }
    })(),
  },
  wrongly: Object.fromEntries(
    parts
      .filter(p => !['truly', 'spent', 'leak', 'damp', 'display', 'opened'].includes(p))
      .map(p => {
        const l = all.filter(a => a.part === p)
        const o = l.filter(isOpen)
        return [p, { ...held(l), heldOrSaid: r(o.filter(a => isHeld(a) || a.contradicts).length / o.length) }]
      }),
  ),
}
writeFileSync('docs/validation/histories-before.json', JSON.stringify(result, null, 2) + '\n')
console.log(JSON.stringify(result, null, 1))
