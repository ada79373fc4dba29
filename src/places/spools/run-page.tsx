import { useQueries, useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import type { Draft } from '#records/act.ts'
import type { DryingRunRecord, SpoolRecord } from '#journal/state.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { useWriteAct } from '#session/writing.ts'
import { lastRun } from '#journal/spool-runs.ts'
import { afterRunMs, runAsked } from '#session/spools/run-asked.ts'
import { runQuery } from '#session/spools/spool-queries.ts'
import { boxesOfSpool } from '#session/spools/spool-asked.ts'
import { clockText, shortDayText } from '#ui/dates.ts'
import { Refused } from '#ui/refused.tsx'
import { useAwake } from '#ui/use-awake.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useNow } from '#ui/use-now.ts'
import { RunActs } from './run-acts.tsx'
import { Followed } from './run-followed.tsx'
import { Weighing } from './run-weighing.tsx'
import { NoSuchSpool } from './no-such-spool.tsx'
import hand from '#ui/hand.module.css'
import css from './run.module.css'

const LOOK_MS = 30_000

/** A spool in the dryer: still falling, or done? Followed by the scale, kept as it is done. */
export function RunPage({ spoolId }: { readonly spoolId: string }) {
  const { state } = useJournal()
  const { base } = useJournalTools()
  const spool = state.spools.get(spoolId)
  if (!spool) return <NoSuchSpool />
  const run = lastRun(state, spoolId)
  if (!run)
    return (
      <main className={hand.page} data-place="run">
        <h1 className={hand.answer}>{spool.name} is in no dryer.</h1>
        <Link to={`${base}/spools/${spoolId}/dry`}>Can a dryer do it?</Link>
      </main>
    )
  return <Run spool={spool} run={run} key={run.runId} />
}

function Run({ spool, run }: { readonly spool: SpoolRecord; readonly run: DryingRunRecord }) {
  const journal = useJournal()
  const { state } = journal
  const tools = useJournalTools()
  const { maker, base } = tools
  const { water } = useMeasures()
  const write = useWriteAct()
  const nowMs = useNow(LOOK_MS)
  useAwake()
  const boxes = boxesOfSpool(spool, run.begunMs).flatMap(id => knownBox(journal, id) ?? [])
  const reports = useQueries({
    queries: boxes.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const isReady = reports.every(one => !one.isLoading)
  const pastOf = new Map(boxes.map(({ view }, i) => [view.box.boxId, reports[i]!.data?.past]))
  const asked = isReady ? runAsked(state, spool, run, id => pastOf.get(id), run.endedMs ?? nowMs) : null
  const found = useQuery(runQuery(tools, asked))
  const done = (what: string, draft: Draft) =>
    write.mutate({
      what: `${spool.name}: ${what}`,
      drafts: [{ ...draft, atMs: afterRunMs(run, maker.nowMs()) }],
    })
  const { runId } = run
  return (
    <main
      className={`${hand.page} ${css.run}`}
      data-place="run"
      data-acts={run.actIds.length}
      data-looking={found.isFetching || !isReady || undefined}
    >
      <p className={hand.where}>
        <Link to={`${base}/spools/${spool.spoolId}`}>{spool.name}</Link>, drying since{' '}
        {shortDayText(run.begunMs, nowMs, maker.zone)} {clockText(run.begunMs, maker.zone)}
      </p>
      {found.data ? (
        <Followed spool={spool} run={run} found={found.data} nowMs={run.endedMs ?? nowMs} />
      ) : (
        <h1 className={hand.answer}>
          {found.isError || found.data === null ? 'It could not be reckoned.' : 'Reckoning …'}
        </h1>
      )}
      {run.endedMs === null ? (
        <>
          <Weighing
            lastG={run.weights.at(-1)?.grossG ?? null}
            isBusy={write.isPending}
            write={grossG =>
              done(`weighed ${water.text(grossG)}`, { kind: 'drying.weighed', payload: { runId, grossG } })
            }
          />
          {write.error && <Refused error={write.error} remedy="press it again" />}
          <RunActs run={run} isBusy={write.isPending} done={done} />
        </>
      ) : (
        <p>
          Taken out {shortDayText(run.endedMs, nowMs, maker.zone)} {clockText(run.endedMs, maker.zone)}.{' '}
          <Link to={`${base}/spools/${spool.spoolId}`}>How it stands now</Link>
        </p>
      )}
    </main>
  )
}
