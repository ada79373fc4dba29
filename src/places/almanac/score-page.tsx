import { useElementSize } from '@mantine/hooks'
import { useQueries } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import type { AmissKind } from '#core/estimate/amiss.ts'
import { SURE_OF_A_CAUSE } from '#core/estimate/wrong.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { msFromSeconds } from '#units/time.ts'
import { useScore, type ScoredDate } from '#session/score.ts'
import { shortDayText } from '#ui/dates.ts'
import { inCount, scoreSentence } from '#ui/score-words.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './almanac.module.css'

/** Every date that was given, as it was known then, against what came. */
export function ScorePage() {
  const { state } = useJournal()
  const { base } = useJournalTools()
  const [search] = useSearchParams()
  const asked = search.get('box')
  const shelf = useMemo(() => inShelfOrder(state), [state])
  const boxIds = useMemo(
    () => shelf.map(box => box.boxId).filter(id => asked === null || id === asked),
    [shelf, asked],
  )
  const [isStopped, setStopped] = useState(false)
  const { dates, done, of } = useScore(boxIds, !isStopped)
  const told = dates.filter(date => date.score !== 'open').sort((a, b) => a.givenMs - b.givenMs)
  const isDone = done === of
  return (
    <>
      <div className={hand.answerRow}>
        <div>
          <h1 className={hand.answer} data-score={isDone ? `${told.length}/${of}` : ''}>
            {of === 0
              ? 'No date was given yet'
              : !isDone && !isStopped
                ? `Reckoning … ${done} of ${of}`
                : scoreSentence(dates)}
          </h1>
          <p className={hand.behind}>
            Each date as it was known on its day, one a fortnight for each box, against what its display
            showed afterwards. A range should hold it eight times in ten
            {told.length > 1 && `: here ${inCount(0.8 * told.length)}`}.
          </p>
        </div>
        {!isDone && (
          <button type="button" className={hand.worded} onClick={() => setStopped(!isStopped)}>
            {isStopped ? 'Go on' : 'Stop'}
          </button>
        )}
      </div>
      {told.length > 0 && <Strip told={told} />}
      <Misses told={told} />
      {dates.length > told.length && (
        <p className={hand.aside}>
          {dates.length - told.length === 1 ? 'One more date is' : `${dates.length - told.length} more are`}{' '}
          open: the box still held when it was renewed or last read, and that is no miss yet.
        </p>
      )}
      {asked !== null && (
        <p>
          <Link to={`${base}/almanac/score`}>The score of every box</Link>
        </p>
      )}
    </>
  )
}

const HEIGHT = 128
const MIDDLE = 58
/** From the middle date to either end of its range. */
const REACH = 30
const MOST_BEYOND = 1.7
const LABELS_PX = 96

/** Where in its range it came: −1 at the early end, 1 at the late one. */
function placeOf({ lowMs, middleMs, highMs, came }: ScoredDate): number {
  const ms = came.is === 'held' ? came.untilMs : (came.afterMs + came.byMs) / 2
  const end = ms < middleMs ? middleMs - lowMs : (highMs ?? 2 * middleMs - lowMs) - middleMs
  return Math.min(MOST_BEYOND, Math.max(-MOST_BEYOND, (ms - middleMs) / Math.max(end, DAY_MS)))
}
const DAY_MS = 86_400_000

