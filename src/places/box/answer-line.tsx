import { msFromSeconds, secondsFromMs } from '#units/time.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { dateAnswer, enteredAnswer } from '#core/answers/answers.ts'
import { floorAnswer } from '#core/answers/box-answers.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import type { BoxView } from '#records/box-view.ts'
import { dayText, isoDay } from '#draw/dates.ts'
import { Figure } from '#draw/figure.tsx'
import { inWhole, THIN } from '#draw/format.ts'

interface Props {
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly judgement: BoxJudgement
  readonly nowMs: number
  readonly zone: string
}

/** What is going on in there, in one line. */
export function AnswerLine({ view, report, judgement, nowMs, zone }: Props) {
  const day = (seconds: number) =>
    isoDay(msFromSeconds(seconds), zone) === isoDay(nowMs, zone)
      ? 'today'
      : dayText(msFromSeconds(seconds), nowMs, zone)
  switch (judgement.word) {
    case 'good until':
    case 'renew by': {
      const leaves = report?.leaves
      if (!leaves) return null
      if (leaves.beyondHorizon.early) return <>Good for over a year</>
      const today = day(judgement.dateS) === 'today'
      return (
        <>
          {judgement.word === 'good until' ? 'Good until ' : today ? 'Renew ' : 'Renew by '}
          <Figure answer={dateAnswer(judgement.word, 0.1, leaves.sharesOfDates, report.draws)}>
            {day(judgement.dateS)}
          </Figure>{' '}
          <span className="range">
            (
            {leaves.beyondHorizon.late ? (
              'may last over a year'
            ) : (
              <>
                may last until{' '}
                <Figure answer={dateAnswer('may last until', 0.9, leaves.sharesOfDates, report.draws)}>
                  {day(leaves.spread.high)}
                </Figure>
              </>
            )}
            )
          </span>
        </>
      )
    }
    case 'over since':
      return (
        <>
          Over since{' '}
          <Figure
            answer={enteredAnswer(
              'over since',
              'first reading of this run above the target',
              judgement.dateS,
              'date',
              'measured',
            )}
          >
            {day(judgement.dateS)}
          </Figure>
          : renew it
        </>
      )
    case "can't reach":
      return report?.floor ? (
        <>
          Can’t reach {inWhole(view.target?.rhPercent ?? 0)}
          {THIN}%:{' '}
          <Figure answer={floorAnswer(report.floor)}>
            {inWhole(report.floor.rhPercent)}
            {THIN}%
          </Figure>{' '}
          at best
        </>
      ) : null
    case 'not known':
      return <>{judgement.todo.startsWith('wait') ? 'Reckoning …' : `Not known: ${judgement.todo}`}</>
  }
}

/** What lies behind the answer: the cause of the width, or what would do. */
export function behindAnswer({ view, report, judgement, nowMs }: Omit<Props, 'zone'>): string {
  if (!report) return ''
  if (judgement.word === "can't reach")
    return `Even with fresh beads the lid lets in more than they can take: ${judgement.wouldDo} would reach it.`
  const lines: string[] = []
  const damp = dampestSpools(view, report)
  if (damp) lines.push(damp)
  if (judgement.word === 'over since' && report.floor) {
    const spent = report.charges[0]
    if (report.floor.rhPercent > (view.target?.rhPercent ?? 100) * 0.8)
      lines.push(
        `Fresh beads alone would settle near ${inWhole(report.floor.rhPercent)} %: ${report.floor.wouldDo} does more.`,
      )
    else if (spent?.notchG && spent.waterG > spent.notchG)
      lines.push('The beads hold all they can at this target.')
  }
  const cause = report.causes[0]
  if (
    cause &&
    (judgement.word === 'good until' || judgement.word === 'renew by') &&
    judgement.latestS > secondsFromMs(nowMs) + 7 * 86_400
  )
    lines.push(`Most of the width comes from ${cause.name}.`)
  return lines.join(' ')
}

function dampestSpools(view: BoxView, report: BoxReport): string | null {
  const lid = report.streams.find(stream => stream.path === 'lid')?.mgPerDay ?? 0
  const givers = view.spools.filter(spool => spoolFlow(report, spool.spoolId) > lid)
  if (givers.length === 0 || lid <= 0) return null
  const sum = givers.reduce((total, spool) => total + spoolFlow(report, spool.spoolId), 0)
  const times = sum / lid
  const count = ['', '', 'Two', 'Three', 'Four', 'Five', 'Six'][givers.length] ?? String(givers.length)
  const names = givers.length === 1 ? givers[0]!.name : `${count} damp spools`
  return `${names} ${givers.length === 1 ? 'gives' : 'give'} the air ${times < 1.5 ? 'as much water as' : times < 2.5 ? 'twice the water' : `${inWhole(times)} times the water`} the lid lets in.`
}

/** mg a day that a spool and its board give the air. */
export const spoolFlow = (report: BoxReport, spoolId: string): number =>
  report.streams
    .filter(stream =>
      [`spool:${spoolId}`, `board:${spoolId}`].some(
        path => stream.path === path || stream.path.startsWith(`${path}.`),
      ),
    )
    .reduce((sum, stream) => sum + stream.mgPerDay, 0)
