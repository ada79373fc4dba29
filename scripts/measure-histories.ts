// One process's share of the histories: estimates each and says what came, a line of JSON for each.
// Arguments: which share, of how many, every how many-th history; `developed`: seeds for tuning instead of the frozen.
import { join } from 'node:path'
import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import { frozenHistories, type Part } from '../src/testing/histories/frozen.ts'
import { asLastTimeDays, cameDays, inDays, straightLineDays } from '../src/testing/histories/scores.ts'
import type { Kept } from '../src/testing/histories/packed.ts'
import { root } from './set-up.mjs'

/** What is kept of one history's report. */
export interface Measured {
  readonly part: Part
  readonly seed: number
  readonly pace: string
  readonly readings: number
  readonly lowDays: number
  readonly middleDays: number
  readonly highDays: number
  readonly cameDays: number
  readonly lineDays: number | null
  readonly lastTimeDays: number | null
  readonly contradicts: boolean
  readonly contradiction: boolean
  readonly shown: boolean
  /** The first of what the report takes to be wrong; null: nothing, or it cannot tell. */
  readonly cause: string | null
  readonly ms: number
}

export function measured(part: Part, { seed, pace, facts, leftS }: Kept): Measured {
  const started = performance.now()
  const report = estimateBox(facts)
  const ms = performance.now() - started
  const { low, middle, high } = report.leaves!.spread
  return {
    part,
    seed,
    pace,
    readings: facts.readings.length,
    lowDays: inDays(low, facts.nowS),
    middleDays: inDays(middle, facts.nowS),
    highDays: inDays(high, facts.nowS),
    cameDays: cameDays(leftS, facts.nowS),
    lineDays: straightLineDays(facts),
    lastTimeDays: asLastTimeDays(facts),
    // said: it fits nothing, something is named as wrong, or the date is the display's own word that it is over
    contradicts: report.contradiction !== null || report.wrong.length > 0,
    contradiction: report.contradiction !== null,
    shown: report.standing?.is === 'shown',
    cause: report.wrong[0]?.cause ?? null,
    ms,
  }
}

const [share, of, every] = process.argv.slice(2).map(Number) as [number, number, number]
const all = frozenHistories(join(root, 'docs/validation/histories.json.gz'))
let at = 0
for (const [part, list] of Object.entries(all) as [Part, Kept[]][])
  list.forEach((history, i) => {
    if (i % every === 0 && at++ % of === share) console.log(JSON.stringify(measured(part, history)))
  })
