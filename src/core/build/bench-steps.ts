import type { Arrangement } from './arrangement.ts'
import type { DrilledHole } from './as-drilled.ts'
import type { Hole } from './holes.ts'

/** What of it can hurt is told by these. */
export const BENCH_DOINGS = ['drill', 'file', 'couple', 'seal holes', 'cut the rod'] as const
export type BenchDoing = (typeof BENCH_DOINGS)[number]

/** One thing to do at the bench. */
export interface BenchStep {
  readonly id: string
  readonly what:
    | 'measure'
    | 'mark'
    | 'drill'
    | 'mend'
    | 'deburr'
    | 'couple'
    | 'seal'
    | 'cut'
    | 'hang'
    | 'bracket'
    | 'strip'
    | 'beads'
    | 'display'
    | 'load'
    | 'close'
  /** Of a step about one hole. */
  readonly hole: string | null
  /** What of it can hurt. */
  readonly doing: BenchDoing | null
}

export interface BenchFacts {
  readonly isMeasured: boolean
  readonly holes: readonly Hole[]
  readonly drilled: readonly DrilledHole[]
  readonly arrangement: Arrangement | null
  readonly outlets: number
  readonly hasStrip: boolean
  readonly hasCharge: boolean
  readonly hasDisplay: boolean
}

/** The steps of a build in the order they are done, each once; a hole that came out wrong asks for one more. */
export function benchSteps(facts: BenchFacts): BenchStep[] {
  const step = (
    what: BenchStep['what'],
    doing: BenchDoing | null = null,
    hole: string | null = null,
  ): BenchStep => ({ id: hole === null ? what : `${what} ${hole}`, what, hole, doing })
  const { holes, drilled, arrangement } = facts
  const rods = holes.some(hole => hole.for.what === 'rod')
  const bracketed = arrangement?.kind === 'spindle' || arrangement?.kind === 'rollers'
  return [
    ...(facts.isMeasured ? [] : [step('measure')]),
    ...(holes.length > 0 ? [step('mark')] : []),
    ...holes.flatMap(hole => [
      step('drill', 'drill', hole.id),
      ...(drilled.some(one => one.hole.id === hole.id && (one.verdict === 'off' || one.drilled.mend !== null))
        ? [step('mend', 'file', hole.id)]
        : []),
    ]),
    ...(holes.length > 0 ? [step('deburr', 'file')] : []),
    ...(rods ? [step('cut', 'cut the rod')] : []),
    ...(facts.outlets > 0 ? [step('couple', 'couple')] : []),
    ...(bracketed ? [step('bracket', 'couple')] : []),
    ...(holes.length > 0 || bracketed ? [step('seal', 'seal holes')] : []),
    ...(rods ? [step('hang')] : []),
    ...(facts.hasStrip ? [step('strip')] : []),
    ...(facts.hasDisplay ? [step('display')] : []),
    step('load'),
    // beads last: every minute open is water
    ...(facts.hasCharge ? [step('beads')] : []),
    step('close'),
  ]
}
