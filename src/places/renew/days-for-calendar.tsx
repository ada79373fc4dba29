import { writeOvenDays } from '#formats/calendar/write-oven-days.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useKeeping } from '#session/keeping.ts'
import { givenEvents, ovenEvents } from '#session/oven-plan/calendar-days.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { HandOver } from '#ui/hand-over-button.tsx'
import { minutesText } from '#ui/heat-text.ts'
import { BEGINS_MIN } from './day-line.tsx'
import { listed } from '#ui/plan-words.ts'

/** All planned days for one's calendar: brought in again, they move instead of doubling. */
export function DaysForCalendar({
  question,
  sheets,
}: {
  readonly question: PlanQuestion
  readonly sheets: readonly DaySheet[]
}) {
  const { maker } = useJournalTools()
  const [keeping, change] = useKeeping()
  const nameOf = (id: string) => question.boxes.find(box => box.boxId === id)?.name ?? 'a box'
  const events = ovenEvents(
    sheets.map(sheet => ({
      day: sheet.iso,
      boxIds: sheet.boxIds,
      beginsMin: BEGINS_MIN,
      minutes: Math.round(sheet.time.minutes / 5) * 5,
      summary: `Heat beads: ${listed(sheet.boxIds.map(nameOf))}`,
      description: `${minutesText(sheet.time.presentMinutes)} there. ${
        sheet.batches.length === 0
          ? 'Spares go in; nothing is heated.'
          : `${question.choice.name}, ${sheet.batches.length} ${sheet.batches.length === 1 ? 'batch' : 'batches'}.`
      }`,
    })),
    keeping?.ovenDays ?? {},
    question.today,
  )
  return (
    <HandOver
      label="All days for a calendar"
      make={() =>
        Promise.resolve(
          new File([writeOvenDays(events, maker.nowMs())], `veld-oven-${question.today}.ics`, {
            type: 'text/calendar',
          }),
        )
      }
      onDone={() => change({ ovenDays: givenEvents(events, keeping?.ovenDays ?? {}) })}
    />
  )
}
