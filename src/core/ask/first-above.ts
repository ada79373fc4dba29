import type { PercentRh, Seconds } from '#units/quantity.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import type { BoxModel } from '../model/box-model.ts'
import { simulate, type Outcome, type SimulationOptions } from '../network/simulate.ts'

/** How a question after a limit ends. A run that did not get through says neither "never" nor "then". */
export type Passing =
  | { readonly ends: 'passes'; readonly atS: Seconds }
  | { readonly ends: 'holds'; readonly untilS: Seconds }
  | { readonly ends: 'unfinished'; readonly why: Unfinished; readonly reachedS: Seconds }
export type Unfinished = Exclude<Outcome, 'finished' | 'crossed'>

/** @param settleS the limit counts from here on: work on a box takes days to settle */
export interface LimitSpan {
  readonly fromS: Seconds
  readonly toS: Seconds
  readonly settleS?: Seconds
}

/**
 * When the box air first stands above a limit.
 * @param rings of each spool; 0: spools are lumped
 */
export function firstAbove(
  model: BoxModel,
  limitRhPercent: PercentRh,
  { fromS, toS, settleS = 0 }: LimitSpan,
  options: SimulationOptions,
  rings = 0,
): Passing {
  const run = simulate(
    boxNetwork(model, { fromS, toS }, rings),
    { fromS, toS, outputS: [], stopAbove: { rhPercent: limitRhPercent, fromS: fromS + settleS } },
    options,
  )
  switch (run.outcome) {
    case 'crossed':
      return { ends: 'passes', atS: run.crossedAtS! }
    case 'finished':
      return { ends: 'holds', untilS: toS }
    default:
      return { ends: 'unfinished', why: run.outcome, reachedS: run.endS }
  }
}
