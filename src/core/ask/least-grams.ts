import type { Grams, PercentRh } from '#units/quantity.ts'
import type { BoxModel, ChargeModel } from '../model/box-model.ts'
import type { SimulationOptions } from '../network/simulate.ts'
import { firstAbove, type LimitSpan, type Unfinished } from './first-above.ts'

/** How much of a desiccant holds a limit over a span, or why no figure stands there. */
export type LeastGrams =
  | { readonly ends: 'found'; readonly grams: Grams }
  | { readonly ends: 'no amount does' }
  | { readonly ends: 'unfinished'; readonly why: Unfinished }

export interface Sizing {
  /** As it goes in: fresh, with its own holder. */
  readonly charge: ChargeModel
  readonly limitRhPercent: PercentRh
  readonly span: LimitSpan
  readonly mostG: Grams
  /** The search ends when the bounds are this near, as a ratio above 1. */
  readonly ratio: number
}

/** Below this the answer is "hardly any". */
const LEAST_G = 2

/** The box with one charge in place of all: more beads than its holder took lie in more of them. */
const withCharge = (model: BoxModel, charge: ChargeModel, dryMassG: Grams): BoxModel => ({
  ...model,
  charges: [
    {
      ...charge,
      dryMassG,
      conductanceLPerH: charge.conductanceLPerH * Math.max(1, dryMassG / charge.dryMassG) ** (2 / 3),
    },
  ],
})

/**
 * The least grams with which the box stays below the limit over the span: halving in ln(grams).
 * @param rings of each spool; 0: spools are lumped
 */
export function leastGrams(
  model: BoxModel,
  { charge, limitRhPercent, span, mostG, ratio }: Sizing,
  options: SimulationOptions,
  rings = 0,
): LeastGrams {
  const tried = (grams: Grams) =>
    firstAbove(withCharge(model, charge, grams), limitRhPercent, span, options, rings)
  const most = tried(mostG)
  if (most.ends === 'unfinished') return { ends: 'unfinished', why: most.why }
  if (most.ends === 'passes') return { ends: 'no amount does' }
  let low = LEAST_G
  let high = mostG
  while (high / low > ratio) {
    const middle = Math.sqrt(low * high)
    const passing = tried(middle)
    if (passing.ends === 'unfinished') return { ends: 'unfinished', why: passing.why }
    if (passing.ends === 'holds') high = middle
    else low = middle
  }
  return { ends: 'found', grams: high }
}
