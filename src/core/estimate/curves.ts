import { secondsFromDays } from '#units/time.ts'
import { simulate } from '../network/simulate.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import type { StandingDraw } from './forecast.ts'
import { futureModel, historyNetwork, HORIZON_S } from './model-of-draw.ts'
import { ENSEMBLE_TOLERANCES } from './run-draw.ts'
import type { BoxReport, Curve } from './report.ts'
import { evenPicks, spreadOf } from './weighted.ts'

const FUTURE_CURVES = 13
const PAST_POINTS = 90
const FUTURE_POINTS = 40
const PAST_DRAWS = 40

/** RH from the first entry to now: the 10, 50 and 90 % points of the draws. */
export function pastCurve(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
): BoxReport['past'] {
  const atS = Array.from(
    { length: PAST_POINTS },
    (_, i) => facts.fromS + ((facts.nowS - facts.fromS) * (i + 1)) / PAST_POINTS,
  )
  const runs = evenPicks(datesS, weights, PAST_DRAWS).map(pick => {
    const draw = draws[pick]!
    const network = historyNetwork(facts, draw.model)
    return simulate(network, { fromS: facts.fromS, toS: facts.nowS, outputS: atS }, ENSEMBLE_TOLERANCES)
      .airRhPercent
  })
  const even = runs.map(() => 1 / runs.length)
  const spreads = atS.map((_, i) =>
    spreadOf(
      runs.map(run => run[i] ?? Number.NaN),
      even,
    ),
  )
  return {
    atS,
    low: spreads.map(s => s.low),
    middle: spreads.map(s => s.middle),
    high: spreads.map(s => s.high),
  }
}

/** How it may go: draws at even steps of the date at which they leave the target. */
export function futureCurves(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  datesS: ArrayLike<number>,
  lateS: number,
): Curve[] {
  const spanS = Math.min(HORIZON_S, Math.max(secondsFromDays(21), (lateS - facts.nowS) * 1.25))
  const atS = Array.from(
    { length: FUTURE_POINTS + 1 },
    (_, i) => facts.nowS + spanS * (i / FUTURE_POINTS) ** 1.4,
  )
  return evenPicks(datesS, weights, FUTURE_CURVES).map(pick => {
    const draw = draws[pick]!
    const run = simulate(
      boxNetwork(futureModel(draw), { fromS: facts.nowS, toS: atS.at(-1)! }, 0),
      { fromS: facts.nowS, toS: atS.at(-1)!, outputS: atS },
      ENSEMBLE_TOLERANCES,
    )
    return { atS: Array.from(run.atS), rhPercent: Array.from(run.airRhPercent) }
  })
}
