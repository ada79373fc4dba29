// Drying runs followed by the scale: forty made up, each weighed twelve times at a step of a gram with board in the spool; what
// the weights say of the end, and of the spool afterwards, against the truth it was drawn from.
// Whole: writes docs/validation/spools.json. `--share`: a few of them, nothing written.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { endFound, stateFound } from '../src/testing/drying-runs.ts'
import { coreHash } from './core-hash.mjs'
import { keptHash } from './kept-hash.ts'
import { root } from './set-up.mjs'

const RUNS = 40
const STATES = 12
const file = join(root, 'docs/validation/spools.json')
const isShare = process.argv.includes('--share')
const seeds = (count: number, some: readonly number[]) =>
  isShare ? some : Array.from({ length: count }, (_, i) => i)
const ends = seeds(RUNS, [0, 11, 22, 33]).map(endFound)
const states = seeds(STATES, [1, 8]).map(stateFound)
const mean = (of: (one: (typeof states)[number]) => number) =>
  Math.round((1000 * states.reduce((sum, one) => sum + of(one), 0)) / states.length) / 1000

const result = {
  what: 'Drying runs of made-up spools, weighed twelve times at a step of a gram: the end, and the spool afterwards.',
  runs: ends.length,
  endWithinAFifth: ends.filter(one => one.near).length,
  endHeld: ends.filter(one => one.held).length,
  spools: states.length,
  meanErrorAsTold: mean(one => one.toldOff),
  meanErrorWeighed: mean(one => one.weighedOff),
  surer: states.filter(one => one.surer).length,
  stateHeld: states.filter(one => one.held).length,
  coreHash: await coreHash(['src/testing/drying-runs.ts']),
}
console.log(JSON.stringify(result, null, 2))
const problems: string[] = []
if (result.endWithinAFifth < 0.8 * ends.length - (isShare ? 1 : 0))
  problems.push(`The end was found within a fifth in ${result.endWithinAFifth} of ${ends.length} runs only.`)
if (result.surer < states.length) problems.push('Weights left a spool less sure than it was told.')
if (isShare) {
  if (keptHash(file) !== result.coreHash)
    problems.push('docs/validation/spools.json is older than the core it describes.')
} else {
  // a range of 80 % that holds nearly always is as wrong as one that holds too seldom
  if (result.endHeld < 0.7 * ends.length || result.endHeld > 0.9 * ends.length)
    problems.push(`The range of the end held ${result.endHeld} of ${ends.length}.`)
  if (result.meanErrorWeighed > 0.7 * result.meanErrorAsTold)
    problems.push('The weights brought the state no nearer.')
  if (result.stateHeld < (2 / 3) * states.length)
    problems.push(`The state was held in ${result.stateHeld} only.`)
  mkdirSync(join(root, 'docs/validation'), { recursive: true })
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
