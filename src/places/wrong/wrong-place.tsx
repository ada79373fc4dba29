import { useElementSize } from '@mantine/hooks'
import { lazy, Suspense, useMemo } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { accountOf, evidenceBetween, type Evidence } from '#core/estimate/wrong-evidence.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { freshBeadsHelp, SURE_OF_A_CAUSE, testBetween, type Wrong } from '#core/estimate/wrong.ts'
import { readingAnswer } from '#core/answers/answers.ts'
import type { BoxView } from '#journal/box-view.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { useReport } from '#session/reports.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { msFromSeconds } from '#units/time.ts'
import { shortDayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { asTyped, inWhole, THIN, readText } from '#ui/format.ts'
import { actOn, amountOf, CAUSE_NAMES, STEPS, TESTS } from './wrong-words.ts'
import { TwoDisplays } from './two-displays.tsx'
import type { WrongChartData } from './wrong-chart.tsx'
import hand from '#ui/hand.module.css'
import css from './wrong.module.css'

const WrongChart = lazy(() => import('./wrong-chart.tsx'))

const MOST_CAUSES = 4
const LETTERS = ['a', 'b', 'c', 'd']
const CHART_HEIGHT = 260

/** What is wrong with it, what speaks for that, and the one test that tells. */
export default function WrongPlace() {
  const journal = useJournal()
  const { base } = useJournalTools()
  const { boxId = '' } = useParams()
  const known = useMemo(() => knownBox(journal, boxId), [journal, boxId])
  const { data: report, error } = useReport(boxId, known?.facts ?? null, true)
  const back = known && <Link to={`${base}/box/${boxId}`}>{known.view.box.name}</Link>
  const plain = (says: string) => (
    <main className={hand.page} data-place="wrong">
      <p className={hand.where}>{back ?? <Link to={`${base}/`}>To the shelf</Link>}</p>
      <h1 className={hand.answer}>{says}</h1>
    </main>
  )
  if (!known) return plain('No such box')
  if (error) return plain(`This box could not be reckoned: ${error.message}`)
  if (!report) return plain('Reckoning …')
  if (report.wrong.length === 0) return plain('Nothing is wrong by its readings')
  return <WrongPage view={known.view} report={report} key={boxId} />
}

/** A reading that parts the first two causes, with the letter it stands under in the chart and in the table. */
type Lettered = Evidence & { readonly letter: string }

interface PageProps {
  readonly view: BoxView
  readonly report: BoxReport
}

function WrongPage({ view, report }: PageProps) {
  const wrong = useMemo(() => report.wrong.slice(0, MOST_CAUSES), [report])
  const { nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { dark } = usePreferences()
  const { ref, width } = useElementSize()
  const { zone } = maker
  const { box, last, target } = view
  const [first, second] = wrong as [Wrong, Wrong?]
  const isSure = first.share >= SURE_OF_A_CAUSE
  const test = second ? testBetween(first.cause, second.cause) : null
  const lettered = useMemo(() => {
    if (!second) return []
    const { forIt, against } = evidenceBetween(report, first, second)
    return [...forIt, ...against].map((evidence, i) => ({ ...evidence, letter: LETTERS[i]! }))
  }, [report, first, second])
  // the chart is made anew with new data: a page that only draws itself again must not bring any
  const data = useMemo(
    () => chartData(report, wrong, lettered, box.name, nowMs, zone),
    [report, wrong, lettered, box.name, nowMs, zone],
  )
  const arrived = view.spools.find(
    spool =>
      first.amiss?.kind === 'damp' &&
      spool.stays.some(stay => Math.abs(stay.fromMs - msFromSeconds(first.amiss!.atS)) < DAY_MS),
  )
  return (
    <main className={hand.page} data-place="wrong">
      <div className={hand.answerRow}>
        <div>
          <p className={hand.where}>
            <Link to={`${base}/box/${box.boxId}`}>{box.name}</Link>
          </p>
          <h1 className={hand.answer}>
            {isSure
              ? actOn(first.cause, box.name, arrived?.name ?? null)
              : `Cannot tell yet: ${CAUSE_NAMES[first.cause].toLowerCase()}, or ${CAUSE_NAMES[second!.cause].toLowerCase()}`}
          </h1>
          <p className={hand.behind}>
            {last && target && (
              <>
                <Figure answer={readingAnswer('reading', last)}>
                  {readText(last)}
                  {THIN}%
                </Figure>{' '}
                of {asTyped(target.rhPercent)}, read {shortDayText(last.atMs, nowMs, zone)}.{' '}
              </>
            )}
            {CAUSE_NAMES[first.cause]}
            {first.amiss && `: ${amountOf(first, nowMs, zone)}`}.
          </p>
        </div>
        <Acts view={view} first={first} />
      </div>
      <div className={css.two}>
        <section aria-labelledby="readings-say">
          <h2 id="readings-say">What the readings say, % RH</h2>
          <div ref={ref} style={{ height: CHART_HEIGHT }}>
            {width > 0 && data && (
              <Suspense fallback={null}>
                <WrongChart key={`${dark}`} data={data} width={width} height={CHART_HEIGHT} />
              </Suspense>
            )}
          </div>
          <Causes report={report} wrong={wrong} lettered={lettered} nowMs={nowMs} zone={zone} />
        </section>
        <section aria-labelledby="the-test" className={css.side}>
          {test && (
            <>
              <h2 id="the-test">The one test that parts 1 and 2</h2>
              <p className={css.todo}>{TESTS[test].todo}</p>
              <p className={hand.aside}>{TESTS[test].tells}</p>
              {test === 'weigh the beads' && (
                <Link to={`${base}/box/${box.boxId}?do=weighing`}>Enter the weight</Link>
              )}
              {test === 'bag' && <Link to={`${base}/kit/displays`}>Enter what each shows</Link>}
              {test === 'read again' && (
                <Link to={`${base}/box/${box.boxId}?do=reading`}>Enter a reading</Link>
              )}
            </>
          )}
          <TwoDisplays view={view} />
          <h2 id={test ? undefined : 'the-test'}>{actOn(first.cause, box.name, arrived?.name ?? null)}</h2>
          <ol className={css.steps}>
            {STEPS[first.cause].map(step => (
              <li key={step}>{step}</li>
            ))}
          </ol>
        </section>
      </div>
    </main>
  )
}
const DAY_MS = 86_400_000

/** The act that was named, and what else it may have been: each an entry that can be taken back. */
function Acts({ view, first }: Pick<PageProps, 'view'> & { readonly first: Wrong }) {
  const { base } = useJournalTools()
  const write = useWriteAct()
  const navigate = useNavigate()
  const { box } = view
  const sealed = () =>
    write.mutate({
      what: `${box.name}: sealed`,
      drafts: [{ kind: 'box.sealed', payload: { boxId: box.boxId, lid: box.lid, lidKnown: box.lidKnown } }],
    })
  const opened = () =>
    write.mutate({
      what: `${box.name}: it was opened`,
      drafts: [
        {
          kind: 'box.opened',
          payload: { boxId: box.boxId, openSeconds: LONG_OPEN_S },
          ...(first.amiss ? { atMs: Math.round(msFromSeconds(first.amiss.atS)) } : {}),
        },
      ],
    })
  const renew = `${base}/box/${box.boxId}?do=renewing`
  const isLeak = first.cause === 'leak' || first.cause === 'too few beads'
  return (
    <>
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <div className={`${hand.acts} ${css.acts}`}>
        {!freshBeadsHelp(first.cause) && view.charges.length > 0 && (
          <button type="button" className={hand.worded} onClick={() => void navigate(renew)}>
            Renew anyway
          </button>
        )}
        {first.amiss && first.cause !== 'damp' && (
          <button type="button" className={hand.worded} disabled={write.isPending} onClick={opened}>
            It was opened
          </button>
        )}
        {isLeak && (
          <button type="button" className={hand.filled} disabled={write.isPending} onClick={sealed}>
            It is sealed now
          </button>
        )}
        {freshBeadsHelp(first.cause) && (
          <button type="button" className={hand.filled} onClick={() => void navigate(renew)}>
            Renew the beads
          </button>
        )}
        {first.cause === 'display' && (
          <button type="button" className={hand.filled} onClick={() => void navigate(`${base}/kit/displays`)}>
            Check it in one bag
          </button>
        )}
        {first.cause === 'damp' && (
          <button
            type="button"
            className={hand.filled}
            onClick={() => void navigate(`${base}/box/${box.boxId}?do=moving`)}
          >
            Take it out
          </button>
        )}
      </div>
    </>
  )
}
const LONG_OPEN_S = 3600

/** Every cause with its line, and what speaks for it and against it beside its strongest rival. */
function Causes({
  report,
  wrong,
  lettered,
  nowMs,
  zone,
}: Pick<PageProps, 'report'> & {
  readonly wrong: readonly Wrong[]
  readonly lettered: readonly Lettered[]
  readonly nowMs: number
  readonly zone: string
}) {
  const said = (list: readonly Evidence[]) =>
    list.length === 0
      ? 'nothing that parts them'
      : list.map(evidence => {
          const letter = lettered.find(item => item.atS === evidence.atS)?.letter
          return (
            <span key={evidence.atS} className={css.evidence}>
              {letter && <b className={css.letter}>{letter}</b>}{' '}
              {shortDayText(msFromSeconds(evidence.atS), nowMs, zone)} shows {inWhole(evidence.seenRhPercent)}
              : this would show {inWhole(evidence.expectedRhPercent)}, the other{' '}
              {inWhole(evidence.otherRhPercent)}.{' '}
            </span>
          )
        })
  return (
    <table className={css.causes}>
      <thead>
        <tr>
          <th scope="col">What it can be</th>
          <th scope="col">speaks for it</th>
          <th scope="col">speaks against it</th>
        </tr>
      </thead>
      <tbody>
        {wrong.map((one, i) => {
          const rival = wrong[i === 0 ? 1 : 0]
          const between = rival ? evidenceBetween(report, one, rival) : { forIt: [], against: [] }
          return (
            <tr key={`${one.cause} ${i}`} data-cause={one.cause}>
              <th scope="row">
                <span className={css.rank}>{i + 1}</span> {CAUSE_NAMES[one.cause]}{' '}
                {i < 3 && <i className={css.sample} data-line={i} aria-hidden="true" />}
                <small>{amountOf(one, nowMs, zone)}</small>
              </th>
              <td>{said(between.forIt)}</td>
              <td>{said(between.against)}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

const MOST_LINES = 3

function chartData(
  report: BoxReport,
  wrong: readonly Wrong[],
  lettered: readonly Lettered[],
  name: string,
  nowMs: number,
  zone: string,
): WrongChartData | null {
  const [firstSeen] = report.seen
  if (!firstSeen || report.targetRhPercent === null) return null
  const points = (rh: (i: number) => number) =>
    report.seen.map(({ atS }, i) => [msFromSeconds(atS), rh(i)] as const)
  return {
    fromMs: msFromSeconds(firstSeen.atS) - DAY_MS,
    toMs: nowMs + DAY_MS,
    target: report.targetRhPercent,
    readings: points(i => report.seen[i]!.rhPercent),
    lines: wrong.slice(0, MOST_LINES).map(one => {
      const account = accountOf(report, one)
      return points(i => account.expectedRhPercent[i]!)
    }),
    marks: lettered.map(({ atS, seenRhPercent, letter }) => ({
      ms: msFromSeconds(atS),
      rh: seenRhPercent,
      letter,
    })),
    zone,
    summary: `Readings of ${name}, and what each cause would have shown`,
  }
}
