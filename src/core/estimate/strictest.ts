import { isPresent } from './box-network.ts'
import type { BoxFacts } from './facts.ts'
import { leaveDates, leavesAtS, sharesOfDates } from './forecast.ts'
import type { Draw } from './posterior.ts'
import type { StrictestCost } from './report.ts'

/**
 * What the spools with the strictest target cost: the date the box would leave the next target with them taken out.
 * @returns null where all that is inside wants the same, or nothing would be left
 */
export function strictestCost(
  facts: BoxFacts,
  draws: readonly Draw[],
  weights: ArrayLike<number>,
): StrictestCost | null {
  const strict = facts.targetRhPercent
  if (strict === null) return null
  const inside = facts.spools.filter(spool => isPresent(spool, facts.nowS))
  const targetOf = (spool: (typeof inside)[number]) => spool.material.targetRhPercent
  const others = inside.map(targetOf).filter(target => target > strict)
  if (others.length === 0) return null
  const spoolIds = inside.filter(spool => targetOf(spool) <= strict).map(spool => spool.id)
  const nextTargetRhPercent = Math.min(...others)
  const datesS = draws.map(draw => leavesAtS(facts, draw, nextTargetRhPercent, spoolIds))
  return {
    spoolIds,
    nextTargetRhPercent,
    leaves: leaveDates(datesS, weights, facts.nowS),
    sharesOfDates: sharesOfDates(datesS, weights),
  }
}
