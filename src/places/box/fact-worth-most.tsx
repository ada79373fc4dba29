import { useState } from 'react'
import type { BoxReport } from '#core/estimate/report.ts'
import { msFromSeconds, secondsFromDays } from '#units/time.ts'
import type { BoxView } from '#journal/box-view.ts'
import { feltWidth, type SharesOfDates } from '#core/estimate/forecast.ts'
import { dateAnswer } from '#core/answers/answers.ts'
import { lengthText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { TellForm, tellable } from './tell-form.tsx'
import css from './box.module.css'
import hand from '#ui/hand.module.css'

/** A fact is worth asking for when it takes at least this share of the width away. */
const WORTH_ASKING = 0.15

/** One line: the one thing that would narrow the answer most. One at a time, and it may be passed over. */
export function FactWorthMost({
  view,
  report,
  roomIsRead,
}: {
  readonly view: BoxView
  readonly report: BoxReport
  readonly roomIsRead: boolean
}) {
  const [skipped, setSkipped] = useState<readonly string[]>([])
  const [telling, setTelling] = useState<string | null>(null)
  const leaves = report.leaves?.spread
  const shares = report.leaves?.sharesOfDates
  if (!leaves || !shares) return null
  // a date known to the day has no width to take away
  if (leaves.high - leaves.low < secondsFromDays(2)) return null
  const width = feltWidth(leaves, report.nowS)
  const fact = report.worth.find(
    item =>
      !skipped.includes(item.id) &&
      tellable(view, item.id, roomIsRead) &&
      feltWidth(item.spread, report.nowS) < width * (1 - WORTH_ASKING),
  )
  if (!fact) return null
  const late = (shares: SharesOfDates, share: number, words: string) => (
    <Figure answer={dateAnswer(words, share, shares, report.draws)}>
      {lengthText(
        Math.max(0, msFromSeconds(shares.find(item => item.share >= share - 1e-9)!.atS - report.nowS)),
      )}
    </Figure>
  )
  return (
    <div className={css.fact} data-fact={fact.id}>
      <p>
        Tell me {fact.ask}: narrows{' '}
        <span className={hand.aside}>
          {late(shares, 0.1, 'early date now')}–{late(shares, 0.9, 'late date now')}
        </span>{' '}
        to {late(fact.sharesOfDates, 0.1, 'early date, this known')}–
        {late(fact.sharesOfDates, 0.9, 'late date, this known')}.
      </p>
      <button type="button" className={hand.worded} onClick={() => setTelling(fact.id)}>
        Tell
      </button>
      <button type="button" className={hand.worded} onClick={() => setSkipped([...skipped, fact.id])}>
        Skip
      </button>
      {telling && <TellForm view={view} unknown={telling} close={() => setTelling(null)} />}
    </div>
  )
}
