// Makes the histories the estimator is measured on, once and for all, and keeps them with their fingerprint. Run it
// again only when the rules in docs/validation/histories.md change: the figures measured before are then worth nothing.
// A quarter of an hour on two cores; a part by its name, then all together: `freeze-histories.ts spent`, …, `together`.
import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'fflate'
import { packed, type Packed } from '../src/testing/histories/packed.ts'
import { CASE_CAUSES, clearCases, toldTruly, toldWrongly, WRONGS } from '../src/testing/histories/sets.ts'
import { root } from './set-up.mjs'

const TRULY = 300
const OF_EACH = 40
const folder = join(root, '.tmp/histories')
const fileOf = (part: string) => join(folder, `${part}.json`)

function make(part: string): Packed[] {
  if (part === 'truly') return Array.from({ length: TRULY }, (_, i) => packed(toldTruly(i)))
  const wrong = WRONGS.find(one => one === part)
  if (wrong) return Array.from({ length: OF_EACH }, (_, i) => packed(toldWrongly(wrong, i)))
  const cause = CASE_CAUSES.find(one => one === part)
  if (!cause) throw new Error(`No part is called ${part}.`)
  const list: Packed[] = []
  for (const history of clearCases(cause)) {
    list.push(packed(history))
    if (list.length === OF_EACH) break
  }
  return list
}

const parts = ['truly', ...WRONGS, ...CASE_CAUSES]
mkdirSync(folder, { recursive: true })
for (const part of process.argv.slice(2))
  if (part === 'together') {
    const all = Object.fromEntries(
      parts.map(name => [name, JSON.parse(readFileSync(fileOf(name), 'utf8')) as Packed[]]),
    )
    const bytes = gzipSync(Buffer.from(JSON.stringify(all)), { level: 9, mtime: 0 })
    writeFileSync(join(root, 'docs/validation/histories.json.gz'), bytes)
    console.log(createHash('sha256').update(bytes).digest('hex').slice(0, 16), bytes.length)
  } else {
    writeFileSync(fileOf(part), JSON.stringify(make(part)))
    console.log(part)
  }
