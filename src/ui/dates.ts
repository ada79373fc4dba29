const DAY_MS = 86_400_000

type Parts = 'day' | 'short' | 'month' | 'full' | 'clock'
const OPTIONS: Record<Parts, Intl.DateTimeFormatOptions> = {
  day: { weekday: 'short', day: 'numeric', month: 'short' },
  short: { day: 'numeric', month: 'short' },
  month: { month: 'short' },
  full: { year: 'numeric', month: '2-digit', day: '2-digit' },
  clock: { hour: '2-digit', minute: '2-digit', hour12: false },
}
const formats = new Map<string, Intl.DateTimeFormat>()
function format(ms: number, zone: string, parts: Parts): string {
  const key = `${zone}|${parts}`
  let formatter = formats.get(key)
  if (!formatter)
    formats.set(key, (formatter = new Intl.DateTimeFormat('en-GB', { ...OPTIONS[parts], timeZone: zone })))
  return formatter.format(ms)
}

/** Calendar day in a zone as YYYY-MM-DD. */
export function isoDay(ms: number, zone: string): string {
  const [day, month, year] = format(ms, zone, 'full').split('/')
  return `${year}-${month}-${day}`
}

/** The day of an instant in a zone, and when it began there. */
export function dayOf(ms: number, zone: string): { readonly iso: string; readonly beganMs: number } {
  const [hours, minutes] = format(ms, zone, 'clock').split(':').map(Number)
  const minuteMs = Math.floor(ms / 60_000) * 60_000
  return { iso: isoDay(ms, zone), beganMs: minuteMs - ((hours! % 24) * 60 + minutes!) * 60_000 }
}

const yearOf = (ms: number, zone: string): string => isoDay(ms, zone).slice(0, 4)

/** "Sat 6 Dec"; with the year where it is not this one. */
export const dayText = (ms: number, nowMs: number, zone: string): string =>
  format(ms, zone, 'day').replace(',', '').replace('Sept', 'Sep') +
  (yearOf(ms, zone) === yearOf(nowMs, zone) ? '' : ` ${yearOf(ms, zone)}`)

/** "6 Dec"; with the year where it is not this one. */
export const shortDayText = (ms: number, nowMs: number, zone: string): string =>
  format(ms, zone, 'short').replace('Sept', 'Sep') +
  (yearOf(ms, zone) === yearOf(nowMs, zone) ? '' : ` ${yearOf(ms, zone)}`)

/** "6 Dec", where the year goes without saying. */
export const dayMonthText = (ms: number, zone: string): string => shortDayText(ms, ms, zone)

export const monthText = (ms: number, zone: string): string =>
  format(ms, zone, 'month').replace('Sept', 'Sep')
export const clockText = (ms: number, zone: string): string => format(ms, zone, 'clock')

/** Whole calendar days from one instant to another, as a person at a wall calendar counts them. */
export const calendarDays = (fromMs: number, toMs: number, zone: string): number =>
  Math.round((Date.parse(isoDay(toMs, zone)) - Date.parse(isoDay(fromMs, zone))) / DAY_MS)

/** "today", "yesterday", "9 days ago". */
export function agoText(ms: number, nowMs: number, zone: string): string {
  const days = calendarDays(ms, nowMs, zone)
  return days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`
}

/** When to look again: "tonight at 18:00", "tomorrow at 09:10", "Sat 6 Dec". */
export function againText(ms: number, nowMs: number, zone: string): string {
  const days = calendarDays(nowMs, ms, zone)
  if (days <= 0) return `today at ${clockText(ms, zone)}`
  return days === 1 ? `tomorrow at ${clockText(ms, zone)}` : dayText(ms, nowMs, zone)
}

/** First instants (UTC) of the months that begin within a span. */
export function monthStarts(fromMs: number, toMs: number): number[] {
  const start = new Date(fromMs)
  const list: number[] = []
  for (let month = start.getUTCMonth() + 1; ; month++) {
    const ms = Date.UTC(start.getUTCFullYear(), month, 1)
    if (ms > toMs) return list
    list.push(ms)
  }
}

/** A length of time in the largest unit that still tells: "3 days", "7 weeks", "5 months". */
export function lengthText(ms: number): string {
  const days = ms / DAY_MS
  const plural = (n: number, unit: string) => `${n} ${unit}${n === 1 ? '' : 's'}`
  if (days < 14) return plural(Math.max(0, Math.round(days)), 'day')
  if (days < 100) return plural(Math.round(days / 7), 'week')
  return days < 395 ? plural(Math.round(days / 30.44), 'month') : 'over a year'
}
