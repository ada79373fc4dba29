import { Link } from 'react-router'
import { instrumentsOf } from '#journal/instruments.ts'
import type { InstrumentRecord } from '#journal/state.ts'
import { displayErrorAt } from '#journal/true-readings.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './displays.module.css'
import { CheckForm } from './check-sheet.tsx'
import { Checks } from './checks-so-far.tsx'
import { Displays } from './display-table.tsx'
import { Rail } from './rail.tsx'

/** How far off is each display, and how is that found out? */
export default function DisplaysPlace() {
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const displays = instrumentsOf(state)
  const errorAt = displayErrorAt(state)
  const unchecked = displays.filter(one => errorAt(one.instrumentId, nowMs) === null)
  return (
    <main className={hand.page} data-place="displays">
      <p className={hand.where}>
        <Link to={`${base}/kit`}>Kit</Link>
      </p>
      <h1 className={hand.answer}>{answerOf(displays, unchecked)}</h1>
      <p className={hand.behind}>
        {displays.length === 0 ? (
          <>
            Say in <Link to={`${base}/kit`}>Kit</Link> that you have one: “round display, carried round”.
          </>
        ) : (
          'A check counts for what was read before it as for what comes; what the display showed is kept, and undo takes the check back.'
        )}
      </p>
      {displays.length > 0 && (
        <>
          <button
            type="button"
            className={`${hand.worded} ${css.toForm}`}
            onClick={() => document.getElementById('a-check')?.scrollIntoView()}
          >
            Enter a check
          </button>
          <div className={ruled.two}>
            <section aria-labelledby="how-far">
              <h2 id="how-far">How far off</h2>
              <Rail displays={displays} />
              <Displays displays={displays} />
              <Checks state={state} />
            </section>
            <CheckForm key={state.checks.length} displays={displays} />
          </div>
        </>
      )}
    </main>
  )
}

function answerOf(displays: readonly InstrumentRecord[], unchecked: readonly InstrumentRecord[]): string {
  const [first] = unchecked
  if (displays.length === 0) return 'No display is here'
  if (!first) return displays.length === 1 ? 'Your display was checked' : 'Every display was checked'
  if (unchecked.length === displays.length)
    return displays.length === 1 ? 'Your display was never checked' : 'No display was ever checked'
  return unchecked.length === 1
    ? `${first.name} was never checked`
    : `${COUNTS[unchecked.length] ?? unchecked.length} of ${COUNTS[displays.length]?.toLowerCase() ?? displays.length} displays were never checked`
}
const COUNTS = ['', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten']
