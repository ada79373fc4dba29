import { useEffect, useMemo, type ComponentProps } from 'react'
import { daySheets } from '#session/oven-plan/day-sheets.ts'
import { usePlanLater } from '#session/oven-plan/use-plan-later.ts'
import { dayOf } from '#ui/dates.ts'
import { boxesWords, longDateOfDay } from '#ui/plan-words.ts'
import { planSpoken, type PlanSpoken } from './plan-spoken.ts'
import { RoomAir, YearLine } from './year-line.tsx'
import css from './shelf.module.css'

const DAY_MS = 86_400_000

/** The year line under its heading; the boxes are drawn first, and this comes after them, and the plan after this. */
export default function YearAhead({
  isQuiet,
  onPlan,
  ...props
}: Omit<ComponentProps<typeof YearLine>, 'ovenDays'> & {
  /** Every box is reckoned. */
  readonly isQuiet: boolean
  readonly onPlan: (spoken: PlanSpoken | null) => void
}) {
  const { nowMs, zone } = props
  const { question, plan, isExpected, isLooking } = usePlanLater(dayOf(nowMs, zone), isQuiet)
  const sheets = useMemo(() => (question && plan ? daySheets(question, plan) : []), [question, plan])
  const spoken = useMemo(
    () => (question ? planSpoken(question, sheets, zone) : null),
    [question, sheets, zone],
  )
  useEffect(() => onPlan(spoken), [spoken, onPlan])
  const ovenDays = question
    ? sheets.map(sheet => ({
        ms: question.todayMs + (sheet.day + 0.5) * DAY_MS,
        boxIds: sheet.boxIds,
        label: `${longDateOfDay(question, sheet.day, zone)}: ${boxesWords(sheet.boxIds.length)} at the oven; open the plan`,
      }))
    : []
  return (
    <div data-looking={isExpected || undefined} data-planned={(plan !== null && !isLooking) || undefined}>
      <div className={css.yearHead}>
        <h2 className={css.yearTitle}>The year ahead</h2>
        <RoomAir room={props.room} />
      </div>
      <YearLine {...props} ovenDays={ovenDays} />
    </div>
  )
}
