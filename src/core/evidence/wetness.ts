import type { PercentRh } from '#units/quantity.ts'

/** Plain answers to "how dry is the spool?". */
export type Wetness = 'dried today' | 'sealed bag' | 'weeks in the room' | 'unknown'

/** RH a spool is in balance with, somewhere between. */
export interface WetnessRange {
  readonly lowRhPercent: PercentRh
  readonly highRhPercent: PercentRh
}

/** No room is taken for drier than this, whatever its climate says. */
const DRIEST_ROOM_PERCENT = 20

/** RH-equivalents a plain answer leaves open, %; common practice. */
export function wetnessRange(wetness: Wetness, roomRhPercent: PercentRh): WetnessRange {
  const room = Math.max(roomRhPercent, DRIEST_ROOM_PERCENT)
  switch (wetness) {
    case 'dried today':
      return { lowRhPercent: 5, highRhPercent: 10 }
    case 'sealed bag':
      return { lowRhPercent: 10, highRhPercent: 35 }
    case 'weeks in the room':
      return { lowRhPercent: room - 10, highRhPercent: room }
    case 'unknown':
      return { lowRhPercent: 10, highRhPercent: room }
  }
}
