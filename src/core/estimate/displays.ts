import type { Seconds } from '#units/quantity.ts'
import { daysFromSeconds } from '#units/time.ts'
import type { BoxFacts, ReadingFacts } from '../evidence/facts.ts'
import { newEachTimeRh, OFFSET_SHARE } from '../reading/offset-share.ts'

/** A display as the estimator takes it. */
export interface Display {
  readonly id: string
  /** Of its constant error, % RH, one standard deviation. */
  readonly offsetSpreadRh: number
  /** Of what is new at each reading. */
  readonly newEachTimeRh: number
  /** A reading at or below says "at most this". */
  readonly floorPercentRh: number
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
  const { accuracyPercentRh, floorPercentRh } = facts.hygrometer
  const list = [...times].map(([id, [firstS, lastS]]) => ({
    offsetSpreadRh: OFFSET_SHARE * (accuracyPercentRh / 2),
    newEachTimeRh: newEachTimeRh(accuracyPercentRh),
    floorPercentRh,
    ...facts.displays?.find(one => one.id === id),
    id,
    firstS,
    mayDrift: daysFromSeconds(lastS - firstS) > DRIFTS_AFTER_DAYS,
  }))
  known.set(facts, list)
  return list
}

/** The least the air can be taken for where this reading stands at its display's floor. */
export const floorAt = (facts: BoxFacts, reading: Pick<ReadingFacts, 'displayId'>): number =>
  displaysOf(facts).find(one => one.id === displayOf(reading))?.floorPercentRh ??
  facts.hygrometer.floorPercentRh
