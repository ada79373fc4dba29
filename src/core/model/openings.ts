import type { Seconds } from '#units/quantity.ts'
import { openingShare } from '../container/opening.ts'
import type { BoxModel } from './box-model.ts'

/**
 * Openings long past, for whoever asks how the box stands once it has settled: all of a span together as one exchange
 * whose water has been taken up already. Later ones stay what they are.
 * @param settledS openings before this have settled
 * @param togetherS the span that counts as one
 */
export function settledOpenings(
  openings: BoxModel['openings'],
  settledS: Seconds,
  togetherS: Seconds,
): Pick<BoxModel, 'openings' | 'exchanges'> {
  const exchanges: { atS: Seconds; freeAirs: number }[] = []
  let endsS = -Infinity
  for (const { atS, openSeconds } of openings) {
    if (atS >= settledS) continue
    if (atS >= endsS) {
      exchanges.push({ atS, freeAirs: 0 })
      endsS = atS + togetherS
    }
    exchanges.at(-1)!.freeAirs += openingShare(openSeconds)
  }
  return { openings: openings.filter(({ atS }) => atS >= settledS), exchanges }
}
