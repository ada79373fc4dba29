import { useQueries } from '@tanstack/react-query'
import { Link } from 'react-router'
import { StateMark, markColour } from '#draw/state-mark.tsx'
import { THIN, readText } from '#ui/format.ts'
import { AnswerLine } from '#ui/answer-line.tsx'
import { judge } from '#session/judgement.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { takenAt, type RoundStep } from './round-steps.ts'
import css from './round.module.css'
import hand from '#ui/hand.module.css'

/** What the round found: every box taken, with its word and its date. */
export function RoundEnd({
  steps,
  sinceMs,
  onBack,
}: {
  readonly steps: readonly RoundStep[]
  readonly sinceMs: number
  readonly onBack: () => void
}) {
  const journal = useJournal()
  const tools = useJournalTools()
  const { nowMs } = journal
  const boxes = steps.flatMap(step => {
    if (step.in !== 'box') return []
    const known = knownBox(journal, step.id)
    return known ? [{ step, known, taken: takenAt(journal.state, step, sinceMs) }] : []
  })
  const reports = useQueries({
    queries: boxes.map(({ step, known }) => reportQuery(tools, step.id, known.facts)),
  })
  const count = boxes.filter(({ taken }) => taken).length
  return (
    <section className={css.roundEnd} data-part="round-end">
      <h1 className={hand.answer} aria-live="polite">
        {count === 0
          ? 'No box was read.'
          : `${count === boxes.length ? 'Every box is read' : `${count} of ${boxes.length} boxes are read`}.`}
      </h1>
      <ul className={css.roundList}>
        {boxes.map(({ step, known: { view }, taken }, i) => {
          const reading = taken && view.readings.find(item => item.id === taken.id)
          const word = reading?.word ?? null
          const report = reports[i]!.data
          return (
            <li key={step.id}>
              <Link to={`${tools.base}/box/${step.id}`} className={css.roundListName}>
                {view.box.name}
              </Link>
              {taken ? (
                <>
                  <span>
                    {word && <StateMark word={word} />} {readText(taken)}
                    {THIN}% {word && <span style={{ color: markColour(word) }}>{word}</span>}
                  </span>
                  <span>
                    <AnswerLine
                      view={view}
                      report={report}
                      judgement={judge(view, report, nowMs)}
                      nowMs={nowMs}
                      zone={tools.maker.zone}
                    />
                  </span>
                </>
              ) : (
                <span className={hand.aside}>skipped</span>
              )}
            </li>
          )
        })}
      </ul>
      <div className={css.roundFoot}>
        <button type="button" className={hand.worded} onClick={onBack}>
          Back to the last box
        </button>
        <Link to={`${tools.base}/`} className={`${hand.filled} ${css.filledLink}`} data-part="filled-link">
          To the shelf
        </Link>
      </div>
    </section>
  )
}
