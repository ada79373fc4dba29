// How far an answer moves when the points it stands on are turned: twenty made-up boxes, three turns each.
// Whole: writes docs/validation/same-answers.json. `--share`: one of the boxes, nothing written.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { seededRandom } from '../src/core/estimate/random.ts'
import { ensembleOf, estimateGrams } from '../src/core/estimate/estimate-box.ts'
import { syntheticBox } from '../src/testing/synthetic-box.ts'
import { coreHash } from './core-hash.mjs'
import { keptHash } from './kept-hash.ts'
import { root } from './set-up.mjs'

const BOXES = 20
const TURNS = [1, 2, 3]
const file = join(root, 'docs/validation/same-answers.json')
const isShare = process.argv.includes('--share')

const apart = (values: readonly number[], by: number) => (Math.max(...values) - Math.min(...values)) / by
const moves = {
  dates: [] as number[],
  water: [] as number[],
  leak: [] as number[],
  inflow: [] as number[],
  grams: [] as number[],
}
for (let box = 1; box <= (isShare ? 1 : BOXES); box++) {
  const { facts } = syntheticBox(seededRandom(box * 104_729), [20, 60, 150][box % 3]!, 6)
  const turns = TURNS.map(seed => ({ seed, ensemble: ensembleOf(facts, { seed }) }))
  const reports = turns.map(({ ensemble }) => ensemble.report)
  const days = (key: 'low' | 'middle' | 'high') => reports.map(({ leaves }) => leaves!.spread[key] / 86_400)
  // two days are no difference to a person, however narrow the range
  const range = Math.max(2, ...reports.map(({ leaves: l }) => (l!.spread.high - l!.spread.low) / 86_400))
  moves.dates.push(apart(days('low'), range), apart(days('middle'), range), apart(days('high'), range))
  const of = (value: (report: (typeof reports)[number]) => number) => reports.map(value)
  const [first] = reports
  moves.water.push(
    apart(
      of(r => r.held!.waterG),
      first!.held!.waterG,
    ),
  )
  moves.leak.push(
    apart(
      of(r => r.leakLPerH.middle),
      first!.leakLPerH.high,
    ),
  )
  moves.inflow.push(
    apart(
      of(r => r.inflowMgPerDay.middle),
      first!.inflowMgPerDay.high,
    ),
  )
  const grams = turns.map(
    ({ seed, ensemble }) => estimateGrams(facts, { seed }, [8], ensemble)[0]?.grams ?? Number.NaN,
  )
  // a few grams are no difference either: the page rounds to five
  if (grams.every(Number.isFinite)) moves.grams.push(apart(grams, Math.max(50, Math.min(...grams))))
}

const told = (values: readonly number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share: number) => Number(sorted[Math.ceil(share * sorted.length) - 1]!.toFixed(3))
  return {
    figures: sorted.length,
    withinATenth: Number((sorted.filter(value => value < 0.1).length / sorted.length).toFixed(3)),
    middle: at(0.5),
    nineOfTen: at(0.9),
    most: at(1),
  }
}
const result = {
  what: 'Largest difference between three turns: dates over their range, the rest over the figure or its upper end.',
  boxes: BOXES,
  ...Object.fromEntries(Object.entries(moves).map(([key, values]) => [key, told(values)])),
  coreHash: await coreHash(['scripts/validate-answers.ts']),
}
console.log(JSON.stringify(result, null, 2))
const problems: string[] = []
for (const [key, values] of Object.entries(moves)) {
  const { withinATenth, most } = told(values)
  // where two accounts of a box meet, or the late end is the horizon, a date falls between two heaps of dates: how far it
  // moves there is said, and asked of the others
  const mostAsked = key === 'dates' ? Infinity : 0.2
  if (withinATenth < 0.9 || most > mostAsked)
    problems.push(`${key} move by ${most} at most, ${withinATenth} within a tenth.`)
}
if (isShare) {
  if (keptHash(file) !== result.coreHash)
    problems.push('docs/validation/same-answers.json is older than src/core.')
} else {
  mkdirSync(join(root, 'docs/validation'), { recursive: true })
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
