// Told wrongly, a hundred of each kind: the forty frozen ones and sixty more by the same rules, which nobody tuned by.
// Whole: writes docs/validation/wrongs.json. `--share`: one of each, nothing written.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { isHeld, isOpen } from '../src/testing/histories/scores.ts'
import { WRONGS } from '../src/testing/histories/sets.ts'
import { coreHash } from './core-hash.mjs'
import { inShares } from './in-shares.ts'
import { keptHash } from './kept-hash.ts'
import type { Measured } from './measured-history.ts'
import { root } from './set-up.mjs'

const FROZEN = 40
const OF_EACH = 100
/** Held, or the report says that something is wrong; and the least that may be held of any kind. */
const ASKED_HELD_OR_SAID = 0.7
const ASKED_HELD = 0.6

const file = join(root, 'docs/validation/wrongs.json')
const isShare = process.argv.includes('--share')
/** Of a share, one of few readings: those of many take twice as long. */
const [from, to] = isShare ? [45, 46] : [FROZEN, OF_EACH]

interface Counted {
  readonly open: number
  readonly held: number
  readonly heldOrSaid: number
}
const share = (part: number, of: number) => Number((part / of).toFixed(3))
const counted = (list: readonly Measured[]): Counted => {
  const open = list.filter(isOpen)
  return {
    open: open.length,
    held: open.filter(isHeld).length,
    heldOrSaid: open.filter(one => isHeld(one) || one.contradicts).length,
  }
}

const more = await inShares<Measured>(
  'scripts/measure-wrongs.ts',
  [from, to].map(String),
  isShare ? 1 : undefined,
)
const { wrongly } = JSON.parse(readFileSync(join(root, 'docs/validation/histories.json'), 'utf8')) as {
  wrongly: Record<string, Counted>
}
const kinds = WRONGS.map(wrong => {
  const frozen = wrongly[wrong]!
  const added = counted(more.filter(one => one.part === wrong))
  const open = frozen.open + added.open
  return {
    wrong,
    more: added,
    open,
    // of the frozen ones shares are kept
    held: share(Math.round(frozen.held * frozen.open) + added.held, open),
    heldOrSaid: share(Math.round(frozen.heldOrSaid * frozen.open) + added.heldOrSaid, open),
  }
})
const result = {
  what: 'Told wrongly, a hundred of each: the forty frozen ones and sixty more by the same rules.',
  kinds,
  coreHash: await coreHash(['scripts/measure-wrongs.ts']),
}
console.log(JSON.stringify(result, null, 2))
const problems: string[] = []
if (isShare) {
  if (keptHash(file) !== result.coreHash)
    problems.push('docs/validation/wrongs.json is older than src/core: run npm run validate.')
} else {
  for (const { wrong, held, heldOrSaid } of kinds)
    if (held < ASKED_HELD || heldOrSaid < ASKED_HELD_OR_SAID)
      problems.push(`${wrong}: held ${held}, held or said ${heldOrSaid}.`)
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
