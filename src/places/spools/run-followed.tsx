import { useElementSize } from '@mantine/hooks'
import { lazy, Suspense, useMemo } from 'react'
import { spoolWord } from '#core/verdict/spool.ts'
import { differenceAnswer, shareAnswer } from '#core/answers/answers.ts'
import type { Shares } from '#core/spool/shares.ts'
import type { DryingRun } from '#core/spool/drying-run.ts'
import type { DryingRunRecord, SpoolRecord } from '#journal/state.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { clockText, shortDayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, inTenths, THIN } from '#ui/format.ts'
import { degreesText } from '#ui/heat-text.ts'
import { useBell } from '#ui/use-bell.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { secondsFromMs } from '#units/time.ts'
import hand from '#ui/hand.module.css'
import css from './run.module.css'

const RunChart = lazy(() => import('./run-chart.tsx'))
const HOUR_MS = 3_600_000
const CHART_PX = 210

type Named = readonly [string, number]
/** The larger first: what comes out or goes back is said as an amount. */
const inOrder = (a: Named, b: Named): [Named, Named] => (a[1] < b[1] ? [b, a] : [a, b])

/** What the run says now: falling or done, what is out, how damp it is. */
export function Followed({
  spool,
  run,
  found,
  nowMs,
}: {
  readonly spool: SpoolRecord
  readonly run: DryingRunRecord
  readonly found: DryingRun
  readonly nowMs: number
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const { dark } = usePreferences()
  const measures = useMeasures()
  const { weight } = measures
  const { ref, width } = useElementSize()
  const material = state.materials[spool.material]
  const nowS = secondsFromMs(nowMs)
  const at = Math.max(
    0,
    found.atS.findLastIndex(s => s <= nowS),
  )
  const hourOn = found.atS.findIndex(s => s >= nowS + secondsFromMs(HOUR_MS))
  const out = found.outG[at]!
  const perHour = hourOn < 0 ? null : found.outG[hourOn]!.middle - out.middle
  const rising = perHour !== null && perHour < -0.001
  const next = found.next[at]!
  const mean = found.mean[at]!
  const { doneHours } = found
  const doneMs = (hours: number) => run.begunMs + hours * HOUR_MS
  const limitPercent = material.troubleAbovePercent ?? material.cleanBelowPercent
  const isDone = next.middle <= limitPercent
  const heatC = run.heats.at(-1)!.temperatureC
  const isIn = run.endedMs === null
  // left in for standby it keeps what it has only while it is really hot
  const lost = isDone && isIn ? found.next.findIndex((one, i) => i > at && one.middle > limitPercent) : -1
  useBell(
    isDone || doneHours === null || !isIn ? null : doneMs(doneHours.middle),
    nowMs,
    `${spool.name} is dry enough.`,
  )
  const when = (hours: number) => {
    const ms = doneMs(hours)
    return ms - nowMs > 20 * HOUR_MS
      ? `${shortDayText(ms, nowMs, maker.zone)} ${clockText(ms, maker.zone)}`
      : clockText(ms, maker.zone)
  }
  const share = (what: string, unit: string, { points }: Shares) =>
    shareAnswer(`${spool.name} ${what}`, unit, 0.5, points, 'a twentieth of the draws')
  const isOff = isIn && heatC === null
  const nextWord = spoolWord(material, next.middle)
  const meanWord = spoolWord(material, mean.middle)
  const data = useMemo(
    () => ({
      found,
      weights: run.weights.map(one => [one.atMs, run.weights[0]!.grossG - one.grossG] as const),
      nowMs,
      doneMs:
        isDone || doneHours === null
          ? null
          : {
              low: run.begunMs + doneHours.low * HOUR_MS,
              middle: run.begunMs + doneHours.middle * HOUR_MS,
              high: run.begunMs + doneHours.high * HOUR_MS,
            },
      zone: maker.zone,
    }),
    [found, run.weights, run.begunMs, nowMs, isDone, doneHours, maker.zone],
  )
  return (
    <>
      <h1 className={hand.answer} aria-live="polite">
        {isOff ? (
          'It is off: nothing comes out.'
        ) : isDone ? (
          `Done: its next ${weight.text(run.nextG)} may print.`
        ) : doneHours === null || doneMs(doneHours.middle) <= nowMs ? (
          rising ? (
            `Not at ${degreesText(measures, heatC!)}: it takes water up again.`
          ) : (
            'Still falling; not done within a day.'
          )
        ) : (
          <>
            Still falling: done about{' '}
            <Figure answer={share('is done after', 'h', doneHours)}>{when(doneHours.middle)}</Figure>.
          </>
        )}
      </h1>
      <p className={hand.behind} data-part="run-facts">
        {!isDone && doneHours !== null && doneMs(doneHours.middle) > nowMs && (
          <span className={hand.pencil}>
            {when(doneHours.low)}–{when(doneHours.high)}, when its next {weight.text(run.nextG)} are
            usable.{' '}
          </span>
        )}
        {perHour !== null && isIn && (
          <>
            <Figure
              answer={differenceAnswer(
                `water out of ${spool.name} in an hour`,
                'g',
                ...inOrder(['out an hour from now', found.outG[hourOn]!.middle], ['out now', out.middle]),
              )}
            >
              {inHundredths(Math.abs(perHour))}
              {THIN}g
            </Figure>{' '}
            an hour {rising ? 'go back in' : 'come out'}.{' '}
          </>
        )}
        {isDone && isIn && heatC !== null && (
          <>
            {lost < 0
              ? `It may stay in: it keeps so while it really runs at ${degreesText(measures, heatC)}. `
              : `At ${degreesText(measures, heatC)} it does not stay so: past its limit about ${when((found.atS[lost]! - found.atS[0]!) / 3600)}. `}
          </>
        )}
        {run.weights.length < 2 && 'Weigh it after an hour: the scale tells how this spool dries.'}
      </p>
      <p data-part="run-facts">
        <strong>
          Water out{' '}
          <Figure answer={share('has given off', 'g', out)}>
            {inTenths(out.middle)}
            {THIN}g
          </Figure>
        </strong>{' '}
        of about{' '}
        <Figure answer={share('gives off in all', 'g', found.endOutG)}>
          {inTenths(found.endOutG.middle)}{' '}
          <span className={hand.pencil}>
            ({inTenths(found.endOutG.low)}–{inTenths(found.endOutG.high)})
          </span>
        </Figure>
      </p>
      <div ref={ref} className={css.chart}>
        {width > 0 && (
          <Suspense fallback={<p className={hand.aside}>Drawing …</p>}>
            <RunChart key={String(dark)} data={data} width={width} height={CHART_PX} />
          </Suspense>
        )}
      </div>
      <p data-part="run-facts">
        Turns printed next{' '}
        <strong>
          <Figure answer={share('holds, in the turns printed next,', 'wt %', next)}>
            {inHundredths(next.middle)}
            {THIN}%
          </Figure>
        </strong>
        , {nextWord}; the whole spool{' '}
        <strong>
          <Figure answer={share('holds, the whole of it,', 'wt %', mean)}>
            {inHundredths(mean.middle)}
            {THIN}%
          </Figure>
        </strong>
        , {meanWord}.
      </p>
    </>
  )
}
