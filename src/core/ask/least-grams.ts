import type { Grams, PercentRh, Seconds } from '#units/quantity.ts'
import type { BoxModel, ChargeModel } from '../model/box-model.ts'
import type { SimulationOptions } from '../network/simulate.ts'
import { firstAbove, type LimitSpan, type Passing, type Unfinished } from './first-above.ts'

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
export const leastGrams = (
  model: BoxModel,
  { span, nearG, ...sizing }: Sizing,
  options: SimulationOptions,
  rings = 0,
): LeastGrams =>
  leastGramsUntil(model, { ...sizing, span, untilS: [{ untilS: span.toS, nearG }] }, options, rings)[0]!

/** One end of the span, and where to begin to look for its grams. */
export interface Until {
  readonly untilS: Seconds
  readonly nearG: Grams | undefined
}

/**
 * The same for several ends of one span, in their order. One run tells of all: with the grams tried the limit is
 * passed after some of the ends and before the others.
 */
export function leastGramsUntil(
  model: BoxModel,
  {
    charge,
    limitRhPercent,
    span,
    mostG,
    ratio,
    untilS,
  }: Omit<Sizing, 'nearG' | 'span'> & {
    readonly span: Omit<LimitSpan, 'toS'>
    readonly untilS: readonly Until[]
  },
  options: SimulationOptions,
  rings = 0,
): LeastGrams[] {
  const searches = untilS.map(until => new Search(until.untilS, until.nearG, mostG, ratio))
  const latestFirst = [...searches].sort((a, b) => b.untilS - a.untilS)
  for (const search of latestFirst)
    while (search.ends === null) {
      const triedG = search.next()
      const toS = search.untilS
      const passing = firstAbove(
        withCharge(model, charge, triedG),
        limitRhPercent,
        { ...span, toS },
        options,
        rings,
      )
      for (const one of searches) if (one.untilS <= toS) one.hear(triedG, passing)
    }
  return searches.map(search => search.ends!)
}

/** The search for one end of the span: between which grams the answer lies. */
class Search {
  ends: LeastGrams | null = null
  private lowG = LEAST_G
  private highG: Grams
  private lowFails = false
  private highHolds = false
  private stride = STRIDE
  private isBegun = false

  constructor(
    readonly untilS: Seconds,
    private readonly nearG: Grams | undefined,
    private readonly mostG: Grams,
    private readonly ratio: number,
  ) {
    this.highG = mostG
  }

  /** The grams to try next. */
  next(): Grams {
    const { lowG, highG, mostG } = this
    if (!this.isBegun) {
      this.isBegun = true
      const near = Math.min(Math.max(this.nearG ?? Math.sqrt(LEAST_G * mostG), LEAST_G), mostG)
      const isOpen = (!this.lowFails || near > lowG) && (!this.highHolds || near < highG)
      if (isOpen) return near
    }
    if (this.highHolds && this.lowFails) return Math.sqrt(lowG * highG)
    const { stride } = this
    this.stride *= stride
    return this.highHolds
      ? Math.max(highG / stride, Math.sqrt(LEAST_G * highG))
      : Math.min(lowG * stride, mostG)
  }

  /** What a run with these grams told, to this end of the span or beyond. */
  hear(triedG: Grams, passing: Passing): void {
    if (this.ends) return
    const holds =
      passing.ends === 'holds' ||
      (passing.ends === 'passes' ? passing.atS > this.untilS : passing.reachedS >= this.untilS)
    if (holds) {
      this.highHolds = true
      this.highG = Math.min(this.highG, triedG)
    } else if (passing.ends === 'unfinished') this.ends = { ends: 'unfinished', why: passing.why }
    else if (triedG >= this.mostG) this.ends = { ends: 'no amount does' }
    else {
      this.lowFails = true
      this.lowG = Math.max(this.lowG, triedG)
    }
    if (this.ends === null && this.highHolds && this.highG / this.lowG <= this.ratio)
      this.ends = { ends: 'found', grams: this.highG }
  }
}
