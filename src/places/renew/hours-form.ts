import * as v from 'valibot'
import { ovenPlanKinds, type OvenDaysTold } from '#records/kinds/oven-plan.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'

export interface HoursTyped {
  readonly weekdays: readonly number[]
  /** Hours. */
  readonly present: string
  readonly alone: string
  readonly heatSourceId: string
  readonly sure: number
  readonly away: readonly { readonly from: string; readonly to: string }[]
}

const minutes = (hours: string): number => Math.round(parseDecimal(hours) * 60)

/**
 * When somebody is at the oven; messages name the field and the remedy.
 * @param leastHours what the shortest day with one filling takes
 */
export function checkHours(typed: HoursTyped, leastHours: number): Checked<HoursTyped, OvenDaysTold> {
  const errors: Partial<Record<keyof HoursTyped, string>> = {}
  if (typed.weekdays.length === 0)
    errors.weekdays = 'Choose at least one weekday on which you can be at the oven.'
  const presentMinutes = minutes(typed.present)
  if (!(presentMinutes >= 30 && presentMinutes <= 1440))
    errors.present =
      'Hours you are there are a number from 0.5 to 24: one filling with all around it takes about two.'
  else if (presentMinutes < leastHours * 60)
    errors.present = `One filling takes ${leastHours.toFixed(1)} hours with all around it: give the day that much, or choose another heat source.`
  const unattendedMinutes = minutes(typed.alone)
  if (!(unattendedMinutes >= 0 && unattendedMinutes <= 1440))
    errors.alone = 'Hours it may cool alone are a number from 0 to 24; 0 where you stay until it is cold.'
  const broken = typed.away.find(({ from, to }) => !from || !to || to < from)
  if (broken)
    errors.away =
      broken.from && broken.to
        ? 'The last day away lies before the first: change one of them.'
        : 'Away needs its first and its last day: fill both in, or take the line out.'
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  const kept = {
    weekdays: [...typed.weekdays].sort((a, b) => a - b),
    presentMinutes,
    unattendedMinutes,
    sure: typed.sure,
    away: typed.away.map(({ from, to }) => ({ from, to })),
    ...(typed.heatSourceId === '' ? {} : { heatSourceId: typed.heatSourceId }),
  }
  const parsed = v.safeParse(ovenPlanKinds['ovenDays.told'], kept)
  return parsed.success
    ? { ok: true, kept: parsed.output }
    : { ok: false, errors: { away: 'A day away is not a date of the calendar: pick it again.' } }
}
