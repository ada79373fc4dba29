import type { State } from '#journal/state.ts'
import { addDays, daysBetween, weekdayOf, type IsoDay } from '#units/calendar-day.ts'

/** When somebody is at the oven, with the usual where nothing was said. */
export interface ToldDays {
  readonly weekdays: readonly number[]
  readonly presentMinutes: number
  readonly unattendedMinutes: number
  readonly sure: number
  readonly away: readonly { readonly from: IsoDay; readonly to: IsoDay }[]
  /** Nothing was said: all of it is assumed. */
  readonly isAssumed: boolean
}

/** Saturdays, five hours, and an hour and a half more in which it may cool. */
const USUAL = { weekdays: [5], presentMinutes: 300, unattendedMinutes: 90, sure: 0.9, away: [] } as const

export function toldDays({ ovenPlan }: Pick<State, 'ovenPlan'>): ToldDays {
  const { heatSourceId: _, ...told } = ovenPlan.days
  return { ...USUAL, ...told, isAssumed: Object.keys(told).length === 0 }
}

export interface CalendarOvenDay {
  readonly iso: IsoDay
  /** Days from today. */
  readonly day: number
  readonly wish: 'pinned' | 'struck' | null
}

export const isAway = ({ away }: Pick<ToldDays, 'away'>, iso: IsoDay): boolean =>
  away.some(({ from, to }) => from <= iso && iso <= to)

/** Days at the oven from today on: the person's weekdays and those they wished for, but not while they are away. */
export function ovenDaysFrom(
  told: ToldDays,
  dayWishes: ReadonlyMap<IsoDay, 'pinned' | 'struck'>,
  boxDays: readonly IsoDay[],
  today: IsoDay,
  horizonDays: number,
): CalendarOvenDay[] {
  const own = Array.from({ length: horizonDays + 1 }, (_, day) => addDays(today, day)).filter(iso =>
    told.weekdays.includes(weekdayOf(iso)),
  )
  const wished = [...dayWishes].filter(([, wish]) => wish === 'pinned').map(([iso]) => iso)
  const last = addDays(today, horizonDays)
  return [...new Set([...own, ...wished, ...boxDays])]
    .filter(iso => iso >= today && iso <= last && !isAway(told, iso))
    .sort()
    .map(iso => ({ iso, day: daysBetween(today, iso), wish: dayWishes.get(iso) ?? null }))
}
