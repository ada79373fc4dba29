import type { Range } from './baking.ts'

/** What a charge held once, as a share of what new beads of its kind hold in that air. */
export interface CapacitySeen {
  /** Heats it had had by then. */
  readonly cycles: number
  readonly share: number
}

/**
 * Before anything was seen: new beads hold what their kind does within 4 % (one standard deviation), and lose half a per
 * cent a cycle, give or take three in a thousand; typical, from memory (capacityAfterCycles). One weighing beside one
 * reading tells a share within about 8 %: a display of ±5 % RH over a curve that is nearly straight there.
 */
const FIRST = { share: 1, deviation: 0.04 } as const
const LOSS = { perCycle: 0.005, deviation: 0.003 } as const
const SEEN_DEVIATION = 0.08
/** Beads that hold less than this of what they did are worn out: a third more of them would be carried for nothing. */
export const WORN_SHARE = 0.75
const TENTH = 1.2816

export interface CapacityTrend {
  /** What it holds now, of new beads. */
  readonly now: Range
  readonly lossPerCycle: number
  readonly isWorn: boolean
  /** Heats until its middle falls below that; 0: it has; null: it would take more than any beads get. */
  readonly cyclesLeft: number | null
}
const MOST_CYCLES = 200

/**
 * The trend of a charge's capacity over its heats: a straight line, what is usual and what was seen weighed against each
 * other (linear regression with a normal prior).
 * @param cyclesNow heats it has had @param lostToHeat share it lost to heats that were too hot, 0…1
 */
export function capacityTrend(
  seen: readonly CapacitySeen[],
  cyclesNow: number,
  lostToHeat = 0,
): CapacityTrend {
  const first = FIRST.share - lostToHeat
  // precision matrix of (first, loss) and its right side
  let aa = 1 / FIRST.deviation ** 2
  let ab = 0
  let bb = 1 / LOSS.deviation ** 2
  let ya = aa * first
  let yb = bb * LOSS.perCycle
  const weight = 1 / SEEN_DEVIATION ** 2
  for (const { cycles, share } of seen) {
    aa += weight
    ab -= weight * cycles
    bb += weight * cycles ** 2
    ya += weight * share
    yb -= weight * share * cycles
  }
  const determinant = aa * bb - ab ** 2
  const a = (bb * ya - ab * yb) / determinant
  const b = (aa * yb - ab * ya) / determinant
  const variance = (bb + 2 * ab * cyclesNow + aa * cyclesNow ** 2) / determinant
  const middle = a - b * cyclesNow
  const spread = TENTH * Math.sqrt(Math.max(0, variance))
  const bounded = (value: number) => Math.min(1.2, Math.max(0, value))
  const left = b > 0 ? Math.max(0, Math.ceil((middle - WORN_SHARE) / b - 1e-9)) : null
  return {
    now: { low: bounded(middle - spread), middle: bounded(middle), high: bounded(middle + spread) },
    lossPerCycle: b,
    isWorn: middle < WORN_SHARE,
    cyclesLeft: left !== null && left > MOST_CYCLES ? null : left,
  }
}
