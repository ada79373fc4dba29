// Arrangements found for two hundred random boxes of up to six spools: never fewer than a grid of 5 mm finds, nothing
// overlaps by solid geometry of its own, more clearance never takes more, nothing tried by hand takes more.
// Whole: writes docs/validation/packing.json. `--fifth`: forty of them, nothing written.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { packingCase } from '../src/testing/packing.ts'
import { coreHash } from './core-hash.mjs'
import { keptHash } from './kept-hash.ts'
import { root } from './set-up.mjs'

const BOXES = 200
const file = join(root, 'docs/validation/packing.json')
const fifth = process.argv.includes('--fifth')
const boxes = Array.from({ length: fifth ? BOXES / 5 : BOXES }, (_, i) => packingCase(fifth ? 5 * i + 3 : i))
const result = {
  what: 'Arrangements found against a grid of 5 mm, solid geometry, wider clearances and trying by hand.',
  boxes: boxes.length,
  asManyAsTheGrid: boxes.filter(({ asGrid }) => asGrid).length,
  triedByHand: boxes.reduce((sum, { tried }) => sum + tried, 0),
  wrong: boxes.flatMap(({ wrong }) => wrong),
  coreHash: await coreHash(['scripts/validate-packing.ts']),
}
console.log(JSON.stringify(result, null, 2))
const problems = [...result.wrong]
if (result.asManyAsTheGrid < 0.9 * boxes.length)
  problems.push(`Only ${result.asManyAsTheGrid} of ${boxes.length} agree with the grid.`)
if (fifth) {
  if (keptHash(file) !== result.coreHash)
    problems.push('docs/validation/packing.json is older than src/core/build.')
} else {
  mkdirSync(join(root, 'docs/validation'), { recursive: true })
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
