import type { BoxFacts } from '../evidence/facts.ts'
import type { AmissKind } from './amiss.ts'
import { cholesky, forward } from '../cholesky.ts'
import { displaysOf } from './displays.ts'
import {
  amissAt,
  arrivalsOf,
  AS_TOLD,
  gapsOf,
  isPossible,
  mostRead,
  PRIORS,
  type Hypothesis,
} from './hypotheses.ts'
import { logLikelihood, missesOf, throughFilter, type Observation } from './likelihood.ts'
import { runDraw } from './run-draw.ts'
import { slopeBetween } from './proposal.ts'
import { likeliestShifts, patternOf, stepAt, type Straight } from './shift-of-display.ts'
import type { Unknown } from './unknowns.ts'

/** A hypothesis worth a sampling of its own, with what its amount may come to. */
export interface Suspect {
  readonly hypothesis: Hypothesis
  readonly start: Float64Array
}

/** Below this share by the first glance an account is not looked into. */
const WORTH_A_LOOK = 0.01
const MOST_SUSPECTS = 3
/** Times looked at first; then those beside the best. */
const COARSE_TIMES = 12
/** Amounts tried against the usual one, and how far from it each is, in deviations. */
const AMOUNTS = [0.3, 0.6, 1, 1.8, 3.2]
const AMOUNT_SPREAD = 0.9
/** Step of the difference quotients, in standard deviations of the prior. */
const PROBE = 0.5

interface Glance {
  readonly kind: AmissKind
  readonly atS: number
  readonly share: number
  /** ln of how much better what was seen is explained, the rest fitted anew along straight lines. */
  readonly gain: number
}

/**
 * What else the readings may come from: every kind at every time, by the model's slopes at the best account of what was
 * told. One run of the network each; a sampling is for those that pass.
 * @param best the likeliest draw vector with all as told
 */
export function findSuspects(
  facts: BoxFacts,
  unknowns: readonly Unknown[],
  observations: readonly Observation[],
  best: Float64Array,
  shouldStop?: () => boolean,
): Suspect[] {
  const n = unknowns.length
  const run = (z: Float64Array, hypothesis = AS_TOLD) =>
    runDraw(facts, unknowns, observations, z, hypothesis).predicted
  const told = run(best)
  const misses = missesOf(observations, told)
  const straightAt = (z: Float64Array, predicted: Float64Array): Straight => ({
    z,
    predicted,
    slopes: unknowns.map((_, k) => {
      const moved = z.slice()
      moved[k]! += PROBE
      return slopeBetween(predicted, run(moved), PROBE)
    }),
  })
  const near = straightAt(best, told)
  const slopes = near.slopes.map(slope => throughFilter(observations, misses, slope))
  const precision = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++)
      precision[i * n + j] = misses.curvature.reduce(
        (sum, curvature, o) => sum + slopes[i]![o]! * slopes[j]![o]! * curvature,
        i === j ? 1 : 0,
      )
  const factor = cholesky(precision, n)
  if (!factor) return []

  /** How the fit would gain along a pattern of changes: b·α − a·α²/2, the unknowns following. */
  const along = (pattern: ArrayLike<number>): { a: number; b: number } => {
    const left = throughFilter(observations, misses, pattern)
    let [a, b] = [0, 0]
    const shared = new Float64Array(n)
    for (let o = 0; o < left.length; o++) {
      // before it happened nothing has changed
      if (left[o] === 0) continue
      const curvature = misses.curvature[o]!
      a += curvature * left[o]! ** 2
      b += misses.gradient[o]! * left[o]!
      for (let k = 0; k < n; k++) shared[k]! += curvature * left[o]! * slopes[k]![o]!
    }
    const taken = forward(factor, n, shared)
    return { a: Math.max(0, a - taken.reduce((sum, value) => sum + value * value, 0)), b }
  }
  const glance = (kind: AmissKind, atS: number, share: number): Glance => {
    const amiss = amissAt(kind, atS, NO_DISPLAY)(0)
    const there = run(best, { ...AS_TOLD, amiss: () => amiss })
    const { a, b } = along(slopeBetween(told, there, 1))
    const amounts = kind === 'renewed' ? [1] : AMOUNTS
    const gain = Math.max(
      ...amounts.map(
        alpha => b * alpha - 0.5 * a * alpha ** 2 - 0.5 * (Math.log(alpha) / AMOUNT_SPREAD) ** 2,
      ),
    )
    return { kind, atS, share, gain: gain - (kind === 'renewed' ? 0 : 0.5 * Math.log(1 + a)) }
  }

  const gaps = gapsOf(facts, observations)
  const step = Math.max(1, Math.floor(gaps.length / COARSE_TIMES))
  const found: Glance[][] = []
  for (const kind of ['leak', 'opened', 'renewed'] as const) {
    if (shouldStop?.()) return []
    const glances = gaps
      .flatMap(({ atS }, i) => (i % step === step - 1 && isPossible(facts, kind, atS) ? [i] : []))
      .map(i => ({ i, ...glance(kind, gaps[i]!.atS, shareOf(gaps, i, step)) }))
    const top = glances.reduce<(typeof glances)[number] | null>(
      (before, one) => (before && before.gain >= one.gain ? before : one),
      null,
    )
    if (!top) continue
    if (step > 1 && top.gain > 0)
      for (let i = Math.max(0, top.i - step + 1); i < Math.min(gaps.length, top.i + step); i++)
        if (i !== top.i && isPossible(facts, kind, gaps[i]!.atS))
          glances.push({ i, ...glance(kind, gaps[i]!.atS, gaps[i]!.share) })
    found.push(glances)
  }
  const arrivals = arrivalsOf(facts)
  found.push(arrivals.map(atS => glance('damp', atS, 1 / arrivals.length)))

  const others = found.flatMap(glances => {
    const best1 = glances.reduce((before, one) => (before.gain >= one.gain ? before : one), glances[0]!)
    if (glances.length === 0) return []
    const { kind, atS, gain } = best1
    const spread = glances.reduce((sum, one) => sum + one.share * Math.exp(one.gain - best1.gain), 0)
    const start = new Float64Array(n + 1)
    start.set(best)
    return [{ kind, atS, gain, prior: PRIORS[kind] * Math.min(1, spread), displayId: NO_DISPLAY, start }]
  })
  return [
    ...others,
    ...shiftOf(facts, observations, gaps, near, misfitOf(observations, told, best), along, straightAt, run),
  ]
    .filter(one => one.prior * Math.exp(one.gain) > WORTH_A_LOOK)
    .sort((a, b) => b.gain + Math.log(b.prior) - a.gain - Math.log(a.prior))
    .slice(0, MOST_SUSPECTS)
    .map(({ kind, atS, prior, displayId, start }) => ({
      hypothesis: { kind, atS, prior, amiss: amissAt(kind, atS, displayId) },
      start,
    }))
}
const NO_DISPLAY = ''

