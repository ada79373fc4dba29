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
  /** Where to begin: near what the answer may be; left out: in the middle. */
  readonly nearG?: Grams
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

/** How far the search walks at first, as a ratio: what lies near is found in few tries; each stride is twice the one before. */
const STRIDE = 1.12

/**
 * The least grams with which the box stays below the limit over the span: a walk in ln(grams) until the answer lies
 * between two tries, then halving.
 * @param rings of each spool; 0: spools are lumped
 */
export function leastGrams(
  model: BoxModel,
  { charge, limitRhPercent, span, mostG, nearG, ratio }: Sizing,
  options: SimulationOptions,
  rings = 0,
): LeastGrams {
  let low = LEAST_G
  let high = mostG
  let mostHolds = false
  let stride = STRIDE
  let tried = Math.min(Math.max(nearG ?? Math.sqrt(LEAST_G * mostG), LEAST_G), mostG)
  for (;;) {
    const passing = firstAbove(withCharge(model, charge, tried), limitRhPercent, span, options, rings)
    if (passing.ends === 'unfinished') return { ends: 'unfinished', why: passing.why }
    if (passing.ends === 'holds') {
      high = tried
      mostHolds = true
    } else {
      if (tried >= mostG) return { ends: 'no amount does' }
      low = tried
    }
    if (mostHolds && high / low <= ratio) return { ends: 'found', grams: high }
    const isBetween = mostHolds && low > LEAST_G
    tried = isBetween
      ? Math.sqrt(low * high)
      : mostHolds
        ? Math.max(high / stride, Math.sqrt(LEAST_G * high))
        : Math.min(low * stride, mostG)
    stride *= stride
  }
}
