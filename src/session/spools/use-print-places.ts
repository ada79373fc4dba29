import { useQueries } from '@tanstack/react-query'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { useJournalTools } from '../journal-context.tsx'
import { useJournal } from '../journal-query.ts'
import { knownBox } from '../known-box.ts'
import { reportQuery } from '../reports.ts'
import { printPlaces, type PrintPlace } from './print-places.ts'

/** Where a spool may wait or print from, each box as it was last reckoned. */
export function usePrintPlaces(spool: SpoolRecord, report: SpoolReport): PrintPlace[] {
  const journal = useJournal()
  const tools = useJournalTools()
  const boxes = inShelfOrder(journal.state).flatMap(box => knownBox(journal, box.boxId) ?? [])
  const reports = useQueries({
    queries: boxes.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const reportOf = new Map(boxes.map(({ view }, i) => [view.box.boxId, reports[i]!.data]))
  return printPlaces(journal.state, spool, report, journal.nowMs, id => reportOf.get(id))
}
