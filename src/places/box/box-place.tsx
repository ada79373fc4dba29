import { useElementSize, useHotkeys } from '@mantine/hooks'
import { lazy, Suspense, useMemo, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { msFromSeconds } from '#units/time.ts'
import { shortDayText } from '#ui/dates.ts'
import { missAnswer } from '#core/answers/answers.ts'
import { Figure } from '#ui/figure.tsx'
import { inWhole } from '#ui/format.ts'
import { WhichCharge } from '#ui/which-charge.tsx'
import type { ChargeRecord } from '#journal/state.ts'
import { later } from '#ui/later.tsx'
import { judge } from '#session/judgement.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox, type KnownBox } from '#session/known-box.ts'
import { useGrams, useReport } from '#session/reports.ts'
import { useSpoolReports } from '#session/spools/use-spool-reports.ts'
import { AirLine } from './air-line.tsx'
import { AnswerLine, BehindAnswer } from '#ui/answer-line.tsx'
import { BoxFigure } from './box-figure.tsx'
import { ChangeArrows } from './change-arrows.tsx'
import { FactWorthMost } from './fact-worth-most.tsx'
import { FirstDays } from './first-days.tsx'
import { FullLine } from './full-line.tsx'
import { GramsLine } from './grams-line.tsx'
import { historyData } from './history-data.ts'
import { ScoreLine } from './score-line.tsx'
import { RenameBox } from './rename-box.tsx'
import { StrictestLine } from './strictest-line.tsx'
import { SpoolRow } from './spool-row.tsx'
import { SealLine } from './seal-line.tsx'
import { UnreadLine } from './unread-line.tsx'
import { WeighedLine } from './weighed-line.tsx'
import { WaterLedger } from './water-ledger.tsx'
import hand from '#ui/hand.module.css'
import css from './box.module.css'

const LogReading = later(() => import('#dialogs/log-reading/log-reading.tsx'))
const MoveDialog = later(() => import('#dialogs/move/move-dialog.tsx'))
const RenewDialog = later(() => import('#dialogs/renew/renew-dialog.tsx'))
const WeighBeads = later(() => import('./weigh-beads.tsx'))
const HistoryChart = lazy(() => import('./history-chart.tsx'))

/** What is going on in there? */
export default function BoxPlace() {
  const journal = useJournal()
  const { base } = useJournalTools()
  const { boxId = '' } = useParams()
  const known = useMemo(() => knownBox(journal, boxId), [journal, boxId])
  if (!known)
    return (
      <main className={hand.page} data-place="box">
        <h1 className={hand.answer}>No such box</h1>
        <p className={hand.behind}>
          It may have been taken back, or the address is from another journal.{' '}
          <Link to={`${base}/`}>To the shelf</Link>
        </p>
      </main>
    )
  return <BoxPage known={known} key={boxId} />
}

const DOINGS = ['reading', 'weighing', 'renewing', 'moving', 'naming'] as const
type Doing = (typeof DOINGS)[number]

function BoxPage({ known: { view, facts } }: { readonly known: KnownBox }) {
  const { state, nowMs } = useJournal()
  const { maker, base } = useJournalTools()
  const navigate = useNavigate()
  const { dark } = usePreferences()
  const [search, setSearch] = useSearchParams()
  const [chosen, setDoing] = useState<Doing | null>(null)
  const [meant, setMeant] = useState<ChargeRecord | null>(null)
  const charge = view.charges.length === 1 ? view.charges[0]! : meant
  const hasCharge = view.charges.length > 0
  // what was asked for by name stands in the address
  const doing = chosen ?? DOINGS.find(item => item === search.get('do')) ?? null
  const close = () => {
    setDoing(null)
    setMeant(null)
    if (search.has('do')) setSearch({}, { replace: true })
  }
  const { data: report, error } = useReport(view.box.boxId, facts, true)
  useHotkeys([
    ['l', () => setDoing('reading')],
    ['m', () => setDoing('moving')],
    ['n', () => view.charges.length > 0 && setDoing('renewing')],
    ['w', () => view.charges.length > 0 && setDoing('weighing')],
    ['p', () => void navigate(`${base}/box/${view.box.boxId}/card`)],
  ])
  const boxC = view.last?.temperatureC ?? report?.temperatureC ?? 20
  const grams = useGrams(view.box.boxId, report ? facts : null)
  const spools = useSpoolReports(view.spools)
  const { ref, width } = useElementSize()
  const { zone } = maker
  const judgement = judge(view, report, nowMs)
  const history = useMemo(() => historyData(view, report, nowMs, zone), [view, report, nowMs, zone])
  const contradiction = report?.contradiction
  return (
    <main className={hand.page} data-place="box">
      <div className={hand.answerRow}>
        <div>
          <p className={hand.where}>
            <Link to={`${base}/`} className={css.back}>
              Shelf
            </Link>{' '}
            <button type="button" className={css.boxName} title="Name it" onClick={() => setDoing('naming')}>
              {view.box.name}
            </button>
          </p>
          <h1 className={hand.answer} aria-live="polite">
            <AnswerLine view={view} report={report} judgement={judgement} nowMs={nowMs} zone={zone} />
          </h1>
          <p className={hand.behind}>
            <BehindAnswer view={view} report={report} judgement={judgement} nowMs={nowMs} />{' '}
            <StrictestLine view={view} report={report} judgement={judgement} nowMs={nowMs} zone={zone} />{' '}
            {report && report.wrong.length > 0 && (
              <Link to={`${base}/box/${view.box.boxId}/wrong`}>What is wrong</Link>
            )}
          </p>
        </div>
        <div className={hand.acts}>
          <span className={css.actsWords}>
            {hasCharge && (
              <>
                <button type="button" className={hand.worded} onClick={() => setDoing('renewing')}>
                  Renew the beads
                </button>
                <button type="button" className={hand.worded} onClick={() => setDoing('weighing')}>
                  Weigh them
                </button>
              </>
            )}
            <button type="button" className={hand.worded} onClick={() => setDoing('moving')}>
              Move or swap
            </button>
          </span>
          <button type="button" className={hand.filled} onClick={() => setDoing('reading')}>
            Log a reading <kbd>L</kbd>
          </button>
        </div>
      </div>
      {error && (
        <p className={hand.notice}>
          This box could not be reckoned: {error.message} Its readings are kept; reload to try again.
        </p>
      )}
      {contradiction && (
        <p className={hand.notice} role="alert">
          The readings contradict what I was told.{' '}
          {contradiction.worst.kind === 'reading'
            ? 'What the display showed'
            : contradiction.worst.kind === 'colour'
              ? 'How the beads looked'
              : 'What the scale found'}{' '}
          on {shortDayText(msFromSeconds(contradiction.worst.atS), nowMs, zone)} is{' '}
          <Figure
            answer={missAnswer(
              contradiction.worst,
              { reading: '%', weighing: 'g', colour: 'g/g' }[contradiction.worst.kind],
            )}
          >
            {inWhole(missAnswer(contradiction.worst, '').value)} times
          </Figure>{' '}
          its error from the nearest I can explain; look first at {contradiction.strained}.
        </p>
      )}
      <SealLine view={view} nowMs={nowMs} zone={zone} />
      <UnreadLine view={view} nowMs={nowMs} zone={zone} />
      <AirLine view={view} state={state} nowMs={nowMs} zone={zone} report={report} />
      <FirstDays view={view} />
      <FullLine view={view} report={report} />
      <WeighedLine view={view} boxC={boxC} nowMs={nowMs} zone={zone} />
      {report && (
        <FactWorthMost view={view} report={report} roomIsRead={(facts?.room.readings.length ?? 0) > 0} />
      )}
      <div className={css.three}>
        <BoxFigure view={view} report={report} />
        {report ? (
          <WaterLedger
            view={view}
            report={report}
            nowMs={nowMs}
            zone={zone}
            narrow={width > 0 && width < 480}
          />
        ) : (
          <p className={hand.aside}>
            {facts && facts.charges.length > 0
              ? 'reckoning …'
              : 'No beads are told: nothing can be reckoned.'}
          </p>
        )}
        <ChangeArrows view={view} report={report} nowMs={nowMs} zone={zone} />
      </div>
      <GramsLine view={view} wanted={grams.data} failed={grams.isError} />
      <section ref={ref} className={css.history} data-part="history">
        <h2 className={hand.section}>How it went, and how it may go, % RH</h2>
        <Suspense
          fallback={
            <p className={hand.aside} style={{ height: 158 }}>
              Drawing …
            </p>
          }
        >
          {width > 0 && <HistoryChart key={String(dark)} data={history} width={width} height={158} />}
        </Suspense>
      </section>
      {report && <SpoolRow view={view} spools={spools} />}
      <p className={hand.pageFoot}>
        <Link to={`${base}/entries?box=${view.box.boxId}`} className={hand.worded}>
          Everything entered for {view.box.name}
        </Link>
        <ScoreLine view={view} />
        <Link to={`${base}/box/${view.box.boxId}/seal`} className={hand.worded}>
          Prove its seal
        </Link>
        {view.box.planId && state.plans.has(view.box.planId) && (
          <Link to={`${base}/build/${view.box.planId}/drill`} className={hand.worded}>
            The plan it was built from
          </Link>
        )}
        <Link to={`${base}/box/${view.box.boxId}/card`} className={hand.worded}>
          Its card, to print
        </Link>
        <Link to={`${base}/labels?of=box:${view.box.boxId}`} className={hand.worded}>
          Label
        </Link>
      </p>
      {doing === 'reading' && <LogReading close={close} place={`box:${view.box.boxId}`} />}
      {(doing === 'weighing' || doing === 'renewing') && hasCharge && !charge && (
        <WhichCharge
          charges={view.charges}
          what={doing === 'weighing' ? 'Weigh which beads?' : 'Renew which beads?'}
          choose={setMeant}
          close={close}
        />
      )}
      {doing === 'weighing' && charge && <WeighBeads charge={charge} boxC={boxC} close={close} />}
      {doing === 'renewing' && charge && <RenewDialog chargeId={charge.chargeId} close={close} />}
      {doing === 'moving' && <MoveDialog boxId={view.box.boxId} close={close} />}
      {doing === 'naming' && <RenameBox box={view.box} close={close} />}
    </main>
  )
}