const misfitOf = (
  observations: readonly Observation[],
  predicted: ArrayLike<number>,
  z: Float64Array,
): number => 0.5 * z.reduce((sum, value) => sum + value * value, 0) - logLikelihood(observations, predicted)

/** Times looked at closely: where a straight line through all gains most, and where the display steps furthest. */
const CLOSE_TIMES = 8
const STEPS = 4

/** The likeliest shift of a display, looked at twice: the second time by the model's slopes where the first one led. */
function shiftOf(
  facts: BoxFacts,
  observations: readonly Observation[],
  gaps: ReturnType<typeof gapsOf>,
  near: Straight,
  toldMisfit: number,
  along: (pattern: ArrayLike<number>) => { a: number; b: number },
  straightAt: (z: Float64Array, predicted: Float64Array) => Straight,
  run: (z: Float64Array) => Float64Array,
) {
  const n = near.z.length
  const times = mostRead(facts, observations).flatMap(display =>
    gaps
      // a display that always showed too much has no shift: that is its constant error
      .filter(({ atS }) => observations.some(one => one.display === display && one.atS < atS))
      .map(({ atS, share }) => {
        const { a, b } = along(patternOf(observations, { display, atS }))
        return {
          display,
          atS,
          share,
          a,
          gain: (0.5 * b * b) / (a + 1) - 0.5 * Math.log(a + 1),
          step: Math.abs(stepAt(observations, display, atS)),
        }
      }),
  )
  const close = new Set([
    ...[...times].sort((a, b) => b.gain - a.gain).slice(0, CLOSE_TIMES),
    ...[...times].sort((a, b) => b.step - a.step).slice(0, STEPS),
  ])
  if (close.size === 0 || Math.max(...times.map(time => time.gain)) < LEAST_GAIN) return []
  const [first] = likeliestShifts(observations, near, [...close], 0)
  if (!first) return []
  const there = straightAt(first.z.slice(0, n), run(first.z.slice(0, n)))
  const fits = likeliestShifts(observations, there, [...close], first.z[n]!)
  const [best] = fits
  if (!best) return []
  const { a } = times.find(time => time.atS === best.atS && time.display === best.display)!
  const spread = fits.reduce((sum, fit) => sum + fit.share * Math.exp(best.misfit - fit.misfit), 0)
  return [
    {
      kind: 'display' as const,
      atS: best.atS,
      gain: toldMisfit - best.misfit - 0.5 * Math.log(a + 1),
      prior: PRIORS.display * Math.min(1, spread),
      displayId: displaysOf(facts)[best.display]!.id,
      start: best.z,
    },
  ]
}
/** Less than this gained along straight lines is no shift. */
const LEAST_GAIN = 0.5

const shareOf = (gaps: readonly { share: number }[], i: number, width: number): number =>
  gaps.slice(Math.max(0, i - width + 1), i + 1).reduce((sum, gap) => sum + gap.share, 0)
