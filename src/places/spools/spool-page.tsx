import { useElementSize } from '@mantine/hooks'
import { lazy, Suspense, useMemo, useState } from 'react'
import { Link } from 'react-router'
import {
  lengthPastAnswer,
  nextPrintAnswer,
  passingAnswer,
  spoolMeanAnswer,
} from '#core/answers/box-answers.ts'
import { NEXT_PRINT_G } from '#core/filament/rings.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import { HatchDefs } from '#draw/hatch.tsx'
import { SpoolRing } from '#draw/spool-ring.tsx'
import type { SpoolRecord } from '#journal/state.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { openRun } from '#journal/spool-runs.ts'
import { clockedSpool, type ClockedSpool } from '#session/spools/spool-clock.ts'
import { useSpoolReports } from '#session/spools/use-spool-reports.ts'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, inWhole, THIN } from '#ui/format.ts'
import { later } from '#ui/later.tsx'
import { MoistureRange, SpoolLasts } from '#ui/spool-lasts.tsx'
import { clockWords, placeWords } from '#ui/spool-words.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { msFromSeconds } from '#units/time.ts'
import { FourWays } from './four-ways.tsx'
import { LifeLine } from './life-line.tsx'
import { NoSuchSpool } from './no-such-spool.tsx'
import { PrintQuestion } from './print-question.tsx'
import type { Telling } from './tell-form.ts'
import hand from '#ui/hand.module.css'
import css from './spool.module.css'

const MoistureChart = lazy(() => import('./moisture-chart.tsx'))
const MoveDialog = later(() => import('#dialogs/move/move-dialog.tsx'))
const TellDialog = later(() => import('./tell-dialog.tsx'))

/** Where the axis of its moisture begins, and its life above it. */
const LEFT = 56
const CHART_PX = 220

/** One spool: how damp it is, how long it keeps, and all it has been through. */
export function SpoolPage({ spoolId }: { readonly spoolId: string }) {
  const { state } = useJournal()
  const spool = state.spools.get(spoolId)
  if (!spool) return <NoSuchSpool />
  return <Known spool={spool} />
}

function Known({ spool }: { readonly spool: SpoolRecord }) {
  const { state } = useJournal()
  const { base } = useJournalTools()
  const { dark } = usePreferences()
  const { weight, temperature } = useMeasures()
  const [doing, setDoing] = useState<Telling | 'moving' | null>(null)
  const only = useMemo(() => [spool], [spool])
  const [known] = useSpoolReports(only)
  const one = clockedSpool(known!, state)
  const { report } = one
  const material = state.materials[spool.material]
  const close = () => setDoing(null)
  const running = openRun(state, spool.spoolId)
  const degrees = (celsius: number) => temperature.field(Math.round(celsius)) + THIN
  return (
    <main className={hand.page} data-place="spool" data-looking={one.clock.is === 'reckoning' || undefined}>
      <svg width="0" height="0" aria-hidden="true">
        <HatchDefs spools={only} dark={dark} />
      </svg>
      <div className={hand.answerRow}>
        <div>
          <p className={hand.where}>
            <Link to={`${base}/spools`} className={css.back}>
              Spools
            </Link>{' '}
            <span data-part="spool-name">{spool.name}</span>
          </p>
          <h1 className={hand.answer} aria-live="polite">
            <SpoolAnswer one={one} />
          </h1>
          <p className={hand.behind} data-part="spool-facts">
            {weight.text(spool.filamentG)} on it{spool.body ? `, spool of ${spool.body}` : ''},{' '}
            {placeWords(spool, state)}. {spool.material} is dried at {fromTo(material.dryAtC, degrees)}
            {temperature.unit} for {fromTo(material.dryForHours, inWhole)}
            {THIN}h, never above {degrees(material.neverAboveC)}
            {temperature.unit}; its maker’s word first.
          </p>
        </div>
        <div className={`${hand.acts} ${css.manyActs}`}>
          <button type="button" className={hand.worded} onClick={() => setDoing('weighed')}>
            Weigh it
          </button>
          <button type="button" className={hand.worded} onClick={() => setDoing('printed')}>
            It printed
          </button>
          <button type="button" className={hand.worded} onClick={() => setDoing('dried')}>
            It was dried
          </button>
          <button type="button" className={hand.worded} onClick={() => setDoing('moving')}>
            Move it
          </button>
          <Link
            to={`${base}/spools/${spool.spoolId}/${running ? 'run' : 'dry'}`}
            className={`${hand.filled} ${hand.filledLink}`}
          >
            {running ? 'Follow its drying' : 'Dry it'}
          </Link>
        </div>
      </div>
      {one.clock.is === 'failed' && (
        <p className={hand.notice} role="status">
          This spool could not be reckoned: {known!.error?.message} What was entered is kept; reload to try
          again.
        </p>
      )}
      {report && <Moisture one={one} report={report} />}
      {report && <FourWays spool={spool} report={report} />}
      {report && <PrintQuestion spool={spool} report={report} />}
      {report && <Life spool={spool} report={report} />}
      <p className={hand.pageFoot}>
        <Link to={`${base}/spools/${spool.spoolId}/signs`} className={hand.worded}>
          It prints badly
        </Link>
        <Link to={`${base}/spools/${spool.spoolId}/warm`} className={hand.worded}>
          Is there water in it?
        </Link>
        <Link to={`${base}/labels?of=spool:${spool.spoolId}`} className={hand.worded}>
          Label
        </Link>
        <Link to={`${base}/entries`} className={hand.worded}>
          Everything entered
        </Link>
      </p>
      {doing === 'moving' && <MoveDialog close={close} thingId={spool.spoolId} />}
      {doing !== null && doing !== 'moving' && <TellDialog spool={spool} start={doing} close={close} />}
    </main>
  )
}

