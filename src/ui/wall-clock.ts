import dayjs from 'dayjs'
import timezone from 'dayjs/plugin/timezone.js'
import utc from 'dayjs/plugin/utc.js'

dayjs.extend(utc)
dayjs.extend(timezone)

/** The moment on the clock of a zone, as a picker speaks it: "2025-11-08 10:00:00". */
export const wallClock = (ms: number, zone: string): string =>
  dayjs(ms).tz(zone).format('YYYY-MM-DD HH:mm:ss')

/** The moment a zone's clock shows this; NaN where it is no time. An hour a clock skips is taken an hour later. */
export function fromWallClock(text: string, zone: string): number {
  const plain = Date.parse(`${text.replace(' ', 'T')}Z`)
  if (Number.isNaN(plain)) return Number.NaN
  return dayjs.tz(text, zone).valueOf()
}
