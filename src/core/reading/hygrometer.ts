import type { PercentRh, Seconds } from '#units/quantity.ts'
import { secondsFromHours } from '#units/time.ts'

/** What a hygrometer can and cannot say. */
export interface Hygrometer {
  /** ± this, taken as two standard deviations. */
  readonly accuracyPercentRh: PercentRh
  /** The lowest value it can show: a reading at or below means "at most". */
  readonly floorPercentRh: PercentRh
  readonly settlesAfterOpeningS: Seconds
  readonly settlesAfterChargeS: Seconds
}

/** A small round or square display; common practice. */
export const USUAL_HYGROMETER: Hygrometer = {
  accuracyPercentRh: 5,
  floorPercentRh: 10,
  settlesAfterOpeningS: secondsFromHours(6),
  settlesAfterChargeS: secondsFromHours(24),
}

/**
 * When a reading taken now would be settled; null if it is already.
 * @param openedS the last opening at or before the reading, or null
 * @param chargedS the last time a charge went in or came back from heat, or null
 */
export function settlesAtS(
  hygrometer: Hygrometer,
  taken: { atS: Seconds; openedS: Seconds | null; chargedS: Seconds | null },
): Seconds | null {
  const dueS = Math.max(
    taken.openedS === null ? -Infinity : taken.openedS + hygrometer.settlesAfterOpeningS,
    taken.chargedS === null ? -Infinity : taken.chargedS + hygrometer.settlesAfterChargeS,
  )
  return taken.atS < dueS ? dueS : null
}
