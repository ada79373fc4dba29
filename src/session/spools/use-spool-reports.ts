import { useQueries } from '@tanstack/react-query'
import { useMemo } from 'react'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { useJournalTools } from '../journal-context.tsx'
import { useJournal } from '../journal-query.ts'
import type { JournalView } from '../journal-view.ts'
import { knownBox, type KnownBox } from '../known-box.ts'
import { reportQuery, spoolQuery } from '../reports.ts'
import { spoolAndRun } from './spool-and-run.ts'
import { boxesOfSpool } from './spool-asked.ts'

export interface KnownSpool {
  readonly spool: SpoolRecord
  /** undefined while it is reckoned; null where nothing can be: no filament, or a run that did not finish. */
  readonly report: SpoolReport | null | undefined
  readonly error: Error | null
}

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS

/** In the open it changes by the hour, elsewhere by the day. */
const stepMs = ({ where }: SpoolRecord): number =>
  where.at === 'open' || where.at === 'printer' ? HOUR_MS : DAY_MS

/** The time a spool is reckoned for: the hour or day begun, its box's time, or the last thing that happened to it since. */
function spoolTimeMs({ nowMs }: JournalView, spool: SpoolRecord, boxes: readonly KnownBox[]): number {
  const times = [
    Math.floor(nowMs / stepMs(spool)) * stepMs(spool),
    spool.madeMs,
    ...boxes.flatMap(({ facts }) => (facts ? [facts.nowS * 1000] : [])),
    ...[...spool.dryings, ...spool.amounts].map(one => one.atMs),
    ...spool.whereabouts.map(one => one.fromMs),
  ]
  return times.filter(ms => ms <= nowMs).reduce((last, ms) => Math.max(last, ms), 0)
}

/** Spools, each as its whole life left it; the boxes they have been in are reckoned first. */
export function useSpoolReports(spools: readonly SpoolRecord[]): KnownSpool[] {
  const journal = useJournal()
  const tools = useJournalTools()
  const boxIds = useMemo(
    () => [...new Set(spools.flatMap(spool => boxesOfSpool(spool, journal.nowMs)))],
    [spools, journal],
  )
  const boxes = boxIds.flatMap(id => knownBox(journal, id) ?? [])
  const reports = useQueries({
    queries: boxes.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const isDone = new Map(boxes.map(({ view }, i) => [view.box.boxId, !reports[i]!.isLoading]))
  const pastOf = new Map(boxes.map(({ view }, i) => [view.box.boxId, reports[i]!.data?.past]))
  const stamp = reports.map(one => one.dataUpdatedAt).join()
  const asked = useMemo(
    () =>
      spools.map(spool => {
        const of = boxesOfSpool(spool, journal.nowMs)
        const itsBoxes = boxes.filter(({ view }) => of.includes(view.box.boxId))
        return spoolAndRun(journal.state, spool, spoolTimeMs(journal, spool, itsBoxes), id => pastOf.get(id))
      }),
    // boxes and their reports are lists anew at every drawing; what is in them changes with these
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [spools, journal, stamp],
  )
  const found = useQueries({
    queries: spools.map((spool, i) =>
      spoolQuery(
        tools,
        spool.spoolId,
        asked[i]!,
        boxesOfSpool(spool, journal.nowMs).every(id => isDone.get(id) ?? true),
      ),
    ),
  })
  return spools.map((spool, i) => ({
    spool,
    report: asked[i] === null ? null : found[i]!.data,
    error: found[i]!.error,
  }))
}
