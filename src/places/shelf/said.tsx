import { Link } from 'react-router'
import { secondsFromMs } from '#units/time.ts'
import { dateAnswer, readAgainAnswer, settlesAtAnswer } from '#core/answers/answers.ts'
import type { IsoDay } from '#units/calendar-day.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { Figure } from '#ui/figure.tsx'
import type { ShelfItem } from './shelf-drawing.tsx'
import type { Piece } from './shelf-sentence.ts'
import css from './shelf.module.css'

const SECONDS_AN_HOUR = 3600

/** One piece of the shelf's sentence; its figures open to their reason. */
export function Said({ piece, items }: { readonly piece: Piece; readonly items: readonly ShelfItem[] }) {
  if (typeof piece === 'string') return piece
  if ('dayOf' in piece) return <PlannedDay {...piece} />
  if ('answer' in piece) return <Figure answer={piece.answer}>{piece.text}</Figure>
  const item = items.find(({ view }) => view.box.name === piece.box)
  if (piece.figure === 'date') {
    const { report, judgement } = item ?? {}
    const shares = report?.leaves?.sharesOfDates
    return shares ? (
      <Figure answer={dateAnswer(`${piece.box}: ${judgement?.word}`, 0.1, shares, report.draws)}>
        {piece.text}
      </Figure>
    ) : (
      piece.text
    )
  }
  if (piece.figure === 'read again') {
    const { report } = item ?? {}
    return report?.leaves && report.standing?.is === 'not known yet' ? (
      <Figure answer={readAgainAnswer(report.nowS, report.leaves.spread.middle, report.standing.readAgainS)}>
        {piece.text}
      </Figure>
    ) : (
      piece.text
    )
  }
  if (piece.figure === 'settles') {
    const renewedMs = item?.view.renewedMs
    return renewedMs == null ? (
      piece.text
    ) : (
      <Figure
        answer={settlesAtAnswer(
          secondsFromMs(renewedMs),
          item!.view.hygrometer.settlesAfterChargeS / SECONDS_AN_HOUR,
        )}
      >
        {piece.text}
      </Figure>
    )
  }
  const last = item?.view.last
  if (!last || last.disturbedMs === null || last.lookAgainMs === null) return piece.text
  const hours = Math.round((last.lookAgainMs - last.disturbedMs) / 3_600_000)
  return <Figure answer={settlesAtAnswer(secondsFromMs(last.disturbedMs), hours)}>{piece.text}</Figure>
}

function PlannedDay({ text, dayOf }: { readonly text: string; readonly dayOf: IsoDay }) {
  const { base } = useJournalTools()
  return (
    <Link to={`${base}/renew/day/${dayOf}`} className={css.plannedDay} data-part="planned-day">
      {text}
    </Link>
  )
}
