const DAY_MS = 86_400_000

/** A day of a calendar, YYYY-MM-DD: no clock, no zone. */
export type IsoDay = string

export const addDays = (day: IsoDay, count: number): IsoDay =>
  new Date(Date.parse(day) + count * DAY_MS).toISOString().slice(0, 10)

export const daysBetween = (from: IsoDay, to: IsoDay): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)

/** 0 is Monday, 6 Sunday. */
export const weekdayOf = (day: IsoDay): number => (new Date(Date.parse(day)).getUTCDay() + 6) % 7
