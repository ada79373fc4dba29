import type { PercentRh, Seconds } from '#units/quantity.ts'
import { hoursFromSeconds, secondsFromHours } from '#units/time.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import type { BoxModel } from '../model/box-model.ts'
import { isPresent } from '../model/box-model.ts'
import { simulate } from '../network/simulate.ts'
import { displaysOf } from './displays.ts'
import { drawsOf, lastDisplay, type Turn } from './estimate-box.ts'
import { TWENTIETHS, type StandingDraw } from './forecast.ts'
import { futureModel } from './model-of-draw.ts'
import { displayErrorRh, ENSEMBLE_TOLERANCES } from './run-draw.ts'
import { evenPicks, weightedQuantiles } from './weighted.ts'

/** What else a first day may look like: each the middle draw, with one thing amiss. */
export type FirstDayCause = 'leak' | 'damp' | 'display' | 'opened'

/** What a display should show in the days after a box was closed or its beads renewed. */
export interface FirstDay {
  readonly closedS: Seconds
  /** Hours since then, ascending; each column has one value for each. */
  readonly hours: readonly number[]
  /** Nine readings of ten lie between these. */
  readonly lowRh: readonly PercentRh[]
  readonly middleRh: readonly PercentRh[]
  readonly highRh: readonly PercentRh[]
  /** At the hours a person is told of: the 5, 10 … 95 % points. */
  readonly told: readonly { readonly hours: number; readonly rhPercent: readonly PercentRh[] }[]
  readonly otherwise: readonly { readonly cause: FirstDayCause; readonly rhPercent: readonly PercentRh[] }[]
}

/** The hours a person is told of. */
export const PROMISED_HOURS = [1, 6, 24, 72] as const
const HOURS = [0.25, 0.5, 1, 2, 3, 4, 6, 9, 12, 18, 24, 36, 48, 60, 72] as const
const [LOW, MIDDLE, HIGH] = [0.05, 0.5, 0.95]
const DRAWS = 60
/** A display in its case comes to new air with one of these time constants; common practice for small ones in still air. */
const DISPLAY_LAGS_HOURS = [0.2, 0.4, 0.8] as const
const USUAL_LAG_HOURS = DISPLAY_LAGS_HOURS[1]
/** Points of the new error a display brings to each reading: the band is of what will be read. */
const NEW_ERROR_POINTS = [-1.64, -0.84, 0, 0.84, 1.64] as const

const LEAKS_TIMES = 8
const DAMP_RH = 65
const DISPLAY_OFF_RH = 8
/** Left ajar for a while on the first evening: so many times its free air went through. */
const AJAR = { atHours: 8, freeAirs: 30 } as const
const CAME_IN_WITHIN_S = secondsFromHours(24)

/**
 * What the display should show from the closing on, by what was known then.
 * @param facts as of the moment it was closed or renewed: `nowS` is that moment
 */
export function firstDay(
  facts: BoxFacts,
  { draws, weights }: Pick<Turn, 'draws' | 'weights'> = drawsOf(facts),
): FirstDay {
  const display = lastDisplay(facts)
  const { newEachTimeRh } = displaysOf(facts)[display]!
  const picks = evenPicks(
    draws.map(draw => draw.airRhNowPercent),
    weights,
    DRAWS,
  ).map(pick => draws[pick]!)
  const runs = picks.flatMap((draw, i) => {
    const lagHours = DISPLAY_LAGS_HOURS[i % DISPLAY_LAGS_HOURS.length]!
    const air = airOf(facts, draw, closed(draw, facts.nowS), lagHours)
    if (!air) return []
    const off = displayErrorRh(facts, draw.values, { atS: facts.nowS, display })
    return [{ draw, rh: air.map(rhPercent => rhPercent + off) }]
  })
  if (runs.length === 0) throw new Error('No run of this box came to its end.')
  const readings = runs.flatMap(({ rh }) =>
    NEW_ERROR_POINTS.map(z => rh.map(value => Math.min(100, Math.max(0, value + z * newEachTimeRh)))),
  )
  const even = readings.map(() => 1 / readings.length)
  const pointsAt = (i: number, shares: readonly number[]) =>
    weightedQuantiles(
      readings.map(rh => rh[i]!),
      even,
      shares,
    )
  const band = HOURS.map((_, i) => pointsAt(i, [LOW, MIDDLE, HIGH]))
  const middleRh = band.map(([, middle]) => middle!)
  return {
    closedS: facts.nowS,
    hours: HOURS,
    lowRh: band.map(([low]) => low!),
    middleRh,
    highRh: band.map(([, , high]) => high!),
    told: PROMISED_HOURS.map(hours => ({
      hours,
      rhPercent: pointsAt(HOURS.indexOf(hours), TWENTIETHS),
    })),
    otherwise: otherwise(facts, closestTo(runs, middleRh), middleRh),
  }
}

