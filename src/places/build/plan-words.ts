import type { ArrangementKind } from '#core/build/arrangement.ts'
import type { CandidateReport } from '#core/build/candidate.ts'
import type { Clearance } from '#core/build/clearances.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { numberWord } from '#ui/number-words.ts'

/** A count as people say it; figures where words get long. */
export const countWord = (count: number): string => (count > 10 ? String(count) : numberWord(count, 'none'))

/** How spools stand, after a count. */
export const WAY_WORDS: Readonly<Record<ArrangementKind, string>> = {
  axle: 'on an axle',
  'two axles': 'on two axles',
  spindle: 'on a spindle from one wall',
  rollers: 'on rollers',
  rim: 'standing on the rim',
  lying: 'lying',
}
const AXIS_WORDS = ['', ', front to back', ''] as const

export const standingWords = ({
  found,
}: {
  readonly found: Pick<NonNullable<CandidateReport['found']>, 'arrangement'> | null
}): string => (found ? `${WAY_WORDS[found.arrangement.kind]}${AXIS_WORDS[found.arrangement.axis]}` : '')

/** What a tightest place is to. */
export function roomTo({ to }: Clearance, spools: readonly PlanSpool[]): string {
  switch (to.what) {
    case 'face':
      return to.face === 'lid'
        ? 'under the lid'
        : to.face === 'floor'
          ? 'over the floor'
          : `to the ${to.face}`
    case 'spool':
      return `to ${spools.find(spool => spool.id === to.id)?.name ?? 'its neighbour'}`
    case 'block':
      return `to the ${to.name}`
  }
}