const fromTo = ([low, high]: readonly [number, number], text: (value: number) => string): string =>
  low === high ? text(low) : `${text(low).trim()}–${text(high)}`

function SpoolAnswer({ one }: { readonly one: ClockedSpool }) {
  const { nowMs } = useJournal()
  const { maker } = useJournalTools()
  const { clock, report, spool } = one
  if (clock.is === 'reckoning') return 'Reckoning …'
  if (clock.is === 'empty') return 'Nothing is left on it.'
  if (clock.is === 'failed') return 'It could not be reckoned.'
  if (clock.is === 'drying') return 'It is in the dryer.'
  const words = clockWords(one, nowMs, maker.zone)
  const passing = report?.here?.passing
  const opens =
    report?.here && passing ? (
      <Figure
        answer={passingAnswer(
          `${spool.name} ${clock.is === 'past' ? 'dries' : 'prints'} for`,
          report.here,
          passing,
        )}
      >
        {words}
      </Figure>
    ) : (
      words
    )
  return clock.is === 'past' ? (
    <>Dry it before it prints: {opens}.</>
  ) : (
    <>
      It may print: {one.nextWord}, {opens}.
    </>
  )
}

function Moisture({ one, report }: { readonly one: ClockedSpool; readonly report: SpoolReport }) {
  const { state } = useJournal()
  const { spool, nextWord, meanWord } = one
  const material = state.materials[spool.material]
  const next = nextPrintAnswer(report, spool.name)
  const mean = spoolMeanAnswer(report, spool.name)
  return (
    <section className={css.moisture} aria-label="How damp it is">
      <SpoolRing spool={spool} word={nextWord} meanWord={meanWord} size={150} />
      <dl className={css.words}>
        <dt>{report.nextG < NEXT_PRINT_G ? 'what is left' : 'turns printed next'}</dt>
        <dd>
          <span className={nextWord === 'expect trouble' ? hand.trouble : hand.strong}>{nextWord}</span>{' '}
          <Figure answer={next}>
            {inHundredths(next.value)}
            {THIN}% <MoistureRange spread={report.next} />
          </Figure>
        </dd>
        <dt>the whole spool</dt>
        <dd>
          <span className={meanWord === 'expect trouble' ? hand.trouble : hand.strong}>{meanWord}</span>{' '}
          <Figure answer={mean}>
            {inHundredths(mean.value)}
            {THIN}% <MoistureRange spread={report.mean} />
          </Figure>
        </dd>
        {report.pastM >= 1 && (
          <>
            <dt>only the first</dt>
            <dd>
              <Figure answer={lengthPastAnswer(report, material, spool.strandMm ?? 1.75, spool.name)}>
                {inWhole(report.pastM)}
                {THIN}m
              </Figure>{' '}
              are past its limit: pull them off, or print something small first
            </dd>
          </>
        )}
        <dt>how long</dt>
        <dd className={css.lasts}>
          <SpoolLasts report={report} material={material} name={spool.name} at={spool.where.at} />
        </dd>
      </dl>
    </section>
  )
}

function Life({ spool, report }: { readonly spool: SpoolRecord; readonly report: SpoolReport }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const { dark } = usePreferences()
  const { ref, width } = useElementSize()
  const material = state.materials[spool.material]
  const [fromMs, nowMs] = [msFromSeconds(report.course.atS[0]!), msFromSeconds(report.course.atS.at(-1)!)]
  const data = useMemo(
    () => ({
      course: report.course,
      cleanPercent: material.cleanBelowPercent,
      troublePercent: material.troubleAbovePercent,
      zone: maker.zone,
      summary: `Moisture: turns printed next ${inHundredths(report.next.middle)} per cent now, the whole spool ${inHundredths(report.mean.middle)} per cent`,
    }),
    [report, material, maker.zone],
  )
  return (
    <section className={css.life} aria-label="Its life">
      <h2 className={hand.section}>Its life as one line</h2>
      <div ref={ref}>
        {width > 0 && (
          <>
            <LifeLine
              spool={spool}
              boxes={state.boxes}
              fromMs={fromMs}
              nowMs={nowMs}
              left={LEFT}
              widthPx={width}
            />
            <Suspense
              fallback={
                <p className={hand.aside} style={{ height: CHART_PX }}>
                  Drawing …
                </p>
              }
            >
              <MoistureChart key={String(dark)} data={data} left={LEFT} width={width} height={CHART_PX} />
            </Suspense>
            <p className={`${hand.aside} ${hand.small}`}>
              <span className={css.nextKey}>turns printed next</span>,{' '}
              <span className={css.meanKey}>mean</span>; dashed: what is left open.
            </p>
          </>
        )}
      </div>
    </section>
  )
}
