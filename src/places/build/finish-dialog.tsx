import { Link } from 'react-router'
import type { PlanRecord } from '#journal/state.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { Dialog } from '#ui/dialog.tsx'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

export type Missing = 'charge' | 'display'
/** What a plan lacks before it is finished. */
export const missingOf = (plan: PlanRecord): Missing[] => [
  ...(plan.filling === null && !plan.without.includes('charge') ? (['charge'] as const) : []),
  ...(plan.display === null && !plan.without.includes('display') ? (['display'] as const) : []),
]

/** No plan is finished without beads and a place for the display; each may be left out by name. */
export function FinishDialog({
  plan,
  close,
  onWithout,
  onBuild,
}: {
  readonly plan: PlanRecord
  readonly close: () => void
  readonly onWithout: (missing: Missing) => void
  readonly onBuild: () => void
}) {
  const { base } = useJournalTools()
  const missing = missingOf(plan)
  return (
    <Dialog onClose={close} title="Before it stands on the shelf" size="md">
      <div className={hand.form} data-part="finish">
        {missing.includes('charge') && (
          <div className={css.lacks}>
            <p>What goes in to dry it is not said.</p>
            <p>
              <Link to={`${base}/build/${plan.planId}/close`} className={hand.worded} onClick={close}>
                Say it under Seal and fill
              </Link>{' '}
              <button type="button" className={hand.worded} onClick={() => onWithout('charge')}>
                It does without beads
              </button>
            </p>
          </div>
        )}
        {missing.includes('display') && (
          <div className={css.lacks}>
            <p>No place for a display: without one nobody sees when it turns damp.</p>
            <p>
              <Link to={`${base}/build/${plan.planId}/arrange`} className={hand.worded} onClick={close}>
                Give it one in Arrange
              </Link>{' '}
              <button type="button" className={hand.worded} onClick={() => onWithout('display')}>
                It does without a display
              </button>
            </p>
          </div>
        )}
        {missing.length === 0 && <p>Nothing is missing any more.</p>}
        <button
          type="button"
          className={hand.filled}
          disabled={missing.length > 0}
          onClick={onBuild}
          data-autofocus
        >
          Put it on the shelf
        </button>
      </div>
    </Dialog>
  )
}
