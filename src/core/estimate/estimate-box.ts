import { percentFromFraction } from '#units/ratio.ts'
import { secondsFromDays } from '#units/time.ts'
import { perCubicMetreFromPerLitre } from '#units/volume.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { isPresent } from '../model/box-model.ts'
import { findContradiction } from './contradiction.ts'
import { dateStanding } from './date-standing.ts'
import { findWrong } from './wrong.ts'
import type { PosteriorOptions } from './posterior.ts'
import { displayErrorRh } from './run-draw.ts'
import { displayOf, displaysOf, floorAt } from './displays.ts'
import { futureCurves, pastCurve } from './curves.ts'
import { floorOf } from './floor.ts'
import {
  causesOfWidth,
  datedDraws,
  leaveDates,
  leavesAtS,
  sharesOfDates,
  TWENTIETHS,
  standingDraws,
  worthOfKnowing,
  type StandingDraw,
} from './forecast.ts'
import { gramsWanted, type GramsWanted } from './grams-wanted.ts'
import { observationsOf, type Observation } from './likelihood.ts'
import { middleDraw } from './middle-draw.ts'
import { HORIZON_S } from './model-of-draw.ts'
import { sampleAccounts, seenOf } from './accounts.ts'
import type { BoxReport } from './report.ts'
import { chargesNow, spoolsNow, streamsNow, streamsOf } from './state-now.ts'
import { strictestCost } from './strictest.ts'
import { unknownsOf } from './unknowns.ts'
import { spreadOf, weightedQuantile, weightedQuantiles } from './weighted.ts'

const USUAL_SEED = 1
/** Draws where nothing was seen: the priors alone are wide. */
const FROM_PRIORS = 500

export interface ReportOptions {
  /** Turns the points the draws stand on; left out, every box has the same, so that like facts get like answers. */
  readonly seed?: number
  readonly drawsPerRound?: number
  readonly shouldStop?: () => boolean
}

/** The reckoning of one box: what is in it now, and when it leaves its target. Same facts and seed, same report. */
export const estimateBox = (facts: BoxFacts, options: ReportOptions = {}): BoxReport =>
  ensembleOf(facts, options).report

/**
 * Grams wanted for each remedy and each number of weeks; costs more than the report, so it is asked for apart.
 * @param first the draws the box's report stands on, with the same options
 */
export const estimateGrams = (
  facts: BoxFacts,
  options: ReportOptions,
  weeks: readonly number[],
  first: Turn = ensembleOf(facts, options),
): GramsWanted[] => wholly(gramsInSteps(facts, first, weeks, options))

/**
 * The same in steps, each a small part of a second, from the draws the report stands on and two more turns of the points. What nine
 * draws in ten are content with lies where few draws are, and moves with them: three times as many leave it three fifths of that.
 */
export function* gramsInSteps(
  facts: BoxFacts,
  first: Turn,
  weeks: readonly number[],
  options: ReportOptions = {},
): Generator<undefined, GramsWanted[]> {
  const turns = [first]
  for (const far of FAR_SEEDS) {
    yield
    const { draws, weights } = drawsOf(facts, { ...options, seed: (options.seed ?? USUAL_SEED) + far })
    turns.push({ draws, weights, inflows: streamsNow(draws.map(streamsOf), weights).inflows })
  }
  const draws = turns.flatMap(turn => turn.draws)
  // each turn of as much weight as another
  const weights = turns.flatMap(turn => Array.from(turn.weights, weight => weight / turns.length))
  const inflows = turns.flatMap(turn => Array.from(turn.inflows))
  return yield* gramsWanted(facts, draws, weights, inflows, weeks)
}

