import { useQueries } from '@tanstack/react-query'
import { useMemo } from 'react'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { isWorthReading } from '#session/worth-reading.ts'
import type { RoundStep } from './round-steps.ts'
import hand from '#ui/hand.module.css'
import css from './round.module.css'

/** At the beginning: which boxes a reading tells anything of today; the others can wait. */
export function RoundChoice({
  steps,
  onOnly,
}: {
  readonly steps: readonly RoundStep[]
  readonly onOnly: (boxIds: readonly string[]) => void
}) {
  const journal = useJournal()
  const tools = useJournalTools()
  const boxes = useMemo(
    () =>
      steps.flatMap(step => {
        const known = step.in === 'box' ? knownBox(journal, step.id) : null
        return known ? [{ id: step.id, known }] : []
      }),
    [steps, journal],
  )
  const reports = useQueries({
    queries: boxes.map(({ id, known }) => reportQuery(tools, id, known.facts)),
  })
  // a box without beads has nothing to reckon, and is read like the others
  const isReckoned = reports.every(
    (one, i) => one.data || one.isError || !boxes[i]!.known.facts?.charges.length,
  )
  if (!isReckoned) return null
  const worth = boxes.filter(({ known }, i) => isWorthReading(known.view, reports[i]!.data, journal.nowMs))
  if (worth.length === boxes.length || boxes.length < 2) return null
  return (
    <p className={css.roundChoice} data-part="round-choice">
      {worth.length === 0 ? (
        'No box needs a reading today; whoever looks all the same, knows the more.'
      ) : (
        <>
          {worth.length} of {boxes.length} are worth a reading today.{' '}
          <button type="button" className={hand.worded} onClick={() => onOnly(worth.map(one => one.id))}>
            Only {worth.length === 1 ? 'that one' : 'those'}
          </button>
        </>
      )}
    </p>
  )
}
