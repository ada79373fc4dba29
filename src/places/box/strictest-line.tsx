import { msFromSeconds } from '#units/time.ts'
import { dateAnswer } from '#core/answers/answers.ts'
import type { BoxReport, StrictestCost } from '#core/estimate/report.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import type { BoxView } from '#journal/box-view.ts'
import { dayText, isoDay } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'

/** What the spool with the strictest target costs: the date with it gone. */
export function StrictestLine({
  view,
  report,
  judgement,
  nowMs,
  zone,
}: {
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly judgement: BoxJudgement
  readonly nowMs: number
  readonly zone: string
}) {
  const cost = report?.strictest
  if (!cost || !makesADifference(report, cost)) return null
  const ids = cost.spoolIds
  const names = view.spools.filter(spool => ids.includes(spool.spoolId)).map(spool => spool.name)
  if (names.length === 0) return null
  const who = names.length > 2 ? `the ${names.length} strictest spools` : names.join(' and ')
  const earlyMs = msFromSeconds(cost.leaves.spread.low)
  const already = isoDay(earlyMs, zone) <= isoDay(nowMs, zone)
  const since =
    judgement.word === 'over since' ? 'Over' : "can't reach" === judgement.word ? 'Out of reach' : 'So soon'
  return (
    <>
      {since} because of {who};{' '}
      {already ? (
        'without it the next target is lost as well.'
      ) : (
        <>
          without {names.length > 1 ? 'them' : 'it'} good{' '}
          <Figure
            answer={dateAnswer('good until, without the strictest', 0.1, cost.sharesOfDates, report.draws)}
            after="."
          >
            {cost.leaves.beyondHorizon.early ? 'for over a year' : `until ${dayText(earlyMs, nowMs, zone)}`}
          </Figure>
        </>
      )}
    </>
  )
}

/** Two days of one box are no difference. */
const LEAST_GAIN_S = 7 * 86_400
const makesADifference = (report: BoxReport, cost: StrictestCost): boolean =>
  cost.leaves.spread.low - (report.leaves?.spread.low ?? report.nowS) > LEAST_GAIN_S
