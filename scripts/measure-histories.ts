// One process's share of the histories: estimates each and says what came, a line of JSON for each.
// Arguments: which share, of how many, every how many-th history; `truly`: none of those told wrongly.
import { join } from 'node:path'
import { frozenHistories, type Part } from '../src/testing/histories/frozen.ts'
import type { Kept } from '../src/testing/histories/packed.ts'
import { WRONGS } from '../src/testing/histories/sets.ts'
import { measured } from './measured-history.ts'
import { root } from './set-up.mjs'

const [numbers, which] = [process.argv.slice(2, 5), process.argv[5]]
const [share, of, every] = numbers.map(Number) as [number, number, number]
const all = frozenHistories(join(root, 'docs/validation/histories.json.gz'))
let at = 0
for (const [part, list] of Object.entries(all) as [Part, Kept[]][]) {
  if (which === 'truly' && WRONGS.some(wrong => wrong === part)) continue
  list.forEach((history, i) => {
    if (i % every === 0 && at++ % of === share) console.log(JSON.stringify(measured(part, history)))
  })
}
