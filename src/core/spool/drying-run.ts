import type { Grams, PercentRh, Seconds, WeightPercent } from '#units/quantity.ts'
import { hoursFromSeconds, secondsFromHours } from '#units/time.ts'
import { seededRandom } from '../estimate/random.ts'
import { evenPoints } from '../estimate/even-points.ts'
import { effectiveCount, spreadOf } from '../estimate/weighted.ts'
import type { SpoolStart } from '../evidence/spool-start.ts'
import { normalCdf } from '../normal.ts'
import { tell, type Leg, type SpoolLifeFacts } from './life.ts'
import { sharesOf, type Shares } from './shares.ts'
import { MIDDLE, spoolOf, type FittedSpool, type Ranged, type Telling } from './telling.ts'

/** Air about the spool from one time on, until the next. */
export interface DryerAir {
  readonly fromS: Seconds
  readonly temperatureC: number
  /** null: shut in. */
  readonly rhPercent: Ranged | null
}

/** One spool in a dryer, and what the scale said on the way. */
export interface DryingRunFacts {
  readonly spool: SpoolLifeFacts['spool']
  readonly filamentG: Grams
  readonly cardboardG: Grams
  /** How damp it was as it went in. */
  readonly start: SpoolStart
  readonly fromS: Seconds
  /** In order of time, the first from the beginning. */
  readonly air: readonly DryerAir[]
  /** Spool, board and all; the first is how it went in. In order of time. */
  readonly weights: readonly { readonly atS: Seconds; readonly grossG: Grams }[]
  readonly scaleStepG: Grams
  /** What it is dried for. */
  readonly nextG: Grams
  readonly limitPercent: WeightPercent
  /** How far ahead it is looked. */
  readonly untilS: Seconds
}

export interface DryingRun {
  readonly atS: readonly Seconds[]
  /** Water out since it went in, board's and all: what the scale has to show. */
  readonly outG: readonly Shares[]
  /** In all, if it goes on until the end of what is looked at. */
  readonly endOutG: Shares
  readonly next: readonly Shares[]
  readonly mean: readonly Shares[]
  /** Hours since it went in at which the next print is down at its limit; null where fewer than half of the draws get there. */
  readonly doneHours: Shares | null
  /** Of the draws, how many count: few where the weights say what nobody had thought. */
  readonly effectiveDraws: number
  /** What the weights say of this spool, for all that comes after; null where it was not weighed again. */
  readonly fitted: Omit<FittedSpool, 'untilS'> | null
}

/** Draws of what is not known: how damp, how fast, how much it holds, how dry the air is, how much board there is. */
const DRAWS = 240
const DIMENSIONS = 5
const SEED = 11
const POINTS = 60
/** Of one step of the scale: what rounding to it does, and a little for draughts and a warm spool. */
const SCALE_SHARE = 0.4
const LEAST_EFFECTIVE = 12

/**
 * A drying run followed by the scale: the same spool run through the same hours once for each draw of what is not known,
 * weighed by how well it fits the weights; then on to the end. The first weight's own error is shared by all differences.
 * @returns null where a run did not finish
 */
export function dryingRun(facts: DryingRunFacts): DryingRun | null {
  const { weights, fromS, untilS, scaleStepG } = facts
  const atS = [
    ...new Set([
      ...weights.map(one => one.atS),
      ...Array.from({ length: POINTS + 1 }, (_, i) => fromS + ((untilS - fromS) * i) / POINTS),
    ]),
  ]
    .filter(s => s >= fromS)
    .sort((a, b) => a - b)
  const points = evenPoints(DIMENSIONS, seededRandom(SEED))
  const draws = Array.from({ length: DRAWS }, () => drawOf(points.next()))
  const courses = draws.map(draw => courseOf(facts, draw, atS))
  if (courses.some(one => one === null)) return null
  const known = courses.map(one => one!)
  const sigmaG = SCALE_SHARE * scaleStepG
  const [first, ...later] = weights
  const logs = known.map(course => {
    if (!first) return 0
    const outAt = (s: Seconds) => course.outG[atS.indexOf(s)]!
    const misses = later.map(({ atS: s, grossG }) => first.grossG - grossG - (outAt(s) - outAt(first.atS)))
    const sum = misses.reduce((total, one) => total + one, 0)
    const squares = misses.reduce((total, one) => total + one ** 2, 0)
    // all differences share the error of the first weight
    return (-0.5 * (squares - sum ** 2 / (misses.length + 1))) / sigmaG ** 2
  })
  const shares = softened(logs)
  const spreads = (of: (course: Course) => readonly number[]) =>
    atS.map((_, i) =>
      sharesOf(
        known.map(course => of(course)[i]!),
        shares,
      ),
    )
  const doneHours = known.map(({ next }) => {
    const i = next.findIndex(one => one <= facts.limitPercent)
    return i < 0 ? Infinity : hoursFromSeconds(atS[i]! - fromS)
  })
  const reached = doneHours.reduce((sum, hours, i) => (hours === Infinity ? sum : sum + shares[i]!), 0)
  const outG = spreads(course => course.outG)
  return {
    atS,
    outG,
    endOutG: outG.at(-1)!,
    next: spreads(course => course.next),
    mean: spreads(course => course.mean),
    doneHours:
      reached < 0.5
        ? null
        : sharesOf(
            doneHours.map(hours => Math.min(hours, 10 * hoursFromSeconds(untilS - fromS))),
            shares,
          ),
    effectiveDraws: effectiveCount(shares),
    fitted: later.length === 0 ? null : fittedBy(facts, draws, shares),
  }
}

