import { Link } from 'react-router'
import type { State } from '#journal/state.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { shortDayText } from '#ui/dates.ts'
import { asTyped, THIN } from '#ui/format.ts'
import hand from '#ui/hand.module.css'
import css from './displays.module.css'
import { airName } from './air-names.ts'

/** What was checked so far; each stands among the entries, where it can be put right or taken back. */
export function Checks({ state }: { readonly state: State }) {
  const { nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  if (state.checks.length === 0) return null
  return (
    <details className={css.checks}>
      <summary className={hand.aside}>
        {state.checks.length === 1 ? 'One check' : `${state.checks.length} checks`} so far
      </summary>
      <ul>
        {state.checks.map(check => (
          <li key={check.id}>
            {shortDayText(check.atMs, nowMs, maker.zone)}, {airName(check.air)}:{' '}
            {check.shown
              .map(
                shown =>
                  `${state.instruments.get(shown.instrumentId)?.name ?? 'one that is gone'} ${asTyped(shown.relativeHumidityPercent)}${THIN}%`,
              )
              .join(', ')}
          </li>
        ))}
      </ul>
      <Link to={`${base}/entries`}>Put one right, by what was entered</Link>
    </details>
  )
}