/** It was open: room air stands in it. */
const closed = (draw: StandingDraw, nowS: Seconds): BoxModel => ({
  ...futureModel(draw),
  openings: [{ atS: nowS + 1, openSeconds: SEEN_TO_S }],
  exchanges: [],
})
/** As long as it takes to see to beads or spools: hardly any of the old air is left. */
const SEEN_TO_S = 300

/** RH the display's sensor stands in, hour by hour; null where the run did not finish. */
function airOf(
  { nowS }: Pick<BoxFacts, 'nowS'>,
  draw: StandingDraw,
  model: BoxModel,
  lagHours: number = USUAL_LAG_HOURS,
): number[] | null {
  const toS = nowS + secondsFromHours(HOURS.at(-1)!)
  const run = simulate(
    boxNetwork(model, { fromS: nowS, toS }, 0),
    { fromS: nowS, toS, outputS: HOURS.map(hours => nowS + secondsFromHours(hours)) },
    ENSEMBLE_TOLERANCES,
  )
  return run.atS.length < HOURS.length
    ? null
    : lagged(Array.from(run.airRhPercent), draw.airRhNowPercent, lagHours)
}

/** A display that follows the air with its lag, between hours in a straight line. */
function lagged(airRh: readonly number[], fromRh: number, lagHours: number): number[] {
  let shown = fromRh
  let [beforeH, beforeRh] = [0, fromRh]
  return airRh.map((rh, i) => {
    const spanH = HOURS[i]! - beforeH
    const slope = (rh - beforeRh) / spanH
    const kept = Math.exp(-spanH / lagHours)
    // first-order lag behind a ramp, solved exactly
    shown = rh - slope * lagHours + (shown - beforeRh + slope * lagHours) * kept
    ;[beforeH, beforeRh] = [HOURS[i]!, rh]
    return shown
  })
}

function otherwise(facts: BoxFacts, draw: StandingDraw, middleRh: readonly number[]): FirstDay['otherwise'] {
  const { nowS } = facts
  const model = closed(draw, nowS)
  const came = facts.spools.filter(
    spool => isPresent(spool, nowS) && nowS - spool.inS < CAME_IN_WITHIN_S && spool.filamentG > 0,
  )
  const base = airOf(facts, draw, model)
  const shifted = (other: BoxModel): number[] | null => {
    const air = airOf(facts, draw, other)
    // what changes is told by the middle draw; where it begins, by all of them
    return air && base && air.map((rh, i) => Math.min(100, Math.max(0, middleRh[i]! + rh - base[i]!)))
  }
  const models: readonly (readonly [FirstDayCause, BoxModel | null])[] = [
    [
      'leak',
      {
        ...model,
        inlets: model.inlets.map(inlet =>
          inlet.by === 'lid' ? { by: 'lid', conductanceLPerH: LEAKS_TIMES * lastOf(inlet) } : inlet,
        ),
      },
    ],
    [
      'damp',
      came.length === 0
        ? null
        : {
            ...model,
            spools: model.spools.map(spool =>
              came.some(one => one.id === spool.id)
                ? { ...spool, wetRhPercent: DAMP_RH, boardRhPercent: DAMP_RH }
                : spool,
            ),
          },
    ],
    [
      'opened',
      {
        ...model,
        exchanges: [
          ...(model.exchanges ?? []),
          { atS: nowS + secondsFromHours(AJAR.atHours), freeAirs: AJAR.freeAirs },
        ],
      },
    ],
  ]
  const off = (by: number) => ({
    cause: 'display' as const,
    rhPercent: middleRh.map(rh => Math.min(100, Math.max(0, rh + by))),
  })
  return [
    ...models.flatMap(([cause, other]) => {
      const rhPercent = other && shifted(other)
      return rhPercent ? [{ cause, rhPercent }] : []
    }),
    off(DISPLAY_OFF_RH),
    off(-DISPLAY_OFF_RH),
  ]
}

