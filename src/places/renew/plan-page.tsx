import { useElementSize } from '@mantine/hooks'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { totalAnswer } from '#core/answers/answers.ts'
import { presentAnswer } from '#core/answers/plan-answers.ts'
import { lapses } from '#core/renewal/oven-days.ts'
import { failsWhenMoved, moveSession } from '#core/renewal/why-day.ts'
import { profileOf } from '#journal/room-air.ts'
import { roomsOf } from '#journal/rooms.ts'
import type { Draft } from '#records/act.ts'
import { openSessions } from '#session/heating.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { daySheets, type DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { useOvenPlan } from '#session/oven-plan/use-oven-plan.ts'
import { dayDrafts, moveDrafts } from '#session/oven-plan/wish-drafts.ts'
import { useWriteAct } from '#session/writing.ts'
import { dayOf, shortDayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { inTenths, THIN } from '#ui/format.ts'
import { minutesText } from '#ui/heat-text.ts'
import { Refused } from '#ui/refused.tsx'
import { HoursDialog } from './hours-dialog.tsx'
import { PlanDrawing, type Held } from './plan-drawing.tsx'
import { PlanStanding } from './plan-standing.tsx'
import { dateOfDay, planSentence } from '#ui/plan-words.ts'
import { RenewPages } from './renew-pages.tsx'
import { SessionAside } from './session-aside.tsx'
import { WhenMoved } from './when-moved.tsx'
import { Lapsing } from './lapsing.tsx'
import hand from '#ui/hand.module.css'
import css from './plan.module.css'

const MOST_WIDTH = 1184
const MARGIN = 20
const TWO_COLUMNS = 1000
const ASIDE = 326
const GAP = 40

/** Half a year of days at the oven. */
export function PlanPage() {
  const journal = useJournal()
  const { base, maker } = useJournalTools()
  const { nowMs, state } = journal
  const { zone } = maker
  const shown = useOvenPlan(dayOf(nowMs, zone))
  const { question, plan } = shown
  const write = useWriteAct()
  const [held, setHeld] = useState<Held | null>(null)
  const [isPut, setIsPut] = useState(false)
  const [chosenIso, setChosenIso] = useState<string | null>(null)
  const [asking, setAsking] = useState(false)
  const { ref, width } = useElementSize<HTMLDivElement>()
  const sheets = useMemo(() => (question && plan ? daySheets(question, plan) : []), [question, plan])
  const [open] = openSessions(state)
  const keep = (what: string, drafts: readonly Draft[]) => {
    setHeld(null)
    setIsPut(false)
    write.mutate({ what, drafts })
  }
  if (!question || !plan)
    return (
      <main className={hand.page} data-place="renew">
        <h1 className={hand.answer} aria-live="polite">
          Reckoning …
        </h1>
        <p className={hand.behind}>
          How long each box holds, now and with fresh beads: {shown.done} of {shown.count} done. You need not
          wait: <Link to={`${base}/renew/now`}>heat some today</Link>.
        </p>
      </main>
    )
  const { sessions } = plan
  const chosen = sheets.find(sheet => sheet.iso === chosenIso) ?? sheets[0]
  const moved = held ? moveSession(sessions, held.from, held.to) : sessions
  const date = (at: number) => dateOfDay(question, question.days[at]!.day, zone)
  const letGo = (to: Held) => {
    if (to.from === to.to) return setHeld(null)
    const late = failsWhenMoved(question.asked, sessions, to)
    if (late.length > 0) {
      // what would fail is said first; nothing is written until the person has seen it
      setHeld(to)
      setIsPut(true)
      return
    }
    keep(`Oven day moved from ${date(to.from)} to ${date(to.to)}`, moveDrafts(question, sessions, to))
  }
  const lapsing = lapses(question.asked, sessions)
  // before it is measured: as wide as the window will let it be
  const pageWidth = width > 0 ? width : Math.min(MOST_WIDTH, window.innerWidth - 2 * MARGIN)
  const drawingWidth = pageWidth > TWO_COLUMNS ? pageWidth - ASIDE - GAP : pageWidth
  const room = roomsOf(state)[0]
  return (
    <main
      className={hand.page}
      data-place="renew"
      data-standing={shown.standing}
      data-looking={shown.isLooking || undefined}
    >
      <div className={css.head}>
        <div>
          <h1 className={hand.answer} aria-live="polite">
            {planSentence(question, sessions, zone)}
          </h1>
          <p className={hand.behind}>
            {question.boxes.length + question.leftOut.length > 0 ? (
              <Behind question={question} sheets={sheets} zone={zone} />
            ) : (
              <>
                <Link to={`${base}/start`}>Add a box</Link> and read it now and then: until when it holds
                becomes the plan.
              </>
            )}
          </p>
        </div>
        {sheets[0] && (
          <Link to={`${base}/renew/day/${sheets[0].iso}`} className={`${hand.filled} ${css.headLink}`}>
            Sheet for {date(sheets[0].at)}
          </Link>
        )}
      </div>
      <RenewPages />
      {open && (
        <p className={hand.notice} role="status">
          A session is under way, begun {shortDayText(open.begunMs, nowMs, zone)}.{' '}
          <Link to={`${base}/renew/session/${open.sessionId}`}>Go on with it</Link>
        </p>
      )}
      <div ref={ref}>
        <div className={css.sheet}>
          <div>
            {question.boxes.length > 0 && room && (
              <PlanDrawing
                question={question}
                sheets={sheets}
                sessions={sessions}
                shown={moved}
                held={held}
                chosen={chosen?.at ?? null}
                widthPx={drawingWidth}
                profile={profileOf(room)}
                nowMs={nowMs}
                zone={zone}
                onHold={to => {
                  setIsPut(false)
                  setHeld(to)
                }}
                onLetGo={letGo}
                onChoose={at => {
                  if (!held) setChosenIso(question.days[at]!.iso)
                }}
              />
            )}
            <p id="how-to-move" className={hand.visuallyHidden}>
              Pull it to another day, or move it by the arrow keys and press Enter; Escape leaves it where it
              is.
            </p>
            {drawingWidth < 600 && question.leftOut.length > 0 && (
              <ul className={css.outList}>
                {question.leftOut.map(({ boxId, name, says }) => (
                  <li key={boxId}>
                    <Link to={`${base}/box/${boxId}`}>{name}</Link> is left out: {says}.
                  </li>
                ))}
              </ul>
            )}
            {held && (
              <WhenMoved
                question={question}
                sessions={sessions}
                held={held}
                isPut={isPut}
                zone={zone}
                onBack={() => {
                  setHeld(null)
                  setIsPut(false)
                }}
                onKeep={keep}
              />
            )}
            {!held && (lapsing.length > 0 || shown.standing === 'too full') && (
              <Lapsing
                question={question}
                shown={shown}
                lapsing={lapsing}
                isTooFull={shown.standing === 'too full'}
                onKeep={keep}
              />
            )}
            {write.error && <Refused error={write.error} remedy="try again" />}
            <PlanStanding question={question} shown={shown} onChange={() => setAsking(true)} onKeep={keep} />
          </div>
          {chosen && (
            <SessionAside
              question={question}
              sessions={sessions}
              sheets={sheets}
              sheet={chosen}
              widthPx={Math.min(ASIDE, pageWidth)}
              onWish={wish =>
                keep(
                  wish === 'struck'
                    ? `${date(chosen.at)} struck out`
                    : wish === 'pinned'
                      ? `Keep to ${date(chosen.at)}`
                      : `${date(chosen.at)} let go`,
                  dayDrafts(question, sessions, chosen.iso, wish),
                )
              }
            />
          )}
        </div>
      </div>
      {asking && (
        <HoursDialog question={question} sessions={sessions} onClose={() => setAsking(false)} onKeep={keep} />
      )}
    </main>
  )
}

/** What the whole plan takes, and who is left out. */
function Behind({
  question,
  sheets,
  zone,
}: {
  readonly question: PlanQuestion
  readonly sheets: readonly DaySheet[]
  readonly zone: string
}) {
  const by = <T extends number>(value: (sheet: DaySheet) => T) =>
    sheets.map(sheet => [dateOfDay(question, sheet.day, zone), value(sheet)] as const)
  const renewals = totalAnswer(
    'renewals',
    'boxes',
    by(sheet => sheet.boxIds.length),
  )
  const minutes =
    sheets.length === 1
      ? presentAnswer(sheets[0]!.time)
      : totalAnswer(
          'at the oven',
          'min',
          by(sheet => Math.round(sheet.time.presentMinutes)),
        )
  const energy = totalAnswer(
    'energy of the plan',
    'kWh',
    by(sheet => sheet.kWh),
  )
  const out = question.leftOut.map(one => one.name)
  return (
    <>
      {sheets.length > 0 && (
        <>
          <Figure answer={renewals}>{renewals.value}</Figure> {renewals.value === 1 ? 'renewal' : 'renewals'},{' '}
          <Figure answer={minutes}>{minutesText(minutes.value)}</Figure> at the oven,{' '}
          <Figure answer={energy} after=".">
            {inTenths(energy.value)}
            {THIN}kWh
          </Figure>{' '}
        </>
      )}
      {out.length > 0 && (
        <>{out.length === 1 ? `${out[0]!} is left out.` : `${out.length} boxes are left out.`} </>
      )}
    </>
  )
}
