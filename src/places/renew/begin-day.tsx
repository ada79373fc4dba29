import { Link } from 'react-router'
import type { Draft } from '#records/act.ts'
import { openSessions } from '#session/heating.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { useBegin } from './use-begin.ts'
import css from './plan.module.css'
import hand from '#ui/hand.module.css'

/** Spares go in and the heating begins, in one act: it can be taken back as a whole. */
export function BeginDay({ question, sheet }: { readonly question: PlanQuestion; readonly sheet: DaySheet }) {
  const { state } = useJournal()
  const { base } = useJournalTools()
  const beginning = useBegin()
  const write = useWriteAct()
  const [open] = openSessions(state)
  const swaps: Draft[] = sheet.round.swaps.map(({ boxId, outId, inId }) => ({
    kind: 'charge.replaced',
    payload: { boxId, outChargeId: outId, inChargeId: inId },
  }))
  if (open)
    return (
      <Link to={`${base}/renew/session/${open.sessionId}`} className={`${hand.filled} ${css.headLink}`}>
        Go on at the oven
      </Link>
    )
  const { choice, dialC, temperatureC, roomId } = question
  const { batches } = sheet
  const begin = () =>
    batches.length === 0
      ? write.mutate({ what: 'Spares put in', drafts: swaps })
      : beginning.begin(
          {
            oven: choice.source.kind,
            heatSourceId: choice.heatSourceId,
            dialC,
            temperatureC,
            roomId,
            batches: batches.map(({ minutes, chargeIds }) => ({ minutes, chargeIds: [...chargeIds] })),
          },
          choice.name,
          swaps,
        )
  const error = beginning.error ?? write.error
  return (
    <div className={css.screenOnly}>
      <button
        type="button"
        className={hand.filled}
        disabled={beginning.isPending || write.isPending}
        onClick={begin}
      >
        {batches.length === 0
          ? 'The spares are in'
          : swaps.length > 0
            ? 'Spares are in: begin'
            : 'Begin at the oven'}
      </button>
      {error && <Refused error={error} remedy="press it again" />}
    </div>
  )
}
