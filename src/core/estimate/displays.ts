import type { Seconds } from '#units/quantity.ts'
import { daysFromSeconds } from '#units/time.ts'
import type { BoxFacts, ReadingFacts } from '../evidence/facts.ts'
import { OFFSET_SHARE } from './offset-share.ts'

/** A display as the estimator takes it. */
export interface Display {
  readonly id: string
  /** Of its constant error, % RH, one standard deviation. */
  readonly offsetSpreadRh: number
  /** When it first showed this box's air: its drift is counted from then. */
  readonly firstS: Seconds
  /** Read long enough for its drift to matter. */
  readonly mayDrift: boolean
}

/** For readings that name none: one display that always hung there. */
export const OWN = 'own'
export const displayOf = (reading: Pick<ReadingFacts, 'displayId'>): string => reading.displayId ?? OWN

const DRIFTS_AFTER_DAYS = 30

const known = new WeakMap<BoxFacts, readonly Display[]>()

/** Every display the box was read with, in order of its first reading; one where it never was. */
export function displaysOf(facts: BoxFacts): readonly Display[] {
  const before = known.get(facts)
  if (before) return before
  const times = new Map<string, [number, number]>()
  for (const reading of facts.readings) {
    const id = displayOf(reading)
    const span = times.get(id)
    if (span) span[1] = reading.atS
    else times.set(id, [reading.atS, reading.atS])
  }
  if (times.size === 0) times.set(OWN, [0, 0])
  const list = [...times].map(([id, [firstS, lastS]]) => ({
    id,
    firstS,
    offsetSpreadRh: OFFSET_SHARE * (facts.hygrometer.accuracyPercentRh / 2),
    mayDrift: daysFromSeconds(lastS - firstS) > DRIFTS_AFTER_DAYS,
  }))
  known.set(facts, list)
  return list
}
