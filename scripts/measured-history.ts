import { estimateBox } from '../src/core/estimate/estimate-box.ts'
import type { Part } from '../src/testing/histories/frozen.ts'
import type { Kept } from '../src/testing/histories/packed.ts'
import { asLastTimeDays, cameDays, inDays, straightLineDays } from '../src/testing/histories/scores.ts'

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
