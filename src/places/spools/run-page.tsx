import { TextInput } from '@mantine/core'
import { useQueries, useQuery } from '@tanstack/react-query'
import { useElementSize } from '@mantine/hooks'
import { lazy, Suspense, useMemo, useState } from 'react'
import { Link } from 'react-router'
import * as v from 'valibot'
import { spoolWord } from '#core/verdict/spool.ts'
import type { DryingRun } from '#core/spool/drying-run.ts'
import type { Draft } from '#records/act.ts'
import { finite } from '#records/fields.ts'
import type { DryingRunRecord, SpoolRecord } from '#journal/state.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { useWriteAct } from '#session/writing.ts'
import { afterRunMs, lastRun, runAsked } from '#session/spools/run-asked.ts'
import { runQuery } from '#session/spools/spool-queries.ts'
import { boxesOfSpool } from '#session/spools/spool-asked.ts'
import { clockText, shortDayText } from '#ui/dates.ts'
import { inHundredths, inTenths, THIN } from '#ui/format.ts'
import { Refused } from '#ui/refused.tsx'
import { useAwake } from '#ui/use-awake.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useNow } from '#ui/use-now.ts'
import { secondsFromMs } from '#units/time.ts'
import { NoSuchSpool } from './no-such-spool.tsx'
import hand from '#ui/hand.module.css'
import css from './run.module.css'

const RunChart = lazy(() => import('./run-chart.tsx'))
const LOOK_MS = 30_000
const HOUR_MS = 3_600_000
const CHART_PX = 210

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
  const isOn = run.heats.at(-1)!.temperatureC !== null
  const done = (what: string, draft: Draft) =>
    write.mutate({
      what: `${spool.name}: ${what}`,
      drafts: [{ ...draft, atMs: afterRunMs(run, maker.nowMs()) }],
    })
  const { runId } = run
  const lastC = run.heats.findLast(one => one.temperatureC !== null)?.temperatureC ?? run.temperatureC
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
          <div className={css.foot}>
            <button
              type="button"
              className={hand.worded}
              disabled={write.isPending}
              onClick={() =>
                done(isOn ? 'went off' : 'on again', {
                  kind: 'drying.heat',
                  payload: { runId, temperatureC: isOn ? null : lastC },
                })
              }
            >
              {isOn ? 'It went off' : 'It is on again'}
            </button>
            <button
              type="button"
              className={hand.filled}
              disabled={write.isPending}
              onClick={() => done('taken out', { kind: 'drying.ended', payload: { runId } })}
            >
              Take it out
            </button>
          </div>
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

function Weighing({
  lastG,
  isBusy,
  write,
}: {
  readonly lastG: number | null
  readonly isBusy: boolean
  readonly write: (grossG: number) => void
}) {
  const { weight, water } = useMeasures()
  const [typed, setTyped] = useState('')
  const [error, setError] = useState<string | null>(null)
  const submit = () => {
    const grossG = weight.parse(typed)
    if (!v.is(finite(1, 15_000), grossG))
      return setError('On the scale is a weight: put spool and all on it and type what it shows.')
    if (lastG !== null && Math.abs(grossG - lastG) > MOST_APART_SHARE * lastG)
      return setError(`It was ${water.text(lastG)} before: weigh again, as it was weighed then.`)
    setTyped('')
    setError(null)
    write(grossG)
  }
  return (
    <form
      className={css.weighing}
      noValidate
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <TextInput
        label={`Spool and all, ${weight.unit}`}
        description="Out, on the scale, and back within a minute: the same scale each time."
        inputMode="decimal"
        autoComplete="off"
        value={typed}
        error={error}
        onChange={event => setTyped(event.currentTarget.value)}
      />
      <button type="submit" className={hand.filled} disabled={isBusy}>
        Write it down
      </button>
    </form>
  )
}
/** Nothing dries by so much of its weight between two looks. */
const MOST_APART_SHARE = 0.2

function Followed({
  spool,
  run,
  found,
  nowMs,
}: {
  readonly spool: SpoolRecord
  readonly run: DryingRunRecord
  readonly found: DryingRun
  readonly nowMs: number
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const { dark } = usePreferences()
  const { weight } = useMeasures()
  const { ref, width } = useElementSize()
  const material = state.materials[spool.material]
  const nowS = secondsFromMs(nowMs)
  const at = Math.max(
    0,
    found.atS.findLastIndex(s => s <= nowS),
  )
  const hourOn = found.atS.findIndex(s => s >= nowS + secondsFromMs(HOUR_MS))
  const out = found.outG[at]!
  const perHour = hourOn < 0 ? null : found.outG[hourOn]!.middle - out.middle
  const next = found.next[at]!
  const mean = found.mean[at]!
  const { doneHours } = found
  const doneMs = (hours: number) => run.begunMs + hours * HOUR_MS
  const isDone = doneHours !== null && doneMs(doneHours.middle) <= nowMs
  const when = (hours: number) => {
    const ms = doneMs(hours)
    return ms - nowMs > 20 * HOUR_MS
      ? `${shortDayText(ms, nowMs, maker.zone)} ${clockText(ms, maker.zone)}`
      : clockText(ms, maker.zone)
  }
  const isOff = run.endedMs === null && run.heats.at(-1)!.temperatureC === null
  const nextWord = spoolWord(material, next.middle)
  const meanWord = spoolWord(material, mean.middle)
  const data = useMemo(
    () => ({
      found,
      weights: run.weights.map(one => [one.atMs, run.weights[0]!.grossG - one.grossG] as const),
      nowMs,
      zone: maker.zone,
    }),
    [found, run.weights, nowMs, maker.zone],
  )
  return (
    <>
      <h1 className={hand.answer} aria-live="polite">
        {isOff
          ? 'It is off: nothing comes out.'
          : isDone
            ? `Done: its next ${weight.text(run.nextG)} may print.`
            : doneHours === null
              ? 'Still falling; not done within a day.'
              : `Still falling: done about ${when(doneHours.middle)}.`}
      </h1>
      <p className={hand.behind} data-part="run-facts">
        {!isDone && doneHours !== null && (
          <span className={hand.pencil}>
            {when(doneHours.low)}–{when(doneHours.high)}, when its next {weight.text(run.nextG)} are
            usable.{' '}
          </span>
        )}
        {perHour !== null &&
          run.endedMs === null &&
          `${inHundredths(Math.max(0, perHour))}${THIN}g an hour. `}
        {run.weights.length < 2 && 'Weigh it after an hour: the scale tells how this spool dries.'}
      </p>
      <p data-part="run-facts">
        <strong>
          Water out {inTenths(out.middle)}
          {THIN}g
        </strong>{' '}
        of about {inTenths(found.endOutG.middle)}{' '}
        <span className={hand.pencil}>
          ({inTenths(found.endOutG.low)}–{inTenths(found.endOutG.high)})
        </span>
      </p>
      <div ref={ref} className={css.chart}>
        {width > 0 && (
          <Suspense fallback={<p className={hand.aside}>Drawing …</p>}>
            <RunChart key={String(dark)} data={data} width={width} height={CHART_PX} />
          </Suspense>
        )}
      </div>
      <p data-part="run-facts">
        Turns printed next{' '}
        <strong>
          {inHundredths(next.middle)}
          {THIN}%
        </strong>
        , {nextWord}; the whole spool{' '}
        <strong>
          {inHundredths(mean.middle)}
          {THIN}%
        </strong>
        , {meanWord}.
      </p>
    </>
  )
}