/** One stroke a date, the early end below: the dot is the day it came. */
function Strip({ told }: { readonly told: readonly ScoredDate[] }) {
  const { ref, width } = useElementSize()
  const step = Math.min(28, Math.max(5, (width - LABELS_PX) / told.length))
  const most = Math.max(1, Math.floor((width - LABELS_PX) / step))
  const shown = told.slice(-most)
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height={HEIGHT}
          role="img"
          aria-label="One stroke for each date’s range, and where in it, or beyond it, the day came"
        >
          {shown.map((date, i) => {
            const x = (i + 0.5) * step
            // the day may lie anywhere between two readings: a date that is within is drawn within
            const place = date.score === 'within' ? Math.min(1, Math.max(-1, placeOf(date))) : placeOf(date)
            const beyond = date.score === 'early' ? Math.min(place, -1.3) : Math.max(place, 1.3)
            const y = MIDDLE - REACH * (date.score === 'within' ? place : beyond)
            return (
              <g key={`${date.boxId} ${date.givenMs}`}>
                <path
                  d={`M${x - 3} ${MIDDLE - REACH}h6M${x} ${MIDDLE - REACH}V${MIDDLE + REACH}M${x - 3} ${MIDDLE + REACH}h6`}
                  className={css.scoreRange}
                />
                {date.score === 'within' ? (
                  <circle cx={x} cy={y} r="3" className={css.scoreDot} />
                ) : (
                  <path d={`M${x} ${y - 4}l4 4l-4 4l-4 -4Z`} className={css.scoreMiss} data-part="miss" />
                )}
              </g>
            )
          })}
          <g transform={`translate(${Math.min(width - LABELS_PX + 8, shown.length * step + 10)} 0)`}>
            <text y={MIDDLE - REACH - 10} className={pen.inkSmallAside}>
              later
            </text>
            <text y={MIDDLE + 4} className={pen.inkSmallAside}>
              as given
            </text>
            <text y={MIDDLE + REACH + 20} className={pen.inkSmallAside}>
              earlier
            </text>
          </g>
        </svg>
      )}
    </div>
  )
}

const AMISS_SINCE: Readonly<Record<AmissKind, string>> = {
  leak: 'its lid lets in more since',
  opened: 'it was open',
  renewed: 'it was renewed',
  damp: 'what came in was damp',
  display: 'its display shows something else since',
}

/** What by most accounts of a box happened without a word after a date was given, and before it came. */
function useSlipsOf(misses: readonly ScoredDate[]) {
  const tools = useJournalTools()
  const journal = useJournal()
  const ids = [...new Set(misses.map(date => date.boxId))]
  const reports = useQueries({
    queries: ids.map(id => reportQuery(tools, id, knownBox(journal, id)?.facts)),
  })
  return ({ boxId, givenMs, came }: ScoredDate) => {
    const [first] = reports[ids.indexOf(boxId)]?.data?.wrong ?? []
    if (!first?.amiss || first.share < SURE_OF_A_CAUSE || came.is === 'held') return null
    const atMs = msFromSeconds(first.amiss.atS)
    return atMs > givenMs && atMs < came.byMs ? { kind: first.amiss.kind, atMs } : null
  }
}

function Misses({ told }: { readonly told: readonly ScoredDate[] }) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const misses = told.filter(date => date.score !== 'within')
  const since = useSlipsOf(misses)
  if (misses.length === 0) return null
  const day = (ms: number) => shortDayText(ms, nowMs, maker.zone)
  return (
    <table className={css.almanacTable}>
      <thead>
        <tr>
          <th scope="col">{misses.length === 1 ? 'The one that did not' : 'Those that did not'}</th>
          <th scope="col">given</th>
          <th scope="col">its range</th>
          <th scope="col">what came</th>
        </tr>
      </thead>
      <tbody>
        {misses.map(date => (
          <tr key={`${date.boxId} ${date.givenMs}`} data-miss={date.score}>
            <th scope="row">
              <Link to={`${base}/box/${date.boxId}`}>{state.boxes.get(date.boxId)?.name ?? 'a box'}</Link>
            </th>
            <td>{day(date.givenMs)}</td>
            <td>
              {day(date.lowMs)} to {date.highMs === null ? 'over a year' : day(date.highMs)}
            </td>
            <td>
              {date.came.is === 'held'
                ? `still held on ${day(date.came.untilMs)}: later`
                : `over between ${day(date.came.afterMs)} and ${day(date.came.byMs)}: ${date.score === 'early' ? 'earlier' : 'later'}`}
              {since(date) !== null && (
                <small>
                  what nobody could know then: {AMISS_SINCE[since(date)!.kind]} about {day(since(date)!.atMs)}
                </small>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
