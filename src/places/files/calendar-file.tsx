import { useQueries } from '@tanstack/react-query'
import type { Keeping } from '#store/keeping.ts'
import { isoDay } from '#ui/dates.ts'
import { writeCalendar } from '#formats/calendar/write-calendar.ts'
import { judge } from '#session/judgement.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { HandOver } from '#ui/hand-over-button.tsx'
import { givenNow, renewDays } from './renew-days.ts'
import css from './files.module.css'

/** Renew-by days for one's calendar: brought in again, they move instead of doubling. */
export function CalendarFile({
  keeping,
  change,
}: {
  readonly keeping: Keeping | undefined
  readonly change: (part: Partial<Keeping>) => void
}) {
  const journal = useJournal()
  const tools = useJournalTools()
  const { maker } = tools
  const boxes = inShelfOrder(journal.state).flatMap(box => {
    const known = knownBox(journal, box.boxId)
    return known ? [known] : []
  })
  const reports = useQueries({
    queries: boxes.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const done = reports.filter(report => !report.isLoading).length
  const days = renewDays(
    boxes.map(({ view }, i) => ({
      boxId: view.box.boxId,
      name: view.box.name,
      judgement: judge(view, reports[i]!.data, journal.nowMs),
      report: reports[i]!.data,
    })),
    keeping?.calendar ?? {},
    journal.nowMs,
    maker.zone,
  )
  return (
    <p className={css.fileRow}>
      <span>
        {done < boxes.length
          ? `Renew-by days for a calendar: reckoning, ${done} of ${boxes.length} boxes done`
          : `${days.length} renew-by day${days.length === 1 ? '' : 's'} for a calendar (iCalendar)`}
      </span>
      {done === boxes.length && days.length > 0 && (
        <HandOver
          label="Save the days"
          make={() =>
            Promise.resolve(
              new File(
                [writeCalendar(days, maker.nowMs())],
                `veld-renew-${isoDay(maker.nowMs(), maker.zone)}.ics`,
                { type: 'text/calendar' },
              ),
            )
          }
          onDone={() => change({ calendar: { ...keeping?.calendar, ...givenNow(days) } })}
        />
      )}
    </p>
  )
}
