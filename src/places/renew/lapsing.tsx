import { useMemo } from 'react'
import type { Lapse } from '#core/renewal/oven-days.ts'
import type { Draft } from '#records/act.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { waysOut, type WayOut } from '#session/oven-plan/ways-out.ts'
import type { OvenPlanShown } from '#session/oven-plan/use-oven-plan.ts'
import { daysBetween } from '#units/calendar-day.ts'
import { minutesText } from '#ui/heat-text.ts'
import { dateOfDay, listed, longDateOfDay, sureWords } from '#ui/plan-words.ts'
import css from './plan.module.css'
import hand from '#ui/hand.module.css'

/** Where the wishes cannot all be met: who would be over, and which of them to relax. */
export function Lapsing({
  question,
  shown,
  lapsing,
  isTooFull,
  onKeep,
}: {
  readonly question: PlanQuestion
  readonly shown: Pick<OvenPlanShown, 'known' | 'reckoned'>
  readonly lapsing: readonly Lapse[]
  readonly isTooFull: boolean
  readonly onKeep: (what: string, drafts: readonly Draft[]) => void
}) {
  const journal = useJournal()
  const { zone } = useJournalTools().maker
  const { known, reckoned } = shown
  const ways = useMemo(
    () => waysOut(journal, known, reckoned, question),
    [journal, known, reckoned, question],
  )
  const nameOf = (id: string) => question.boxes.find(box => box.boxId === id)!.name
  const date = (day: number) => dateOfDay(question, day, zone)
  const long = (iso: string) => longDateOfDay(question, daysBetween(question.today, iso), zone)
  const groups: { from: number; to: number; names: string[] }[] = []
  for (const { boxId, from, to } of lapsing) {
    const same = groups.find(one => one.to === to && Math.max(0, one.from) === Math.max(0, from))
    if (same) same.names.push(nameOf(boxId))
    else groups.push({ from, to, names: [nameOf(boxId)] })
  }
  const words = ({ is }: WayOut): string => {
    switch (is.what) {
      case 'allow':
        return `Allow ${long(is.day)} after all`
      case 'extra day':
        return `Be there on ${long(is.day)}`
      case 'box any day':
        return `${nameOf(is.boxId)} on any day`
      case 'less sure':
        return `Ask ${sureWords(is.sure)} of ${nameOf(is.boxId)}`
      case 'longer':
        return `Stay ${minutesText(is.minutes)}`
    }
  }
  return (
    <div className={css.under} data-part="lapsing">
      <div>
        <p>
          {isTooFull && 'The hours are too short for what has to be heated. '}
          {lapsing.length > 0 &&
            `May be over in this plan: ${listed(
              groups.map(({ from, to, names }) =>
                from <= 0
                  ? `${listed(names)} until ${date(to)}`
                  : `${listed(names)} from ${date(from)} to ${date(to)}`,
              ),
            )}.`}
          {ways.length > 0
            ? ' One of these would help:'
            : lapsing.length > 0
              ? ' No earlier day is left.'
              : ''}
        </p>
        {ways.length > 0 && (
          <p className={css.ways}>
            {ways.map(way => (
              <button
                key={words(way)}
                type="button"
                className={hand.worded}
                onClick={() => onKeep(words(way), way.drafts)}
              >
                {words(way)}
                {way.daysOver === 0 ? '' : ` (${Math.round(way.daysOver % 1000)} days over left)`}
              </button>
            ))}
          </p>
        )}
      </div>
    </div>
  )
}
