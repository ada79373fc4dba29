// The forecast held against what came of the frozen histories (docs/validation/histories.md).
// Whole: writes docs/validation/histories.json with a fingerprint of the engine. `--third`: every third,
// written. `--share`: every sixtieth but of those told wrongly, of which another share has one of each; nothing written.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  asRanges,
  biasOf,
  isEarly,
  isHeld,
  isOpen,
  pinballDays,
  winklerDays,
  type Said,
} from '../src/testing/histories/scores.ts'
import { CASE_CAUSES, WRONGS } from '../src/testing/histories/sets.ts'
import { coreHash } from './core-hash.mjs'
import { inShares } from './in-shares.ts'
import { keptHash } from './kept-hash.ts'
import type { Measured } from './measured-history.ts'
import { root } from './set-up.mjs'

const file = join(root, 'docs/validation/histories.json')
const isShare = process.argv.includes('--share')
/** A fifth would take longer than all the other validations together. */
const EVERY = isShare ? 60 : process.argv.includes('--third') ? 3 : 1

const all = await inShares<Measured>(
  'scripts/measure-histories.ts',
  [String(EVERY), ...(isShare ? ['truly'] : [])],
  isShare ? 1 : undefined,
)
const part = (name: string) => all.filter(one => one.part === name)
const rounded = (value: number, digits = 3) => Number(value.toFixed(digits))
const shareOf = (list: readonly unknown[], of: number) => rounded(list.length / of)

function held(list: readonly Measured[]) {
  const open = list.filter(isOpen)
  return { histories: list.length, open: open.length, held: shareOf(open.filter(isHeld), open.length) }
}

const truly = part('truly')
const open = truly.filter(isOpen)
const peers: Record<string, { pinballDays: number; winklerDays: number; histories: number }> = {}
const score = (name: string, said: readonly Said[]) =>
  (peers[name] = {
    histories: said.length,
    pinballDays: rounded(pinballDays(said), 1),
    winklerDays: rounded(winklerDays(said), 1),
  })
score('veld', open)
score(
  'straight line',
  asRanges(open.flatMap(one => (one.lineDays === null ? [] : [{ ...one, days: one.lineDays }]))),
)
const again = open.filter(one => one.lastTimeDays !== null)
score('veld, where there were beads before', again)
score('as long as last time', asRanges(again.map(one => ({ ...one, days: one.lastTimeDays! }))))

const byMs = [...all].sort((a, b) => a.ms - b.ms)
const result = {
  every: EVERY,
  what: 'Frozen histories, told truly and wrongly: how often what came lay in the 10–90 % range, and how good the dates are.',
  truly: {
    ...held(truly),
    byPace: Object.fromEntries(
      ['under ten', 'ten and more', 'thirty and more', 'hourly'].map(pace => [
        pace,
        held(truly.filter(one => one.pace === pace)),
      ]),
    ),
    early: shareOf(open.filter(isEarly), open.length),
    bias: rounded(biasOf(open), 2),
    contradicted: truly.filter(one => one.contradiction).length,
    datesShown: truly.filter(one => one.shown).length,
  },
  scores: peers,
  wrongly: Object.fromEntries(
    WRONGS.map(wrong => {
      const list = part(wrong)
      const dated = list.filter(isOpen)
      return [
        wrong,
        {
          ...held(list),
          heldOrSaid: shareOf(
            dated.filter(one => isHeld(one) || one.contradicts),
            dated.length,
          ),
        },
      ]
    }),
  ),
  causes: Object.fromEntries(
    CASE_CAUSES.map(cause => [
      cause,
      { cases: part(cause).length, rightFirst: part(cause).filter(one => one.cause === cause).length },
    ]),
  ),
  seconds: {
    median: rounded((byMs[Math.floor(byMs.length / 2)]?.ms ?? 0) / 1000, 2),
    most: rounded((byMs.at(-1)?.ms ?? 0) / 1000, 2),
  },
  coreHash: await coreHash(['scripts/measure-histories.ts']),
}
console.log(JSON.stringify(result, null, 2))

const problems: string[] = []
if (isShare && keptHash(file) !== result.coreHash)
  problems.push('docs/validation/histories.json is older than src/core: run npm run validate.')
if (!isShare) {
  // how long it took is this machine's, not the engine's: it is said, not kept
  const { seconds: _, ...kept } = result
  writeFileSync(file, `${JSON.stringify(kept, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
