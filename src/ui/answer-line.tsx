import { secondsFromMs } from '#units/time.ts'
import { isSameWay } from '#core/model/box-model.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { dateAnswer, ratioAnswer, targetAnswer } from '#core/answers/answers.ts'
import { floorAnswer } from '#core/answers/box-answers.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import type { BoxView } from '#journal/box-view.ts'
import { dayWord, judgementWords } from './judgement-words.ts'
import { Figure } from './figure.tsx'
import { THIN, asTyped, inWhole } from './format.ts'
import hand from './hand.module.css'

interface Props {
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly judgement: BoxJudgement
  readonly nowMs: number
  readonly zone: string
}

/** What is going on in there, in one line: the judgement in words, and what it comes to. */
export function AnswerLine({ view, report, judgement, nowMs, zone }: Props) {
  if (judgement.word === "can't reach") return <OutOfReach view={view} report={report} />
  const words = judgementWords(judgement, report, nowMs, zone)
  if (!words) return null
  const { lead, figure, tail } = words
  return (
    <>
      {capital(lead)}
      {figure && <Figure answer={figure.answer}>{figure.text}</Figure>}
      {tail}
      {judgement.word === 'over since' &&
        (report?.floor && view.target && report.floor.rhPercent > 0.9 * view.target.rhPercent
          ? ': seal it, then renew it'
          : ': renew it')}
      {judgement.word === 'settling' && report?.leaves && report.leaves.spread.low > judgement.readS && (
        <Reckoned report={report} nowMs={nowMs} zone={zone} />
      )}
      <DateRange judgement={judgement} report={report} nowMs={nowMs} zone={zone} />
    </>
  )
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** What was renewed has its date already, reckoned and not yet seen. */
function Reckoned({ report, nowMs, zone }: Pick<Props, 'report' | 'nowMs' | 'zone'>) {
  const leaves = report?.leaves
  if (!leaves) return null
  return (
    <span className={hand.range}>
      {' '}
      (reckoned good{' '}
      {leaves.beyondHorizon.early ? (
        'for over a year'
      ) : (
        <>
          until{' '}
          <Figure answer={dateAnswer('good until', 0.1, leaves.sharesOfDates, report.draws)}>
            {dayWord(leaves.spread.low, nowMs, zone)}
          </Figure>
        </>
      )}
      )
    </span>
  )
}

/** "(may last until …)": the 90 % date, where it is another day. */
function DateRange({ judgement, report, nowMs, zone }: Omit<Props, 'view'>) {
  const leaves = report?.leaves
  const dated = judgement.word === 'good until' || judgement.word === 'renew by'
  if (!dated || !leaves || leaves.beyondHorizon.early) return null
  const late = dayWord(leaves.spread.high, nowMs, zone)
  if (late === dayWord(judgement.dateS, nowMs, zone)) return null
  return (
    <span className={hand.range}>
      {' '}
      (
      {leaves.beyondHorizon.late ? (
        'may last over a year'
      ) : (
        <>
          may last until{' '}
          <Figure answer={dateAnswer('may last until', 0.9, leaves.sharesOfDates, report.draws)}>
            {late}
          </Figure>
        </>
      )}
      )
    </span>
  )
}

function OutOfReach({ view, report }: Pick<Props, 'view' | 'report'>) {
  if (!report?.floor) return null
  return (
    <>
      Can’t reach{' '}
      {view.target && (
        <Figure
          answer={targetAnswer(
            view.target.all.map(item => ({ name: item.spool.name, rhPercent: item.rhPercent })),
          )}
        >
          {asTyped(view.target.rhPercent)}
          {THIN}%
        </Figure>
      )}
      :{' '}
      <Figure answer={floorAnswer(report.floor)}>
        {inWhole(report.floor.rhPercent)}
        {THIN}%
      </Figure>{' '}
      at best
    </>
  )
}

/** What lies behind the answer: the cause of the width, or what would do. */
export function BehindAnswer({ view, report, judgement, nowMs }: Omit<Props, 'zone'>) {
  if (!report) return null
  if (judgement.word === "can't reach")
    return (
      <>Even with fresh beads the lid lets in more than they can take: {judgement.wouldDo} would reach it.</>
    )
  const spent = report.held
  const cause = report.causes[0]
  const dated = judgement.word === 'good until' || judgement.word === 'renew by'
  const leaky = report.floor !== null && report.floor.rhPercent > (view.target?.rhPercent ?? 100) * 0.8
  return (
    <>
      <DampSpools view={view} report={report} />
      {judgement.word === 'over since' && report.floor && leaky && (
        <>
          Fresh beads alone would settle near{' '}
          <Figure answer={floorAnswer(report.floor)}>
            {inWhole(report.floor.rhPercent)}
            {THIN}%
          </Figure>
          : {report.floor.wouldDo} does more.{' '}
        </>
      )}
      {judgement.word === 'over since' &&
        !leaky &&
        spent?.notchG &&
        spent.waterG > spent.notchG &&
        'The beads hold all they can at this target. '}
      {dated &&
        cause &&
        judgement.latestS > secondsFromMs(nowMs) + 7 * 86_400 &&
        `What is known least, and makes the range wide: ${cause.name}.`}
    </>
  )
}

const COUNTS = ['', '', 'Two', 'Three', 'Four', 'Five', 'Six']

function DampSpools({ view, report }: Pick<Props, 'view'> & { readonly report: BoxReport }) {
  const lid = report.streams.find(stream => stream.way.by === 'lid')?.mgPerDay ?? 0
  const givers = view.spools.filter(spool => spoolFlow(report, spool.spoolId) > lid)
  if (givers.length === 0 || lid <= 0) return null
  const sum = givers.reduce((total, spool) => total + spoolFlow(report, spool.spoolId), 0)
  const times = ratioAnswer(
    'water from damp spools against the lid',
    'mg/day',
    ['damp spools and their board', sum],
    ['lid', lid],
  )
  return (
    <>
      {givers.length === 1
        ? `${givers[0]!.name} gives`
        : `${COUNTS[givers.length] ?? 'Many'} damp spools give`}{' '}
      the air{' '}
      <Figure answer={times}>
        {times.value < 1.5
          ? 'as much water as'
          : times.value < 2.5
            ? 'twice the water'
            : `${inWhole(times.value)} times the water`}
      </Figure>{' '}
      the lid lets in.{' '}
    </>
  )
}

/** mg a day that a spool and its board give the air. */
export const spoolFlow = (report: BoxReport, spoolId: string): number =>
  report.streams
    .filter(
      ({ way }) =>
        isSameWay(way, { by: 'spool', id: spoolId }) || isSameWay(way, { by: 'board', id: spoolId }),
    )
    .reduce((sum, stream) => sum + stream.mgPerDay, 0)
