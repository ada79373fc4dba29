import type { Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { normalCdf } from '../normal.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { isPresent } from '../model/box-model.ts'
import type { Amiss, AmissKind } from './amiss.ts'
import { displaysOf } from './displays.ts'
import type { Observation } from './likelihood.ts'
import { SHIFT_SPREAD_RH } from './shift-of-display.ts'

/** One account of a box: as told, or with one thing that happened without a word. */
export interface Hypothesis {
  readonly kind: AmissKind | 'as told'
  readonly atS: Seconds
  /** Before any reading: of all boxes, how many; within a kind, by how long it could have been then. */
  readonly prior: number
  /** What a standard normal variable makes of it; it has one unknown more than what is told. */
  readonly amiss: (z: number) => Amiss | null
}

export const AS_TOLD: Hypothesis = { kind: 'as told', atS: -Infinity, prior: 1, amiss: () => null }

/** How often each happens to a box in a few months; from memory: nobody has counted them. */
export const PRIORS: Readonly<Record<AmissKind, number>> = {
  leak: 0.15,
  opened: 0.04,
  renewed: 0.02,
  damp: 0.04,
  display: 0.025,
}

const lognormal = (middle: number, spread: number, z: number) => middle * Math.exp(spread * z)

/** What z makes of a kind at a time. */
export function amissAt(kind: AmissKind, atS: Seconds, displayId: string): (z: number) => Amiss {
  switch (kind) {
    case 'leak':
      return z => ({ kind, atS, factor: lognormal(5, 0.7, z) })
    case 'opened':
      return z => ({ kind, atS, freeAirs: lognormal(25, 1.2, z) })
    case 'renewed':
      return () => ({ kind, atS })
    case 'damp':
      return z => ({ kind, atS, rhPercent: 45 + 47 * normalCdf(z) })
    case 'display':
      return z => ({ kind, atS, displayId, rhPercent: SHIFT_SPREAD_RH * z })
  }
}

/** Times between what was seen: something that happened in between shows from the next on. Each with its share. */
export function gapsOf(
  facts: BoxFacts,
  observations: readonly Observation[],
): { readonly atS: Seconds; readonly share: number; readonly next: number }[] {
  const span = facts.nowS - facts.fromS
  const gaps: { atS: Seconds; share: number; next: number }[] = []
  let beforeS = facts.fromS
  observations.forEach(({ atS, kind }, next) => {
    if (kind !== 'reading') return
    if (atS - beforeS >= SAME_TIME_S)
      gaps.push({ atS: (beforeS + atS) / 2, share: (atS - beforeS) / span, next })
    beforeS = Math.max(beforeS, atS)
  })
  return gaps
}
const SAME_TIME_S = secondsFromDays(0.2)

/** When spools came in, each time once. */
export function arrivalsOf(facts: BoxFacts): Seconds[] {
  const times: Seconds[] = []
  for (const { inS, filamentG } of facts.spools)
    if (filamentG > 0 && !times.some(other => Math.abs(other - inS) < secondsFromDays(1))) times.push(inS)
  return times
}

/** Whether a kind can have happened at a time at all. */
export const isPossible = (facts: BoxFacts, kind: AmissKind, atS: Seconds): boolean =>
  kind !== 'renewed' || facts.charges.some(charge => isPresent(charge, atS) && charge.inS < atS)

/** The displays that are read most, two at most: the ones whose shift would show. */
export function mostRead(facts: BoxFacts, observations: readonly Observation[]): number[] {
  const counts = displaysOf(facts).map((_, i) => observations.filter(one => one.display === i).length)
  return counts
    .map((_, i) => i)
    .filter(i => counts[i]! > 0)
    .sort((a, b) => counts[b]! - counts[a]!)
    .slice(0, 2)
}
