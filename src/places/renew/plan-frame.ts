import { freshHeldDays, mayLeave, surelyHeldDays, valueAtShare } from '#core/renewal/hold-dates.ts'
import type { OvenSession } from '#core/renewal/oven-days.ts'
import {
  HORIZON_DAYS,
  leavesMs,
  type PlannedBox,
  type PlanQuestion,
} from '#session/oven-plan/plan-question.ts'
import { msFromSeconds, secondsFromMs } from '#units/time.ts'

const DAY_MS = 86_400_000

/** Where things stand on the plan's sheet, in px. */
export interface Frame {
  readonly widthPx: number
  readonly isNarrow: boolean
  /** Where the axis begins: today. */
  readonly left: number
  readonly perDay: number
  readonly x: (day: number) => number
  readonly laneY: (lane: number) => number
  readonly groundY: number
  readonly height: number
}

const LANE = 28.4
const HEAD = 66
const GRASS = 44
const UNDER = 40

/** @param lanes boxes, those left out among them where there is room to say why */
export function planFrame(widthPx: number, lanes: number): Frame {
  const isNarrow = widthPx < 600
  const left = isNarrow ? 74 : 118
  const perDay = (widthPx - left - 4) / HORIZON_DAYS
  const groundY = HEAD + lanes * LANE + GRASS
  return {
    widthPx,
    isNarrow,
    left,
    perDay,
    x: day => left + day * perDay,
    laneY: lane => HEAD + 10 + lane * LANE,
    groundY,
    height: groundY + UNDER,
  }
}

/** One filling of beads: sure until the early day, gone by the late one. */
export interface Filling {
  readonly from: number
  readonly early: number
  readonly late: number
}

/** What lies in a box from today on, one filling after another. */
export function fillingsOf(
  { todayMs, days }: Pick<PlanQuestion, 'todayMs' | 'days'>,
  box: PlannedBox,
  sessions: readonly OvenSession[],
): Filling[] {
  const dayOf = (ms: number) => (ms - todayMs) / DAY_MS
  const late = msFromSeconds(valueAtShare(box.report.leaves!.sharesOfDates, 0.9).atS)
  const first = { from: 0, early: dayOf(leavesMs(box)), late: dayOf(late) }
  const later = sessions
    .filter(one => one.boxIds.includes(box.boxId))
    .map(({ at }): Filling => {
      const from = days[at]!.day
      const noonS = secondsFromMs(todayMs + (from + 0.5) * DAY_MS)
      return {
        from,
        early: from + surelyHeldDays(box.fresh, noonS, mayLeave(box.sure)),
        late: from + freshHeldDays(box.fresh, noonS, 0.9),
      }
    })
  return [first, ...later]
}
