import type { Grams } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { leastGramsUntil, type LeastGrams } from '../ask/least-grams.ts'
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
const REMEDIES: readonly Remedy[] = [
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

/** The box from now on with a remedy done, as a draw has it; the very same box where there is nothing to remedy. */
function remedied(box: BoxModel, { spoolsRhPercent, leakLPerH }: Remedy): BoxModel {
  if (leakLPerH !== undefined)
    return box.inlets.some(inlet => inlet.by === 'lid' && inlet.conductanceLPerH > leakLPerH)
      ? {
          ...box,
          inlets: box.inlets.map(inlet =>
            inlet.by === 'lid'
              ? { ...inlet, conductanceLPerH: Math.min(inlet.conductanceLPerH, leakLPerH) }
              : inlet,
          ),
        }
      : box
  if (spoolsRhPercent === undefined) return box
  const isDamp = (rh: number | undefined) => rh !== undefined && rh > spoolsRhPercent
  return box.spools.some(spool => isDamp(spool.wetRhPercent as number) || isDamp(spool.boardRhPercent))
    ? {
        ...box,
        spools: box.spools.map(spool => ({
          ...spool,
          wetRhPercent: Math.min(spool.wetRhPercent as number, spoolsRhPercent),
          ...(spool.boardRhPercent === undefined
            ? {}
            : { boardRhPercent: Math.min(spool.boardRhPercent, spoolsRhPercent) }),
        })),
      }
    : box
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
 * nine draws of ten: for each remedy, and for each number of weeks. It takes seconds, so it goes step by step, a draw each:
 * whoever runs it may stop between two.
 * @param weights sum to 1
 * @param inflows what comes into the air in each draw: the draws used are spread evenly along it
 * @returns empty without beads or a target
 */
export function* gramsWanted(
  facts: BoxFacts,
  draws: readonly StandingDraw[],
  weights: ArrayLike<number>,
  inflows: ArrayLike<number>,
  weeks: readonly number[],
): Generator<undefined, GramsWanted[]> {
  const index = facts.charges.findLastIndex(item => isPresent(item, facts.nowS))
  const limitRhPercent = facts.targetRhPercent
  if (index < 0 || limitRhPercent === null) return []
  const span = { fromS: facts.nowS, settleS: SETTLES_S }
  const picks = evenPicks(inflows, weights, DRAWS).map(pick => draws[pick]!)
  const boxes = picks.map(draw => futureModel(draw))
  const charges = picks.map(draw => freshCharge(facts, draw, index))
  const sizedAsItIs: LeastGrams[][] = []
  const list: GramsWanted[] = []
  for (const remedy of REMEDIES) {
    const perWeeks: Grams[][] = weeks.map(() => [])
    // neighbours in what comes in want nearly the same: each begins where the one before ended
    const nearG: (Grams | undefined)[] = weeks.map(() => undefined)
    for (const [i, box] of boxes.entries()) {
      yield
      const changed = remedied(box, remedy)
      const sizings =
        changed === box && sizedAsItIs[i]
          ? sizedAsItIs[i]
          : leastGramsUntil(
              changed,
              {
                charge: charges[i]!,
                limitRhPercent,
                span,
                untilS: weeks.map((n, w) => ({
                  untilS: facts.nowS + secondsFromDays(7 * n),
                  nearG: nearG[w],
                })),
                mostG: MOST_G,
                ratio: SEARCH_RATIO,
              },
              ENSEMBLE_TOLERANCES,
            )
      if (changed === box) sizedAsItIs[i] ??= sizings
      sizings.forEach((sizing, w) => {
        // a run that broke off says nothing: it is left out, not read as one answer or the other
        if (sizing.ends === 'unfinished') return
        if (sizing.ends === 'found') nearG[w] = sizing.grams
        perWeeks[w]!.push(sizing.ends === 'found' ? sizing.grams : MOST_G)
      })
    }
    perWeeks.forEach((perDraw, w) => {
      if (perDraw.length > 0) list.push(wantedBy(remedy, weeks[w]!, perDraw))
    })
  }
  return list
}

function wantedBy(remedy: Remedy, weeks: number, perDraw: Grams[]): GramsWanted {
  perDraw.sort((a, b) => a - b)
  const enough = perDraw[Math.ceil(SURE * perDraw.length) - 1]!
  // in logarithms: what the hardest draws ask for is a multiple of what the others do
  const even = perDraw.map(() => 1 / perDraw.length)
  const grams = Math.exp(weightedQuantile(perDraw.map(Math.log), even, SURE))
  return { remedy: remedy.id, weeks, grams: enough >= MOST_G ? null : grams, perDraw }
}
const SEARCH_RATIO = 1.03
