import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator'

/** One box's date, as a day in the calendar. */
export interface CalendarDay {
  readonly boxId: string
  /** YYYY-MM-DD in the person's zone. */
  readonly day: string
  readonly summary: string
  readonly description: string
  /** How often this day was given out with another date before. */
  readonly sequence: number
}

/**
 * Renew-by dates as iCalendar (RFC 5545): whole days, the same UID for a box each time, so that a calendar moves the
 * day instead of adding another.
 */
export function writeCalendar(days: readonly CalendarDay[], stampMs: number): string {
  const calendar = ical({
    name: 'Veld: renew the beads',
    prodId: { company: 'veld', product: 'dry boxes', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const { boxId, day, summary, description, sequence } of days)
    calendar.createEvent({
      id: `renew-${boxId}@veld`,
      sequence,
      // at noon UTC the day is the same day in every zone that matters to an all-day entry
      start: new Date(`${day}T12:00:00Z`),
      allDay: true,
      stamp: new Date(stampMs),
      summary,
      description,
      transparency: ICalEventTransparency.TRANSPARENT,
    })
  return calendar.toString()
}
