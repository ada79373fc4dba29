import { Link } from 'react-router'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

const STEPS = [
  [null, 'Choose'],
  ['arrange', 'Arrange'],
  ['drill', 'Drill'],
  ['close', 'Seal and fill'],
  ['bench', 'At the bench'],
] as const
export type PlanStep = (typeof STEPS)[number][0]

/** Where one is in a plan, and the way to its other sheets. */
export function PlanWhere({
  plan,
  step,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly step: PlanStep
  readonly candidate: PlanCandidate | undefined
}) {
  const { base } = useJournalTools()
  return (
    <nav className={`${hand.where} ${css.sheets}`} aria-label="Sheets of this plan">
      <Link to={`${base}/build`}>Build</Link> <strong className={css.planTitle}>{plan.name}</strong>
      {STEPS.filter(([to]) => to === null || candidate).map(([to, word]) => (
        <Link
          key={word}
          to={`${base}/build/${plan.planId}${to === null ? '' : `/${to}`}`}
          aria-current={to === step ? 'page' : undefined}
        >
          {word}
        </Link>
      ))}
    </nav>
  )
}
