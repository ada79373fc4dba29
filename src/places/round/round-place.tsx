import { useElementSize } from '@mantine/hooks'
import { useMemo, useState } from 'react'
import { Link, Navigate, useNavigate, useSearchParams } from 'react-router'
import { boxView } from '#journal/box-view.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { useReport } from '#session/reports.ts'
import { RoundChoice } from './round-choice.tsx'
import { RoundEnd } from './round-end.tsx'
import { RoundProgress } from './round-progress.tsx'
import { resumeAt, roundSteps, takenAt, type RoundStep } from './round-steps.ts'
import { RoundStop } from './round-stop.tsx'
import hand from '#ui/hand.module.css'
import css from './round.module.css'

/** Walking the shelf: the room first, then box after box. What is done so far is in the journal, not on the page. */
export default function RoundPlace() {
  const { base, maker } = useJournalTools()
  const [search] = useSearchParams()
  const from = Number(search.get('from'))
  const only = search.get('only')
  const [startMs] = useState(() => maker.nowMs())
  // the time it began stands in the address: a page that dies goes on where it was
  if (!Number.isFinite(from) || from <= 0) return <Navigate to={`${base}/round?from=${startMs}`} replace />
  return <Round sinceMs={from} only={only} key={`${from} ${only}`} />
}

/** The next box is reckoned while this one is read: what its display should show is there on arriving. */
function useReportAhead(next: RoundStep | null): void {
  const journal = useJournal()
  const id = next?.in === 'box' ? next.id : ''
  useReport(id, id === '' ? null : (knownBox(journal, id)?.facts ?? null))
}

function Round({ sinceMs, only }: { readonly sinceMs: number; readonly only: string | null }) {
  const journal = useJournal()
  const { base } = useJournalTools()
  const navigate = useNavigate()
  const { ref, width } = useElementSize()
  const { state, nowMs } = journal
  const steps = useMemo(() => roundSteps(state, only?.split(',')), [state, only])
  const [index, setIndex] = useState(() => resumeAt(state, steps, sinceMs))
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set())
  const leave = () => void navigate(`${base}/`)
  const step = steps[index]
  useReportAhead(steps[index + 1] ?? null)
  if (steps.length === 0) return <Navigate to={`${base}/start`} replace />
  const boxes = steps.flatMap(item => {
    if (item.in !== 'box') return []
    const view = boxView(state, item.id, nowMs)
    if (!view) return []
    const taken = takenAt(state, item, sinceMs)
    const word = taken ? (view.readings.find(reading => reading.id === taken.id)?.word ?? null) : null
    return [
      {
        view,
        word,
        state: item === step ? ('here' as const) : taken ? ('done' as const) : ('to come' as const),
      },
    ]
  })
  const go = (id: string) => {
    const to = steps.findIndex(item => item.in === 'box' && item.id === id)
    if (to >= 0) setIndex(to)
  }
  return (
    <main className={`${hand.page} ${css.round}`} data-place="round">
      <div className={css.roundHead}>
        <h2 className={css.roundTitle}>Walking the shelf</h2>
        <span className={css.roundCount}>
          {step
            ? `${index + 1} of ${steps.length}`
            : `${steps.length - skipped.size} of ${steps.length} read`}
        </span>
        <Link to={`${base}/`} className={hand.worded}>
          {step ? 'Leave' : 'To the shelf'}
        </Link>
      </div>
      <div ref={ref} className={css.roundShelf}>
        {only === null && index === 0 && step && takenAt(state, step, sinceMs) === null && (
          <RoundChoice
            steps={steps}
            onOnly={ids => void navigate(`${base}/round?from=${sinceMs}&only=${ids.join(',')}`)}
          />
        )}
        {width > 0 && <RoundProgress boxes={boxes} width={width} onGo={go} />}
      </div>
      {step ? (
        <RoundStop
          key={`${step.in}:${step.id}`}
          step={step}
          sinceMs={sinceMs}
          next={steps[index + 1] ?? null}
          onKept={() => setIndex(index + 1)}
          onSkip={() => {
            setSkipped(new Set([...skipped, step.id]))
            setIndex(index + 1)
          }}
          onBack={index > 0 ? () => setIndex(index - 1) : null}
          onLeave={leave}
        />
      ) : (
        <RoundEnd steps={steps} sinceMs={sinceMs} onBack={() => setIndex(steps.length - 1)} />
      )}
    </main>
  )
}
