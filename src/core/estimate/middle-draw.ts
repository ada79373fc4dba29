import type { StandingDraw } from './forecast.ts'
import { spreadOf } from './weighted.ts'

/**
 * One draw to stand for all where a page needs figures that agree with each other: the nearest to the weighted medians
 * of what is shown: leak, water in the charge, RH now, and the date the target is left, each measured in its spread.
 */
export function middleDraw(
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  datesS: readonly number[],
  charge: number | null,
): StandingDraw {
  const columns = [
    draws.map(draw => Math.log(draw.values.leakLPerH)),
    draws.map(draw => (charge === null ? 0 : draw.now.chargesG[charge]!)),
    draws.map(draw => draw.airRhNowPercent),
    datesS,
  ]
  const distance = draws.map(() => 0)
  for (const column of columns) {
    const { low, middle, high } = spreadOf(column, weights)
    column.forEach((value, i) => (distance[i]! += ((value - middle) / Math.max(high - low, 1e-9)) ** 2))
  }
  return draws[distance.indexOf(Math.min(...distance))]!
}
