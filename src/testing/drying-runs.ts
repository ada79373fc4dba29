import { secondsFromHours } from '#units/time.ts'
import { seededRandom } from '#core/estimate/random.ts'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { USUAL_SPOOL } from '#core/filament/winding.ts'
import { dryingRun, type DryingRunFacts } from '#core/spool/drying-run.ts'
import { tell } from '#core/spool/life.ts'
import { spoolReport, type SpoolAsked } from '#core/spool/spool-report.ts'

const HOURS = 8
const AHEAD = 24
const STEP_G = 1

interface MadeUpRun {
  readonly facts: DryingRunFacts
  /** What is out of it in truth by the end of what is looked at, and the water left when it is taken out. */
  readonly leavesG: number
  readonly leftPercent: number
}

/**
 * A run whose truth is drawn apart, as wide as a spool is usually known and of another shape: how damp, how fast, how much
 * it holds, its air and its board; a weight every 40 min.
 */
export function madeUpRun(seed: number): MadeUpRun {
  const random = seededRandom(9000 + seed * 31)
  const between = (low: number, high: number) => low + (high - low) * random.uniform()
  // even over as much as has that standard deviation, as a factor
  const spread = (deviation: number) => Math.exp(between(-1, 1) * Math.sqrt(3) * deviation)
  const id = (['PA6', 'PA12', 'PVA', 'PA6-CF', 'PLA'] as const satisfies readonly MaterialId[])[seed % 5]!
  const material = MATERIALS[id]
  const temperatureC = { PA6: 82, PA12: 78, PVA: 52, 'PA6-CF': 85, PLA: 48 }[id]
  const spool = {
    id: 's',
    material,
    size: USUAL_SPOOL,
    diameterMm: 1.75 as const,
    flanges: 'closed' as const,
  }
  const filamentG = between(550, 1000)
  const cardboardG = between(120, 220)
  const rhPercent = { low: 4, middle: 6, high: 8 }
  const trueRh = between(4, 8)
  const trueStart = between(28, 62)
  const legs = [
    {
      untilS: secondsFromHours(AHEAD),
      temperatureC,
      air: [{ atS: 0, temperatureC, rhPercent: { low: trueRh, middle: trueRh, high: trueRh } }],
      points: 400,
    },
  ]
  const truth = tell(
    {
      spool,
      filamentG,
      cardboardG: cardboardG * spread(0.2),
      start: { low: trueStart, high: trueStart },
      fromS: 0,
      legs,
      prints: [],
    },
    {
      damp: 0.5,
      slitShare: 0.067 * spread(0.4),
      diffusivity: spread(Math.log(2) / 1.28),
      moisture: spread(Math.log(1.15) / 1.28),
    },
  )!
  const outAt = (hours: number) => {
    const i = truth.atS.findIndex(s => s >= secondsFromHours(hours) - 1)
    return truth.waterG[0]! - truth.waterG[i]!
  }
  const emptyG = 30
  const weigh = (g: number) => Math.round(g / STEP_G) * STEP_G
  const weights = Array.from({ length: 12 }, (_, i) => {
    const hours = (HOURS * i) / 11
    return {
      atS: secondsFromHours(hours),
      grossG: weigh(filamentG + emptyG + cardboardG + truth.waterG[0]! - outAt(hours)),
    }
  })
  return {
    leavesG: outAt(AHEAD - 0.01),
    leftPercent: truth.mean[truth.atS.findIndex(s => s >= secondsFromHours(HOURS) - 1)]!,
    facts: {
      spool,
      filamentG,
      cardboardG,
      start: { low: 25, high: 65 },
      fromS: 0,
      air: [{ fromS: 0, temperatureC, rhPercent }],
      weights,
      scaleStepG: STEP_G,
      nextG: 100,
      limitPercent: material.troubleAbovePercent!,
      untilS: secondsFromHours(AHEAD),
    },
  }
}

/** Of one made-up run: what the weights say of its end. */
export function endFound(seed: number): { readonly near: boolean; readonly held: boolean } {
  const { facts, leavesG } = madeUpRun(seed)
  const { endOutG } = dryingRun(facts)!
  return {
    near: Math.abs(endOutG.middle - leavesG) <= 0.2 * leavesG,
    held: endOutG.low <= leavesG && leavesG <= endOutG.high,
  }
}

/** What is asked of the spool of a made-up run once it is out: in its bag, then so many hours in the dryer, weighed on the way. */
export function askedAfter({
  facts,
}: MadeUpRun): SpoolAsked & { readonly weighed: NonNullable<SpoolAsked['weighed']> } {
  const { spool, filamentG, cardboardG, start, air } = facts
  const endedS = secondsFromHours(HOURS)
  const bag = { untilS: 0, air: null, temperatureC: 22 }
  const before = { spool, filamentG, cardboardG, start, fromS: -3600, legs: [bag], prints: [] }
  const [hot] = air
  const leg = { ...hot!, untilS: endedS, air: [{ ...hot!, atS: 0, rhPercent: hot!.rhPercent! }] }
  return {
    life: { ...before, legs: [bag, leg] },
    here: null,
    room: null,
    weighed: { asked: { ...facts, before }, endedS },
  }
}

/** Of one made-up run: the spool's own state once it is out, as told alone and with what the weights say. */
export function stateFound(seed: number): {
  readonly toldOff: number
  readonly weighedOff: number
  readonly surer: boolean
  readonly held: boolean
} {
  const made = madeUpRun(seed)
  const { leftPercent } = made
  const { weighed: run, ...asked } = askedAfter(made)
  const told = spoolReport(asked)!.mean
  const weighed = spoolReport({ ...asked, weighed: run })!.mean
  return {
    toldOff: Math.abs(told.middle - leftPercent) / leftPercent,
    weighedOff: Math.abs(weighed.middle - leftPercent) / leftPercent,
    surer: weighed.high - weighed.low < told.high - told.low,
    held: weighed.low <= leftPercent && leftPercent <= weighed.high,
  }
}
