import { DateTimePicker, DatesProvider } from '@mantine/dates'
import '@mantine/dates/styles.css'
import { usePreferences } from '#session/journal-context.tsx'
import css from './when-field.module.css'

/** A moment, on the clock of this device; the calendar begins its weeks where the person's do. */
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
  const { firstWeekday } = usePreferences().preferences
  return (
    <DatesProvider settings={{ firstDayOfWeek: firstWeekday, locale: 'en' }}>
      <DateTimePicker
        label={label}
        value={Number.isFinite(atMs) ? wallClock(atMs) : null}
        onChange={value => onChange(value === null ? Number.NaN : Date.parse(value.replace(' ', 'T')))}
        valueFormat="D MMM YYYY, HH:mm"
        maxDate={wallClock(latestMs)}
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

/** The picker speaks the wall clock, without a zone: "2025-11-08 10:00:00". */
function wallClock(ms: number): string {
  const date = new Date(ms)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())} ${two(date.getHours())}:${two(date.getMinutes())}:${two(date.getSeconds())}`
}

/** What is wrong with a time; null where nothing is. */
export function timeError(atMs: number, nowMs: number, sinceMs = 0): string | null {
  if (!Number.isFinite(atMs)) return 'The time is not complete: pick day, hour and minute.'
  if (atMs > nowMs + 60_000) return 'This time lies ahead: take the time it happened, now or earlier.'
  return atMs < sinceMs ? 'That is before it was set up here: pick a later time.' : null
}
