// One process's share of the histories: estimates each and says what came, a line of JSON for each.
// Arguments: which share, of how many, every how many-th history; `developed`: seeds for tuning instead of the frozen.
import { join } from 'node:path'
import { frozenHistories, type Part } from '../src/testing/histories/frozen.ts'
import type { Kept } from '../src/testing/histories/packed.ts'
import { measured } from './measured-history.ts'
import { root } from './set-up.mjs'

const [share, of, every] = process.argv.slice(2).map(Number) as [number, number, number]
const all = frozenHistories(join(root, 'docs/validation/histories.json.gz'))
let at = 0
for (const [part, list] of Object.entries(all) as [Part, Kept[]][])
  list.forEach((history, i) => {
    if (i % every === 0 && at++ % of === share) console.log(JSON.stringify(measured(part, history)))
  })
