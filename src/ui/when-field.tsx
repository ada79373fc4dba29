import { DateTimePicker, DatesProvider } from '@mantine/dates'
import '@mantine/dates/styles.css'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { fromWallClock, wallClock } from './wall-clock.ts'
import css from './when-field.module.css'

/** A moment, on the same clock as every list; the calendar begins its weeks where the person's do. */
export function WhenField({
  value: atMs,
  onChange,
  label = 'When',
  error,
  latestMs,
}: {
  readonly value: number
  readonly onChange: (atMs: number) => void
  readonly label?: string
  readonly error?: React.ReactNode
  readonly latestMs: number
}) {
  const { zone } = useJournalTools().maker
  const { firstWeekday } = usePreferences().preferences
  return (
    <DatesProvider settings={{ firstDayOfWeek: firstWeekday, locale: 'en' }}>
      <DateTimePicker
        label={label}
        value={Number.isFinite(atMs) ? wallClock(atMs, zone) : null}
        onChange={value => onChange(value === null ? Number.NaN : fromWallClock(value, zone))}
        valueFormat="D MMM YYYY, HH:mm"
        maxDate={wallClock(latestMs, zone)}
        highlightToday
        error={error}
        classNames={{
          day: css.day,
          calendarHeaderLevel: css.level,
          calendarHeaderControl: css.level,
          monthsListControl: css.month,
          yearsListControl: css.month,
        }}
        timePickerProps={{ classNames: { input: css.time } }}
        popoverProps={{ withinPortal: true, classNames: { dropdown: css.calendar } }}
      />
    </DatesProvider>
  )
}

/** What is wrong with a time; null where nothing is. */
export function timeError(atMs: number, nowMs: number, sinceMs = 0): string | null {
  if (!Number.isFinite(atMs)) return 'The time is not complete: pick day, hour and minute.'
  if (atMs > nowMs + 60_000) return 'This time lies ahead: take the time it happened, now or earlier.'
  return atMs < sinceMs ? 'That is before it was set up here: pick a later time.' : null
}