/** What is not known of a run, in one draw of it. */
interface Draw {
  readonly damp: number
  readonly dryerDamp: number
  readonly speedZ: number
  readonly holdsZ: number
  readonly boardZ: number
}

function drawOf(z: Float64Array): Draw {
  const [damp, speedZ, holdsZ, dryer, boardZ] = z as unknown as [number, number, number, number, number]
  return { damp: normalCdf(damp), dryerDamp: normalCdf(dryer), speedZ, holdsZ, boardZ }
}

function fittedBy(
  { fromS }: DryingRunFacts,
  draws: readonly Draw[],
  shares: Float64Array,
): Omit<FittedSpool, 'untilS'> {
  const of = (name: keyof Draw) =>
    spreadOf(
      draws.map(draw => draw[name]),
      shares,
    )
  return {
    fromS,
    damp: of('damp'),
    dryerDamp: of('dryerDamp'),
    speedZ: of('speedZ'),
    holdsZ: of('holdsZ'),
    boardZ: of('boardZ'),
  }
}

/** Shares of the draws; where hardly any fits, the weights are believed less until some do. */
function softened(logs: readonly number[]): Float64Array {
  const most = logs.reduce((best, one) => Math.max(best, one), -Infinity)
  for (let power = 1; ; power *= 0.7) {
    const raw = logs.map(one => Math.exp(power * (one - most)))
    const sum = raw.reduce((total, one) => total + one, 0)
    const shares = Float64Array.from(raw, one => one / sum)
    if (effectiveCount(shares) >= LEAST_EFFECTIVE || power < 0.01) return shares
  }
}

interface Course {
  readonly outG: readonly number[]
  readonly next: readonly number[]
  readonly mean: readonly number[]
}

function courseOf(facts: DryingRunFacts, draw: Draw, atS: readonly Seconds[]): Course | null {
  const telling: Telling = { damp: draw.damp, ...spoolOf(draw) }
  const told = tell(
    {
      spool: facts.spool,
      filamentG: facts.filamentG,
      cardboardG: facts.cardboardG,
      start: facts.start,
      fromS: facts.fromS,
      legs: legsOf(facts, draw.dryerDamp),
      prints: [],
      nextG: facts.nextG,
    },
    telling,
  )
  if (!told) return null
  const at = (of: readonly number[]) => atS.map(s => valueAt(told.atS, of, s))
  const [startG] = told.waterG
  return { outG: at(told.waterG).map(one => startG! - one), next: at(told.next), mean: at(told.mean) }
}

function legsOf({ air, untilS }: DryingRunFacts, dryness: number): Leg[] {
  return air.map(({ fromS, temperatureC, rhPercent }, i): Leg => {
    const legUntilS = Math.min(untilS, air[i + 1]?.fromS ?? untilS)
    const rh = rhPercent && rhAt(rhPercent, dryness)
    return {
      untilS: legUntilS,
      temperatureC,
      air: rh === null ? null : [{ atS: fromS, temperatureC, rhPercent: { low: rh, middle: rh, high: rh } }],
      points: Math.max(8, Math.ceil(hoursFromSeconds(legUntilS - fromS) * 3)),
    }
  })
}

const rhAt = ({ low, middle, high }: Ranged, share: number): PercentRh =>
  share < 0.5 ? low + (middle - low) * 2 * share : middle + (high - middle) * (2 * share - 1)

function valueAt(atS: readonly number[], values: readonly number[], s: Seconds): number {
  const after = atS.findIndex(one => one >= s)
  if (after <= 0) return after < 0 ? values.at(-1)! : values[0]!
  const [from, to] = [atS[after - 1]!, atS[after]!]
  const share = to > from ? (s - from) / (to - from) : 1
  return values[after - 1]! + (values[after]! - values[after - 1]!) * share
}

/** A day: what a run is looked at ahead where nobody says how long. */
export const RUN_AHEAD_S = secondsFromHours(24)

/** The same, from a spool's life up to the moment it went in. */
export interface RunAsked extends Omit<DryingRunFacts, 'start' | 'filamentG' | 'spool' | 'cardboardG'> {
  readonly before: SpoolLifeFacts
}

/** @returns null where there is nothing on it, or a run did not finish */
export function runFound({ before, ...asked }: RunAsked): DryingRun | null {
  const driest = tell(before, { ...MIDDLE, damp: 0 })
  const dampest = tell(before, { ...MIDDLE, damp: 1 })
  if (!driest || !dampest) return null
  return dryingRun({
    ...asked,
    spool: before.spool,
    filamentG: driest.filamentG,
    cardboardG: before.cardboardG,
    start: { low: driest.ringsRhPercent, high: dampest.ringsRhPercent },
  })
}
