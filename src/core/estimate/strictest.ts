import type { BoxFacts } from '../evidence/facts.ts'
import { isPresent } from '../model/box-model.ts'
import { datedDraws, leaveDates, leavesAtS, sharesOfDates, type StandingDraw } from './forecast.ts'
import type { StrictestCost } from './report.ts'

/**
 * What the spools with the strictest target cost: the date the box would leave the next target with them taken out.
 * @returns null where all that is inside wants the same, or nothing would be left
 */
export function strictestCost(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
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
  const dated = datedDraws(draws, weights, draw => leavesAtS(facts, draw, nextTargetRhPercent, spoolIds))
  if (dated.draws.length === 0) return null
  return {
    spoolIds,
    nextTargetRhPercent,
    leaves: leaveDates(dated.datesS, dated.weights, facts.nowS),
    sharesOfDates: sharesOfDates(dated.datesS, dated.weights),
  }
}
