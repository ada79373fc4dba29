import { Link, useNavigate, useParams } from 'react-router'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { stepMs, openSessions, sessionAt, type SessionAt } from '#session/heating.ts'
import { endDrafts } from '#session/heating-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo, useWriteAct } from '#session/writing.ts'
import { Cautions } from '#ui/cautions.tsx'
import { Refused } from '#ui/refused.tsx'
import { shortDayText } from '#ui/dates.ts'
import { useAwake } from '#ui/use-awake.ts'
import { DayStroke } from './day-stroke.tsx'
import { HotStep } from './hot-step.tsx'
import { PlainStep } from './plain-step.tsx'
import { SessionEnd } from './session-end.tsx'
import { TakeBack } from './take-back.tsx'
import { useNow } from '#ui/use-now.ts'
import { WeighStep } from './weigh-step.tsx'
import hand from '#ui/hand.module.css'
import css from './heating.module.css'

const LOOK_MS = 1000

/** At the oven: one step after another, each kept as it is done, wherever it is gone on with. */
export default function HeatingPlace() {
  const { id = '' } = useParams()
  const { state } = useJournal()
  const { base } = useJournalTools()
  const at = sessionAt(state, id)
  if (!at) {
    const [open] = openSessions(state)
    return (
      <main className={hand.page} data-place="heating">
        <h1 className={hand.answer}>No such session</h1>
        {open ? (
          <Link to={`${base}/renew/session/${open.sessionId}`}>To the one that is under way</Link>
        ) : (
          <Link to={`${base}/renew`}>To what wants heat</Link>
        )}
      </main>
    )
  }
  return <Session at={at} key={id} />
}

function Session({ at }: { readonly at: SessionAt }) {
  const { state, kept } = useJournal()
  const { base, maker } = useJournalTools()
  const navigate = useNavigate()
  const write = useWriteAct()
  const { session, todo, number, count } = at
  const undo = useUndo()
  const last = kept.find(act => act.id === session.actIds.at(-1)) ?? null
  const nowMs = useNow(LOOK_MS)
  useAwake()
  const sourceName =
    session.heatSourceId === null
      ? 'the oven'
      : (state.heatSources.get(session.heatSourceId)?.name ?? 'the oven')
  if (session.ended) return <SessionEnd at={at} />
  const stop = () => write.mutate({ what: 'Heating ended', drafts: endDrafts(at, stepMs(at, maker.nowMs())) })
  const beads = at.charges[0]?.charge
  return (
    <main
      className={`${hand.page} ${css.session}`}
      data-place="heating"
      data-step={todo?.step ?? 'done'}
      data-acts={session.actIds.length}
    >
      <div className={css.head}>
        <h2 className={css.title}>
          {shortDayText(session.begunMs, nowMs, maker.zone)}, at {sourceName}
        </h2>
        <span className={css.count}>{todo ? `step ${number} of ${count}` : 'all done'}</span>
        <button type="button" className={hand.worded} onClick={() => void navigate(`${base}/renew`)}>
          Leave
        </button>
      </div>
      <DayStroke at={at} nowMs={nowMs} zone={maker.zone} />
      {todo === null ? (
        <>
          <h1 className={css.name}>All of it is done.</h1>
          <button type="button" className={hand.filled} disabled={write.isPending} onClick={stop}>
            End the session
          </button>
        </>
      ) : todo.step === 'out' ? (
        <HotStep at={at} nowMs={nowMs} key={todo.batch} />
      ) : todo.step === 'weighed in' || todo.step === 'weighed out' ? (
        <WeighStep at={at} key={`${todo.step} ${todo.chargeId}`} />
      ) : (
        <PlainStep at={at} nowMs={nowMs} key={`${todo.step} ${todo.batch} ${todo.chargeId}`} />
      )}
      {beads && todo && (
        <Cautions
          folded={todo.step !== 'in' && todo.step !== 'out'}
          list={cautionsAt({
            step: 'heat the beads',
            indicator: beads.indicator,
            oven: session.oven,
            desiccant: beads.desiccant,
            holder: beads.holder,
            temperatureC: session.temperatureC ?? Number.NaN,
          })}
        />
      )}
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <div className={css.foot}>
        {todo !== null && (
          <button type="button" className={hand.worded} disabled={write.isPending} onClick={stop}>
            Stop here, as it stands
          </button>
        )}
        {session.actIds.length > 1 && (
          <button
            type="button"
            className={hand.worded}
            disabled={undo.isPending}
            onClick={() => void undo.withdraw(last)}
          >
            Take back the last step
          </button>
        )}
        <TakeBack at={at} />
      </div>
    </main>
  )
}
