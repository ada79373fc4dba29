import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventStatus } from 'ical-generator'

/** A day at the oven in a calendar. */
export interface OvenCalendarDay {
  /** Stays with the day while it is moved or changed. */
  readonly uid: string
  /** YYYY-MM-DD in the person's zone. */
  readonly day: string
  /** Minutes after midnight, by the clock on the wall, and how long it takes. */
  readonly beginsMin: number
  readonly minutes: number
  readonly summary: string
  readonly description: string
  readonly sequence: number
  readonly isCancelled: boolean
}

/** It is told of so long before it begins: the evening before. */
const ALARM_S = 15 * 3600
const MINUTE_MS = 60_000

/**
 * Days at the oven as iCalendar (RFC 5545): by the clock on the wall, in whatever zone one is; each with an alarm the evening
 * before, the same UID each time, its sequence raised where it changed, cancelled where it is planned no more.
 */
export function writeOvenDays(days: readonly OvenCalendarDay[], stampMs: number): string {
  const calendar = ical({
    name: 'Veld: days at the oven',
    prodId: { company: 'veld', product: 'dry boxes', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const { uid, day, beginsMin, minutes, summary, description, sequence, isCancelled } of days) {
    const startMs = Date.parse(`${day}T00:00:00Z`) + beginsMin * MINUTE_MS
    const event = calendar.createEvent({
      id: `${uid}@veld`,
      sequence,
      start: new Date(startMs),
      end: new Date(startMs + Math.max(1, minutes) * MINUTE_MS),
      // a time without a zone: ten o'clock is ten o'clock wherever one is
      floating: true,
      timezone: null,
      stamp: new Date(stampMs),
      summary,
      description,
      status: isCancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    })
    if (!isCancelled)
      event.createAlarm({ type: ICalAlarmType.display, triggerBefore: ALARM_S, description: summary })
  }
  return calendar.toString()
}
