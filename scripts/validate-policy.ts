// A year on forty boxes under four rules (docs/validation/histories.md). Whole: writes docs/validation/policy.json with a
// fingerprint of the engine; some twenty minutes on two cores. `--share`: one of the boxes, held against what is kept.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { RULES, type RuleName } from '../src/testing/histories/year.ts'
import { coreHash } from './core-hash.mjs'
import { inShares } from './in-shares.ts'
import { keptHash } from './kept-hash.ts'
import type { MeasuredYear } from './measure-years.ts'
import { root } from './set-up.mjs'

const file = join(root, 'docs/validation/policy.json')
const isShare = process.argv.includes('--share')
/** A box that a share can wait for. */
const SHARE = ['8']

const all = (
  await inShares<MeasuredYear>('scripts/measure-years.ts', isShare ? SHARE : [], isShare ? 1 : undefined)
).sort((a, b) => a.box - b.box)
const engine = await coreHash(['scripts/measure-years.ts'])
const problems: string[] = []
if (isShare) {
  if (keptHash(file) !== engine)
    problems.push('docs/validation/policy.json is older than src/core: run npm run validate.')
  else {
    const { boxes } = JSON.parse(readFileSync(file, 'utf8')) as { boxes: readonly MeasuredYear[] }
    for (const year of all)
      if (JSON.stringify(boxes.find(one => one.box === year.box)) !== JSON.stringify(year))
        problems.push(`The year of box ${year.box} is not the one that is kept.`)
  }
  console.log(JSON.stringify(all))
} else {
  const mean = (name: RuleName, of: 'offDays' | 'renewals') =>
    Number((all.reduce((sum, year) => sum + year[name][of], 0) / all.length).toFixed(2))
  const names = Object.keys(RULES) as RuleName[]
  const worst = all.reduce((a, b) => (b.veld.offDays > a.veld.offDays ? b : a))
  const result = {
    what: 'A year of forty boxes read weekly: days over the target (but the first two after a renewal) and renewals, a box.',
    means: Object.fromEntries(
      names.map(name => [name, { offDays: mean(name, 'offDays'), renewals: mean(name, 'renewals') }]),
    ),
    offDaysAgainstAllKnowing: Number((mean('veld', 'offDays') / mean('all-knowing', 'offDays')).toFixed(2)),
    renewalsAgainstAllKnowing: Number(
      (mean('veld', 'renewals') / mean('all-knowing', 'renewals')).toFixed(2),
    ),
    worst,
    boxes: all,
    coreHash: engine,
  }
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
  console.log(JSON.stringify({ ...result, boxes: undefined }, null, 2))
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
