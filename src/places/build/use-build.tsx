import { useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import type { Arrangement } from '#core/build/arrangement.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { builtDrafts } from '#session/build/plan-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { FinishDialog, missingOf } from './finish-dialog.tsx'

/** Plan to box in one step: asked for what it lacks first. */
export function useBuild(
  plan: PlanRecord,
  candidate: PlanCandidate | undefined,
  arrangement: Arrangement | null,
): {
  readonly ask: () => void
  readonly dialog: ReactNode
  readonly isPending: boolean
  /** The box that was made of it; null: not built yet. */
  readonly builtAs: string | null
  readonly error: Error | null
} {
  const { state } = useJournal()
  const { base, maker } = useJournalTools()
  const navigate = useNavigate()
  const write = useWriteAct()
  const [asking, setAsking] = useState(false)
  const build = () => {
    if (!candidate) return
    const boxId = maker.newId()
    const going = new Set(arrangement?.lines.flatMap(line => line.spools.map(({ id }) => id)))
    const spoolIds = plan.spools.flatMap(one =>
      one.of === 'own' && going.has(one.spoolId) ? [one.spoolId] : [],
    )
    write.mutate(
      {
        what: `${plan.name}: onto the shelf`,
        drafts: builtDrafts(
          plan,
          candidate,
          { boxId, chargeId: maker.newId(), spoolIds },
          state,
          maker.nowMs(),
        ),
      },
      { onSuccess: () => void navigate(`${base}/box/${boxId}`) },
    )
  }
  return {
    ask: () => (missingOf(plan).length > 0 ? setAsking(true) : build()),
    isPending: write.isPending,
    builtAs:
      [...state.boxes.values()].find(box => box.planId === plan.planId && plan.retiredMs !== null)?.boxId ??
      null,
    error: write.error,
    dialog: asking ? (
      <FinishDialog
        plan={plan}
        close={() => setAsking(false)}
        onWithout={missing =>
          write.mutate({
            what: `${plan.name}: it does without ${missing === 'charge' ? 'beads' : 'a display'}`,
            drafts: [
              {
                kind: 'plan.changed',
                atMs: maker.nowMs(),
                payload: { planId: plan.planId, without: [...plan.without, missing] },
              },
            ],
          })
        }
        onBuild={() => {
          setAsking(false)
          build()
        }}
      />
    ) : null,
  }
}
