import { useMemo } from 'react'
import type { Arrangement } from '#core/build/arrangement.ts'
import { HUE_ORDER } from '#draw/palette.ts'
import { candidateFacts, planSpools, standingBlocks, wishOf } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { useCandidateReports } from '#session/build/plan-reports.ts'
import { useJournal } from '#session/journal-query.ts'

/** The chosen one with its spools where they stand: as somebody put them, else as Veld found it. */
export function useStanding(plan: PlanRecord, candidate: PlanCandidate) {
  const { state, nowMs } = useJournal()
  const spools = useMemo(() => planSpools(plan, state, HUE_ORDER), [plan, state])
  const wish = useMemo(() => wishOf(plan, spools, state, nowMs), [plan, spools, state, nowMs])
  const facts = useMemo(() => [candidateFacts(candidate, standingBlocks(plan))], [candidate, plan])
  const { data, error } = useCandidateReports(facts, wish)
  const found: Arrangement | null = data?.[0]?.found?.arrangement ?? null
  return {
    spools,
    wish,
    found,
    report: data?.[0] ?? null,
    isTried: data !== undefined || wish === null,
    error,
    arrangement: (plan.arrangement as Arrangement | null) ?? found,
  }
}