function wholly<Answer>(steps: Generator<undefined, Answer>): Answer {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** A box's draws alone, without a date for each: for questions of the next days, a small part of a report's work. */
export function drawsOf(facts: BoxFacts, options: ReportOptions = {}): Pick<Turn, 'draws' | 'weights'> {
  return standingDraws(sampled(facts, options).posterior)
}
const FAR_SEEDS = [1000, 2000]

function sampled(facts: BoxFacts, options: ReportOptions) {
  const unknowns = unknownsOf(facts)
  const observations = observationsOf(facts)
  const seed = options.seed ?? USUAL_SEED
  const posterior = sampleAccounts(facts, unknowns, observations, seed, samplingOf(observations, options))
  return { unknowns, observations, posterior }
}

/** How long a box is sampled for. */
const samplingOf = (
  observations: readonly Observation[],
  { drawsPerRound, shouldStop }: ReportOptions,
): PosteriorOptions => ({
  drawsPerRound: drawsPerRound ?? (observations.length === 0 ? FROM_PRIORS : 200),
  maxAdaptiveRounds: 6,
  enoughEffectiveDraws: 420,
  ...(shouldStop ? { shouldStop } : {}),
})

/** Draws that one turn of the points comes to. */
export interface Turn {
  readonly draws: readonly StandingDraw[]
  /** Sum to 1. */
  readonly weights: Float64Array
  /** What comes into the air in each draw, mg a day. */
  readonly inflows: Float64Array
}

/** The draws a box's answers stand on, with its report; whoever keeps it need not throw them again for the grams. */
export interface Ensemble extends Turn {
  readonly report: BoxReport
}

export function ensembleOf(facts: BoxFacts, options: ReportOptions = {}): Ensemble {
  const { unknowns, observations, posterior } = sampled(facts, options)
  const standing = standingDraws(posterior)
  const target = facts.targetRhPercent
  const { draws, weights, datesS, unfinished } = datedDraws(standing.draws, standing.weights, draw =>
    target === null ? facts.nowS + HORIZON_S : leavesAtS(facts, draw, target),
  )
  if (draws.length === 0) throw new Error('No run of this box came to its end.')
  const middle = middleDraw(draws, weights, datesS, firstPresent(facts))
  const display = lastDisplay(facts)
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  middle.model.surroundings.at(facts.nowS, point)
  const temperatureC = point.temperatureC
  const saturation = saturationDensityGPerL(temperatureC)
  const roomRhPercent = percentFromFraction(point.vapourDensityGPerL / saturation)
  const perDraw = draws.map(streamsOf)
  const { streams, inflows, inflowMgPerDay } = streamsNow(perDraw, weights)
  const leaves =
    target === null
      ? null
      : {
          ...leaveDates(datesS, weights, facts.nowS),
          sharesOfDates: sharesOfDates(datesS, weights),
        }
  const contradiction = findContradiction(posterior, observations, unknowns)
  const charges = chargesNow(facts, draws, perDraw, weights, { rhPercent: roomRhPercent, temperatureC })
  const floor = floorOf(facts, draws, weights, streams, roomRhPercent, temperatureC)
  const shownRhPercent = shownNow(facts)
  const atTarget = target !== null && shownRhPercent !== null && shownRhPercent >= target
  const wrong = findWrong(
    { accounts: posterior.accounts, floor, held: charges.held, streams, targetRhPercent: target },
    atTarget,
  )
  const leaksLPerH = draws.map(draw => draw.values.leakLPerH)
  const report: BoxReport = {
    nowS: facts.nowS,
    targetRhPercent: target,
    draws: posterior.draws.length,
    rounds: posterior.rounds,
    effectiveDraws: posterior.effectiveDraws,
    likelihoodPower: posterior.likelihoodPower,
    unfinishedDraws: unfinished,
    ends: posterior.ends,
    accounts: posterior.accounts,
    seen: seenOf(observations),
    contradiction,
    atTarget,
    wrong,
    standing: leaves && dateStanding(leaves, facts.nowS, contradiction, wrong),
    leaves,
    strictest: strictestCost(facts, draws, weights),
    causes: target === null ? [] : causesOfWidth(draws, weights, datesS, unknowns),
    worth: target === null ? [] : worthOfKnowing(draws, weights, datesS, unknowns, facts.nowS),
    expectedRhPercent: weightedQuantiles(
      draws.map(
        draw => draw.airRhNowPercent + displayErrorRh(facts, draw.values, { atS: facts.nowS, display }),
      ),
      weights,
      TWENTIETHS,
    ),
    temperatureC,
    roomGPerM3: perCubicMetreFromPerLitre(point.vapourDensityGPerL),
    roomRhPercent,
    leakLPerH: spreadOf(leaksLPerH, weights),
    leakSharesLPerH: weightedQuantiles(leaksLPerH, weights, TWENTIETHS),
    inflowMgPerDay,
    streams,
    ...charges,
    spools: spoolsNow(
      facts,
      draws,
      weights,
      weightedQuantile(
        draws.map(draw => draw.airRhNowPercent),
        weights,
        0.5,
      ),
    ),
    floor,
    past: pastCurve(facts, draws, weights, datesS),
    futures: futureCurves(
      facts,
      draws,
      weights,
      datesS,
      leaves?.spread.high ?? facts.nowS + secondsFromDays(60),
    ),
  }
  return { report, draws, weights, inflows }
}

/** What the display last showed, where that tells of the box as it is: settled, and since its beads were last renewed. */
function shownNow(facts: BoxFacts): number | null {
  const { readings, charges, nowS } = facts
  const last = readings.findLast(reading => reading.settled && reading.atS <= nowS)
  // at its floor a display says "at most": that is no word of a target lost
  if (!last || last.relativeHumidityPercent <= floorAt(facts, last)) return null
  const renewedS = Math.max(
    ...charges.flatMap(({ inS, outS, heatings }) => [
      ...[inS, outS ?? -Infinity].filter(atS => atS <= nowS),
      ...heatings.map(heating => heating.atS),
    ]),
  )
  return last.atS >= renewedS ? last.relativeHumidityPercent : null
}

/** The display read last: what it would show now is what the next reading is held against. */
export const lastDisplay = (facts: BoxFacts): number => {
  const last = facts.readings.at(-1)
  return last ? displaysOf(facts).findIndex(one => one.id === displayOf(last)) : 0
}

/** The charge that has been inside longest, in the facts' order. */
function firstPresent(facts: BoxFacts): number | null {
  const index = facts.charges.findIndex(charge => isPresent(charge, facts.nowS))
  return index < 0 ? null : index
}