const lastOf = (inlet: BoxModel['inlets'][number]): number =>
  inlet.later?.at(-1)?.conductanceLPerH ?? inlet.conductanceLPerH

/** The draw whose run is nearest to the middle of all. */
function closestTo(
  runs: readonly { readonly draw: StandingDraw; readonly rh: readonly number[] }[],
  middleRh: readonly number[],
): StandingDraw {
  const far = (rh: readonly number[]) => rh.reduce((sum, value, i) => sum + (value - middleRh[i]!) ** 2, 0)
  return runs.reduce((best, run) => (far(run.rh) < far(best.rh) ? run : best)).draw
}

/** One of its columns at a time, between its hours in a straight line; null before its first and after its last hour. */
export function atHours({ hours }: FirstDay, column: readonly number[], at: number): number | null {
  const next = hours.findIndex(hour => hour >= at)
  if (next < 0 || at < hours[0]!) return null
  if (hours[next] === at || next === 0) return column[next]!
  const [before, after] = [hours[next - 1]!, hours[next]!]
  const share = (at - before) / (after - before)
  return column[next - 1]! + share * (column[next]! - column[next - 1]!)
}

/** A reading of the first days, and where it should have stood. */
export interface FirstDayMiss {
  readonly atS: Seconds
  readonly rhPercent: PercentRh
  readonly lowRh: PercentRh
  readonly highRh: PercentRh
  /** Which of what else may be explains all readings since the closing best. */
  readonly cause: FirstDayCause
}

/**
 * The last reading after the closing that lies outside what was promised.
 * @param floorPercentRh a display can show no less: below it nothing is missed
 */
export function firstDayMiss(
  promise: FirstDay,
  readings: readonly { readonly atS: Seconds; readonly rhPercent: PercentRh }[],
  floorPercentRh: PercentRh,
): FirstDayMiss | null {
  const since = readings.flatMap(reading => {
    const hours = hoursFromSeconds(reading.atS - promise.closedS)
    const [low, high] = [promise.lowRh, promise.highRh].map(column => atHours(promise, column, hours))
    return low == null || high == null ? [] : [{ ...reading, hours, lowRh: low, highRh: high }]
  })
  const missed = since.findLast(
    ({ rhPercent, lowRh, highRh }) =>
      rhPercent > Math.max(highRh, floorPercentRh) || (rhPercent < lowRh && rhPercent > floorPercentRh),
  )
  if (!missed) return null
  const misfit = (column: readonly number[]) =>
    since.reduce((sum, { hours, rhPercent }) => {
      const expected = Math.max(atHours(promise, column, hours) ?? rhPercent, floorPercentRh)
      return sum + Math.abs(rhPercent - expected)
    }, 0)
  const best = promise.otherwise.reduce((a, b) => (misfit(b.rhPercent) < misfit(a.rhPercent) ? b : a))
  const { atS, rhPercent, lowRh, highRh } = missed
  return { atS, rhPercent, lowRh, highRh, cause: best.cause }
}
