import type { Grams } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { leastGrams } from '../ask/least-grams.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { ALWAYS, isPresent, type BoxModel, type ChargeModel } from '../model/box-model.ts'
import type { StandingDraw } from './forecast.ts'
import { freshLoadingGPerG, futureModel } from './model-of-draw.ts'
import { ENSEMBLE_TOLERANCES } from './run-draw.ts'
import { evenPicks, weightedQuantile } from './weighted.ts'

const MOST_G = 1500
const DRAWS = 400
/** Nine draws in ten must hold. */
const SURE = 0.9

/** What else changes when the charge is sized. */
export interface Remedy {
  readonly id: 'as it is' | 'dry the damp spools' | 'a better seal'
  /** RH-equivalent the spools are dried to. */
  readonly spoolsRhPercent?: number
  readonly leakLPerH?: number
}
export const REMEDIES: readonly Remedy[] = [
  { id: 'as it is' },
  { id: 'dry the damp spools', spoolsRhPercent: 8 },
  // the middle of what clips and rubber let through
  { id: 'a better seal', leakLPerH: 0.063 },
]

export interface GramsWanted {
  readonly remedy: Remedy['id']
  readonly weeks: number
  /** With nine draws in ten; null where even the most would not do. */
  readonly grams: Grams | null
  /** What each draw asks for, ascending; MOST_G where it is not enough. */
  readonly perDraw: readonly Grams[]
}

/** The box from now on with a remedy done, as a draw has it. */
function remedied(draw: StandingDraw, remedy: Remedy): BoxModel {
  const model = futureModel(draw)
  const { spoolsRhPercent, leakLPerH } = remedy
  return {
    ...model,
    inlets: model.inlets.map(inlet =>
      inlet.by === 'lid' && leakLPerH !== undefined
        ? { ...inlet, conductanceLPerH: Math.min(inlet.conductanceLPerH, leakLPerH) }
        : inlet,
    ),
    spools:
      spoolsRhPercent === undefined
        ? model.spools
        : model.spools.map(spool => ({
            ...spool,
            wetRhPercent: Math.min(spool.wetRhPercent as number, spoolsRhPercent),
            ...(spool.boardRhPercent === undefined
              ? {}
              : { boardRhPercent: Math.min(spool.boardRhPercent, spoolsRhPercent) }),
          })),
  }
}
/** Damp spools and board keep the air up for a while, whatever the beads: what counts is that it comes down and stays. */
const SETTLES_S = secondsFromDays(7)

/** A charge of these beads fresh from the usual heating, put in now. */
function freshCharge(facts: BoxFacts, draw: StandingDraw, index: number): ChargeModel {
  const charge = draw.model.charges[index]!
  return {
    ...charge,
    ...ALWAYS,
    renewals: [],
    loadingGPerG: freshLoadingGPerG(facts.charges[index]!, draw.values, draw.model.surroundings, facts.nowS),
  }
}

/**
 * Grams of beads, fresh from the usual heating and put in now, that hold the strictest target for so many weeks in
 * nine draws of ten.
 * @param inflows what comes into the air in each draw: the draws used are spread evenly along it
 */
export function gramsWanted(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  inflows: ArrayLike<number>,
  remedy: Remedy,
  weeks: number,
  shouldStop?: () => boolean,
): GramsWanted | null {
  const index = facts.charges.findLastIndex(item => isPresent(item, facts.nowS))
  const limitRhPercent = facts.targetRhPercent
  if (index < 0 || limitRhPercent === null) return null
  const span = { fromS: facts.nowS, toS: facts.nowS + secondsFromDays(7 * weeks), settleS: SETTLES_S }
  const perDraw: number[] = []
  // neighbours in what comes in want nearly the same: each begins where the one before ended
  let nearG: Grams | undefined
  for (const pick of evenPicks(inflows, weights, DRAWS)) {
    if (shouldStop?.()) return null
    const draw = draws[pick]!
    const sizing = leastGrams(
      remedied(draw, remedy),
      {
        charge: freshCharge(facts, draw, index),
        limitRhPercent,
        span,
        mostG: MOST_G,
        ratio: SEARCH_RATIO,
        ...(nearG === undefined ? {} : { nearG }),
      },
      ENSEMBLE_TOLERANCES,
    )
    // a run that broke off says nothing: it is left out, not read as one answer or the other
    if (sizing.ends === 'unfinished') continue
    if (sizing.ends === 'found') nearG = sizing.grams
    perDraw.push(sizing.ends === 'found' ? sizing.grams : MOST_G)
  }
  if (perDraw.length === 0) return null
  perDraw.sort((a, b) => a - b)
  const enough = perDraw[Math.ceil(SURE * perDraw.length) - 1]!
  // in logarithms: what the hardest draws ask for is a multiple of what the others do
  const even = perDraw.map(() => 1 / perDraw.length)
  const grams = Math.exp(weightedQuantile(perDraw.map(Math.log), even, SURE))
  return { remedy: remedy.id, weeks, grams: enough >= MOST_G ? null : grams, perDraw }
}
const SEARCH_RATIO = 1.03
