/** What may be done with a spool: nothing, a box, a box that is left to dry it, heat. */
export const WAYS = ['leave', 'box', 'let dry', 'heat'] as const
export type SpoolWay = (typeof WAYS)[number]

/** What is known of each, in days; null: never, or there is none. */
export interface WaysKnown {
  readonly isPast: boolean
  readonly where: 'box' | 'bag' | 'open'
  /** Until its next print suffers where it is; null: never. */
  readonly hereDays: number | null
  /** Until it suffers in the driest box there is; undefined: no box. */
  readonly boxDays: number | null | undefined
  /** Until that box has brought it down to what prints bear. */
  readonly driesDays: number | null
  /** Until heat has. */
  readonly heatDays: number | null
}

/** A box may be given so long to dry a spool, before heat is worth its trouble; common practice: three to ten days. */
const PATIENCE_DAYS = 10
/** So long ahead a spool in the open is safe enough. */
const SAFE_DAYS = 14

/** Which of the four: the least trouble that does it. */
export function bestWay(known: WaysKnown): SpoolWay {
  const { isPast, where, hereDays, boxDays, driesDays, heatDays } = known
  if (isPast) {
    if (driesDays !== null && driesDays <= PATIENCE_DAYS) return 'let dry'
    if (heatDays !== null) return 'heat'
    return driesDays === null ? 'leave' : 'let dry'
  }
  if (where === 'bag' || hereDays === null || hereDays >= SAFE_DAYS) return 'leave'
  if (boxDays === undefined) return 'leave'
  return boxDays === null || boxDays > hereDays ? 'box' : 'leave'
}
