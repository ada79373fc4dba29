import type { Celsius, PercentRh, Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'

/** What one display showed. */
interface Look {
  readonly atS: Seconds
  readonly rhPercent: PercentRh
  readonly temperatureC: Celsius
  /** Where it was read. */
  readonly place: string
}

const LEAST_LOOKS = 4
const LEAST_S = secondsFromDays(7)
const LEAST_PLACES = 3

/**
 * Since when a display shows the same two figures, to the last digit, over more places or days than air keeps still.
 * @param looks of one display, its temperatures measured, in order of time
 * @returns null where it still moves. Common practice: a weak cell freezes the figures before they go out.
 */
export function stuckSinceS(looks: readonly Look[]): Seconds | null {
  const last = looks.at(-1)
  if (!last) return null
  const moved = looks.findLastIndex(
    look => look.rhPercent !== last.rhPercent || look.temperatureC !== last.temperatureC,
  )
  const same = looks.slice(moved + 1)
  const [first] = same
  const places = new Set(same.map(look => look.place)).size
  const isStuck = same.length >= LEAST_LOOKS && (last.atS - first!.atS >= LEAST_S || places >= LEAST_PLACES)
  return isStuck ? first!.atS : null
}
