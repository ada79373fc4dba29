import type { PlanRecord } from '#journal/state.ts'
import type { Plan } from '#records/kinds/plan.ts'
import { useJournalTools } from '../journal-context.tsx'
import { useWriteAct } from '../writing.ts'

/** Changes a part of a plan as one act, named after the plan. */
export function useChangePlan(plan: PlanRecord) {
  const { maker } = useJournalTools()
  const write = useWriteAct()
  const change = (what: string, part: Partial<Plan>): void =>
    write.mutate({
      what: `${plan.name}: ${what}`,
      drafts: [{ kind: 'plan.changed', atMs: maker.nowMs(), payload: { planId: plan.planId, ...part } }],
    })
  return { change, write }
}
