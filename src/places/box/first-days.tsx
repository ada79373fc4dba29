import { greatest } from '#units/extremes.ts'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { shareAnswer } from '#core/answers/answers.ts'
import { firstDayMiss, type FirstDay } from '#core/estimate/promise.ts'
import type { BoxView } from '#journal/box-view.ts'
import { instrumentFor } from '#journal/instruments.ts'
import { shownRh } from '#journal/true-readings.ts'
import { lastClosing } from '#session/closing.ts'
import { shownBy } from '#session/expectation.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { firstDayQuery } from '#session/reports.ts'
import { msFromSeconds, secondsFromMs } from '#units/time.ts'
import { agoText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { afterWords, FIRST_DAY_WORDS, toldOf } from '#ui/first-day-words.ts'
import { asTyped, inWhole, THIN } from '#ui/format.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './box.module.css'

const EACH = 'of the simulated readings, by twentieths'

/** What the display should show in the days after the box was closed, and what one outside that says. */
export function FirstDays({ view }: { readonly view: BoxView }) {
  const journal = useJournal()
  const tools = useJournalTools()
  const { boxId } = view.box
  const closing = lastClosing(journal, boxId)
  const { data: promise } = useQuery(firstDayQuery(tools, boxId, closing?.facts))
  if (!closing || !promise) return null
  const shown = shownBy(journal.state, instrumentFor(journal.state, boxId), journal.nowMs)
  const told = toldOf(promise, shown)
  const since = view.readings.filter(reading => reading.atMs > closing.closedMs)
  const miss = firstDayMiss(
    promise,
    since.map(reading => ({ atS: secondsFromMs(reading.atMs), rhPercent: reading.relativeHumidityPercent })),
    view.hygrometer.floorPercentRh,
  )
  return (
    <section className={css.firstDays} data-part="first-days" aria-label="The first days">
      <Band promise={promise} shown={shown} since={since} closedMs={closing.closedMs} />
      <p>
        Closed {agoText(closing.closedMs, journal.nowMs, tools.maker.zone)}. It should show{' '}
        {told.map(({ hours, points }, i) => (
          <span key={hours}>
            {i > 0 && ', '}
            <Figure
              answer={shareAnswer(
                `after ${afterWords(hours)}: as likely more as less`,
                '%',
                0.5,
                points,
                EACH,
              )}
            >
              {inWhole(points[9]!)}
              {i === 0 && `${THIN}%`}
            </Figure>{' '}
            after {afterWords(hours)} (
            <Figure answer={shareAnswer(`after ${afterWords(hours)}: least`, '%', 0.05, points, EACH)}>
              {inWhole(points[0]!)}
            </Figure>
            –
            <Figure answer={shareAnswer(`after ${afterWords(hours)}: most`, '%', 0.95, points, EACH)}>
              {inWhole(points[18]!)}
            </Figure>
            )
          </span>
        ))}
        .{' '}
        {miss && (
          <span data-part="first-day-miss" role="status">
            <strong>
              {asTyped(shown(miss.rhPercent))}
              {THIN}% {agoText(msFromSeconds(miss.atS), journal.nowMs, tools.maker.zone)} lies outside that,{' '}
              {FIRST_DAY_WORDS[miss.cause].as}.
            </strong>{' '}
            {FIRST_DAY_WORDS[miss.cause].test}{' '}
            {miss.cause === 'display' && <Link to={`${tools.base}/kit/displays`}>How true it is</Link>}
          </span>
        )}
        {!miss && since.length > 0 && (
          <span className={hand.aside}>What was read since lies inside that.</span>
        )}
      </p>
    </section>
  )
}

const WIDTH = 210
const HEIGHT = 84
const FOOT = 18

/** Hours on a scale that gives the first ones room; the band is where nine readings in ten lie. */
function Band({
  promise,
  shown,
  since,
  closedMs,
}: {
  readonly promise: FirstDay
  readonly shown: (rhPercent: number) => number
  readonly since: BoxView['readings']
  readonly closedMs: number
}) {
  const { hours, lowRh, middleRh, highRh } = promise
  const first = hours[0]!
  const last = hours.at(-1)!
  const x = (hour: number) =>
    (Math.log(Math.max(first, hour) / first) / Math.log(last / first)) * (WIDTH - 8) + 4
  const seen = since.flatMap(reading => {
    const hour = (reading.atMs - closedMs) / 3_600_000
    return hour <= last ? [{ hour, rhPercent: shownRh(reading) }] : []
  })
  const top = Math.max(greatest(highRh.map(shown)), greatest(seen.map(one => one.rhPercent))) + 4
  const y = (rh: number) => HEIGHT - FOOT - (rh / top) * (HEIGHT - FOOT - 4)
  const line = (column: readonly number[]) =>
    column.map((rh, i) => `${x(hours[i]!).toFixed(1)} ${y(shown(rh)).toFixed(1)}`)
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      className={pen.drawing}
      role="img"
      aria-label="Where nine readings in ten should lie in the first three days"
    >
      <path d={`M${line(lowRh).join('L')}L${[...line(highRh)].reverse().join('L')}Z`} className={css.band} />
      <path d={`M${line(middleRh).join('L')}`} className={css.bandMiddle} />
      <path className={pen.axis} d={`M4 ${HEIGHT - FOOT}H${WIDTH - 4}`} />
      {([1, 6, 24, 72] as const).map(hour => (
        <g key={hour}>
          <path className={pen.axis} d={`M${x(hour)} ${HEIGHT - FOOT}v4`} />
          <text
            x={x(hour)}
            y={HEIGHT - 2}
            textAnchor={hour === 72 ? 'end' : 'middle'}
            className={pen.inkSmallAside}
          >
            {hour === 72 ? '72 h' : hour}
          </text>
        </g>
      ))}
      {seen.map(one => (
        <circle key={one.hour} cx={x(one.hour)} cy={y(one.rhPercent)} r="3" className={css.bandReading} />
      ))}
    </svg>
  )
}
