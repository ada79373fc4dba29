import { useEffect, useState } from 'react'
import type { IsoDay } from '#units/calendar-day.ts'
import { useJournalTools } from '../journal-context.tsx'
import { useOvenPlan, type OvenPlanShown } from './use-oven-plan.ts'

/** What a person is looking at comes first; the plan is worked out once they have been looking for a while. */
const A_WHILE_MS = 2500
/** Larger shelves may take the solver minutes: only the page of the plan asks for that. */
const MOST_BOXES = 20

/** The plan for a page that can do without: at once where one was worked out before, else after a while of rest. */
export function usePlanLater(
  today: { readonly iso: IsoDay; readonly beganMs: number },
  isQuiet: boolean,
): OvenPlanShown & { readonly isExpected: boolean } {
  const { results } = useJournalTools()
  const [isExpected, setIsExpected] = useState(false)
  const [hasRested, setHasRested] = useState(false)
  useEffect(() => {
    let isHere = true
    void results.last('oven plan').then(last => {
      if (isHere && last) setIsExpected(true)
    })
    return () => {
      isHere = false
    }
  }, [results])
  useEffect(() => {
    if (!isQuiet) return
    const timer = setTimeout(() => setHasRested(true), A_WHILE_MS)
    return () => clearTimeout(timer)
  }, [isQuiet])
  const shown = useOvenPlan(today, isQuiet && (isExpected || hasRested), MOST_BOXES)
  return { ...shown, isExpected: isExpected && isQuiet && (shown.plan === null || shown.isLooking) }
}
