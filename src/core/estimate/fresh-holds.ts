import type { Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { firstAbove } from '../ask/first-above.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { isPresent, type BoxModel } from '../model/box-model.ts'
import type { Ensemble } from './estimate-box.ts'
import { sharesOfDates, type StandingDraw } from './forecast.ts'
import { freshLoadingGPerG, futureModel, HORIZON_S } from './model-of-draw.ts'
import { ENSEMBLE_TOLERANCES } from './run-draw.ts'
import { evenPicks } from './weighted.ts'

/** Draws a renewal is tried in: the dates lie close once the beads are fresh. */
const DRAWS = 40
/** Damp spools keep the air up for days after fresh beads: what counts is that it comes down, and how long it then stays. */
const SETTLES_S = secondsFromDays(10)

/** How long fresh beads hold if they are put in on a day. */
export interface FreshHolds {
  readonly dayS: Seconds
  /** 0 where even fresh beads do not bring it to its target. */
  readonly heldS: readonly { readonly share: number; readonly heldS: Seconds }[]
}

/**
 * How long a box holds its strictest target if all its beads are heated as is usual on a day, for each of several days:
 * by the share of draws that leave sooner, in twentieths. As much as the horizon where they hold beyond it.
 * @param daysS days of renewal, now or later, each within the horizon
 * @returns null for a box without a target or without beads, or where the work was given up
 */
export function freshHolds(
  facts: BoxFacts,
  { draws, weights }: Pick<Ensemble, 'draws' | 'weights'>,
  daysS: readonly Seconds[],
  shouldStop?: () => boolean,
): FreshHolds[] | null {
  const { targetRhPercent } = facts
  if (targetRhPercent === null || draws.length === 0) return null
  const picks = evenPicks(
    draws.map(draw => draw.airRhNowPercent),
    weights,
    DRAWS,
  ).map(pick => draws[pick]!)
  const even = picks.map(() => 1 / picks.length)
  const holds: FreshHolds[] = []
  for (const dayS of daysS) {
    if (shouldStop?.()) return null
    const datesS = picks.map(draw => leavesAfterS(facts, draw, dayS, targetRhPercent))
    // a run that broke off is no promise: it counts as leaving at once
    holds.push({
      dayS,
      heldS: sharesOfDates(datesS, even).map(({ share, atS }) => ({ share, heldS: atS - dayS })),
    })
  }
  return holds
}

function leavesAfterS(facts: BoxFacts, draw: StandingDraw, dayS: Seconds, targetRhPercent: number): Seconds {
  const passing = firstAbove(
    renewedOn(facts, draw, dayS),
    targetRhPercent - draw.values.wanderRh,
    { fromS: facts.nowS, toS: facts.nowS + HORIZON_S, settleS: dayS - facts.nowS + SETTLES_S },
    ENSEMBLE_TOLERANCES,
  )
  switch (passing.ends) {
    case 'holds':
      return facts.nowS + HORIZON_S
    case 'unfinished':
      return dayS
    case 'passes':
      // it never came down: fresh beads do not hold it at all
      return passing.atS <= dayS + SETTLES_S + 1 ? dayS : passing.atS
  }
}

/** The box from now on, all its beads heated as is usual on that day. */
function renewedOn(facts: BoxFacts, draw: StandingDraw, dayS: Seconds): BoxModel {
  const future = futureModel(draw)
  return {
    ...future,
    charges: future.charges.map(charge => {
      const told = facts.charges.find(one => one.id === charge.id)
      if (!told || !isPresent(charge, facts.nowS)) return charge
      const loading = freshLoadingGPerG(told, draw.values, future.surroundings, dayS)
      return {
        ...charge,
        renewals: [{ atS: dayS, waterG: loading * charge.dryMassG * charge.capacityFactor }],
      }
    }),
  }
}
