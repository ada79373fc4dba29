import { Link } from 'react-router'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { clockText, dayText } from '#ui/dates.ts'
import css from './shell.module.css'
import hand from '#ui/hand.module.css'

/** What was written by a clock ahead of this one: either of the two may be wrong, and only the person knows which. */
export function ClockLine() {
  const { base, maker } = useJournalTools()
  const { ahead, nowMs } = useJournal()
  const { preferences, change } = usePreferences()
  if (!ahead || ahead.lastMs <= preferences.clockRightBeforeMs) return null
  const { zone } = maker
  return (
    <p className={css.standing} role="status" data-part="clock-line">
      {ahead.count === 1 ? 'One thing was' : `${ahead.count} things were`} written by a clock that was ahead
      of this one: it said {dayText(ahead.lastMs, nowMs, zone)}, {clockText(ahead.lastMs, zone)}; this device
      says {dayText(nowMs, nowMs, zone)}, {clockText(nowMs, zone)}. If this one is behind, set it before you
      enter anything.{' '}
      <button
        type="button"
        className={hand.worded}
        onClick={() => change({ clockRightBeforeMs: ahead.lastMs })}
      >
        This clock is right
      </button>
      <Link to={`${base}/entries`}>Look at the times</Link>
    </p>
  )
}
