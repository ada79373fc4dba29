// The long checks: forecasts held against the truth of made-up boxes, and the books of their networks.
// Whole: writes docs/validation/forecast.json with a fingerprint of src/core. `--fifth`: a seeded fifth, nothing
// written; fails when the file is older than the core it describes.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { leavesAtS } from '../src/core/estimate/forecast.ts'
import { runDraw } from '../src/core/estimate/run-draw.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { syntheticBox } from '../src/testing/synthetic-box.ts'
import { unknownsOf } from '../src/core/estimate/unknowns.ts'
import { coreHash } from './core-hash.mjs'
import { keptHash } from './kept-hash.ts'
import { root } from './set-up.mjs'

const BOXES = 150
const DAY_S = 86_400
const file = join(root, 'docs/validation/forecast.json')
const fifth = process.argv.includes('--fifth')
const boxes = fifth ? BOXES / 5 : BOXES

let inside = 0
let expected = 0
let variance = 0
let open = 0
let contradictions = 0
let softened = 0
const effective: number[] = []
for (let seed = 1; seed <= boxes; seed++) {
  const { facts, z } = syntheticBox(seededRandom(seed * 104_729), [20, 60, 150][seed % 3]!, 6)
  const report = estimateBox(facts, { seed })
  const { now, ...truth } = runDraw(facts, unknownsOf(facts), [], z)
  const truthS = leavesAtS(facts, { ...truth, now: now! }, facts.targetRhPercent!)
  const { low, high } = report.leaves!.spread
  effective.push(report.effectiveDraws)
  if (report.contradiction) contradictions++
  if (report.likelihoodPower < 1) softened++
  // a box surely over, or surely good beyond the horizon, says nothing of the width
  if (high - low < DAY_S || report.leaves!.beyondHorizon.early) continue
  open++
  // where the late end is only the horizon no truth lies beyond it: nine in ten are expected, not eight
  const share = report.leaves!.beyondHorizon.late ? 0.9 : 0.8
  expected += share
  variance += share * (1 - share)
  if (truthS >= low - 1 && truthS <= high + 1) inside++
}
effective.sort((a, b) => a - b)
const result = {
  what: 'Boxes drawn from their own priors, read every six days for 20, 60 or 150 days; the date they leave 25 % RH.',
  boxes,
  openDates: open,
  truthInside10To90: inside,
  shareInside: Number((inside / open).toFixed(3)),
  shareExpected: Number((expected / open).toFixed(3)),
  falseContradictions: contradictions,
  softenedForWantOfDraws: softened,
  effectiveDraws: { least: Math.round(effective[0]!), median: Math.round(effective[Math.floor(boxes / 2)]!) },
  coreHash: await coreHash(['scripts/validate.ts']),
}
console.log(JSON.stringify(result, null, 2))

const problems: string[] = []
// two and a half standard errors of a binomial to either side: too wide a range is as wrong as too narrow
if (Math.abs(inside - expected) > 2.5 * Math.sqrt(variance))
  problems.push(`${inside} of ${open} true dates lie in their range: ${expected.toFixed(1)} were expected.`)
if (contradictions > 0.03 * boxes)
  problems.push(`${contradictions} of ${boxes} honest boxes were called contradictory.`)
if (softened > boxes / 20 || effective[0]! < 49.9)
  problems.push(`${softened} of ${boxes} boxes have fewer than 50 effective draws.`)
if (fifth) {
  if (keptHash(file) !== result.coreHash)
    problems.push('docs/validation is older than src/core: run npm run validate.')
} else {
  mkdirSync(join(root, 'docs/validation'), { recursive: true })
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
