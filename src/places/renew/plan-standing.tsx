import { Fragment } from 'react'
import { asTold } from '#core/renewal/heat-source.ts'
import type { Draft } from '#records/act.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import type { OvenPlanShown } from '#session/oven-plan/use-oven-plan.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { daysBetween } from '#units/calendar-day.ts'
import { minutesText } from '#ui/heat-text.ts'
import { numberWord } from '#ui/number-words.ts'
import { daysName, dateOfDay, sureWords, weekdaysWords } from '#ui/plan-words.ts'
import css from './plan.module.css'
import hand from '#ui/hand.module.css'

/** What the plan goes by, what was wished, and how good it is. */
export function PlanStanding({
  question,
  shown,
  onChange,
  onKeep,
}: {
  readonly question: PlanQuestion
  readonly shown: OvenPlanShown
  readonly onChange: () => void
  readonly onKeep: (what: string, drafts: readonly Draft[]) => void
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const { told, choice, spares, today } = question
  const { trays } = asTold(choice.source)
  const date = (iso: string) => dateOfDay(question, daysBetween(today, iso), maker.zone)
  const away = told.away
    .filter(({ to }) => to >= today)
    .map(({ from, to }) => `away ${date(from < today ? today : from)}–${date(to)}`)
  const words = [
    weekdaysWords(told.weekdays) + `, up to ${minutesText(told.presentMinutes)}`,
    choice.name + (trays > 1 ? `, ${numberWord(trays)} trays` : ''),
    spares.length === 0
      ? 'no spares'
      : `${numberWord(spares.length)} ${spares.length === 1 ? 'spare' : 'spares'}`,
    ...away,
  ]
  return (
    <>
      <div className={css.under} data-part="goes by">
        <p className={told.isAssumed ? hand.pencil : undefined}>
          Sure <strong>{sureWords(told.sure)}</strong> · {words.join(' · ')}
          {told.isAssumed && ' · assumed: say your own'}
        </p>
        <button type="button" className={hand.worded} onClick={onChange}>
          Change these
        </button>
        <p className={hand.pencil} data-part="standing" role="status">
          {(shown.plan?.sessions.length ?? 0) > 0 && <Standing shown={shown} weekdays={told.weekdays} />}
          {question.strained.map(({ boxId, name, fromDay }) => (
            <Fragment key={boxId}>
              {' '}
              From {dateOfDay(question, fromDay, maker.zone)} on fresh beads are sure to hold {name} for less
              than a fortnight: more beads, or a tighter lid, would.
            </Fragment>
          ))}
        </p>
      </div>
      <Wishes {...{ question, date, onKeep }} told={state.ovenPlan} />
    </>
  )
}

function Standing({
  shown,
  weekdays,
}: {
  readonly shown: OvenPlanShown
  readonly weekdays: readonly number[]
}) {
  const name = daysName(weekdays, 2)
  const { plan, leastSessions } = shown
  if (shown.isLooking)
    return (
      <>
        A good plan; whether there is a better one is being worked out.{' '}
        <button type="button" className={hand.worded} onClick={shown.stop}>
          Leave it at that
        </button>
      </>
    )
  if (shown.standing === 'proven') return `Fewest ${name}, then fewest fillings: proven, no plan has fewer.`
  if (shown.standing === 'found' && plan && leastSessions !== null)
    return plan.sessions.length > leastSessions
      ? `The best found; no plan has fewer than ${numberWord(leastSessions)} ${name}.`
      : `No plan has fewer ${name}; whether fewer fillings would do was not worked out to its end.`
  if (shown.standing === 'too full') return 'No plan keeps to these hours.'
  return (
    <>
      {shown.error && shown.error.name !== 'AbortError' ? `${shown.error.message} ` : ''}A good plan; a better
      one was not looked for to its end.{' '}
      <button type="button" className={hand.worded} onClick={shown.look}>
        Look again
      </button>
    </>
  )
}

/** What the person wished for, each to be taken back. */
function Wishes({
  question,
  told,
  date,
  onKeep,
}: {
  readonly question: PlanQuestion
  readonly told: ReturnType<typeof useJournal>['state']['ovenPlan']
  readonly date: (iso: string) => string
  readonly onKeep: (what: string, drafts: readonly Draft[]) => void
}) {
  const { today, boxes } = question
  const days = [...told.dayWishes]
    .filter(([day]) => day >= today)
    .map(([day, wish]) => ({
      key: day,
      says: wish === 'pinned' ? `${date(day)} kept` : `${date(day)} struck out`,
      drafts: [{ kind: 'ovenDays.wished', payload: { day, wish: null } }] satisfies Draft[],
    }))
  const ofBoxes = [...told.boxWishes].flatMap(([boxId, { day, sure }]) => {
    const name = boxes.find(box => box.boxId === boxId)?.name
    if (name === undefined) return []
    return [
      ...(day != null && day >= today
        ? [
            {
              key: `${boxId} day`,
              says: `${name} on ${date(day)}`,
              drafts: [{ kind: 'renewal.wished', payload: { boxId, day: null } }] satisfies Draft[],
            },
          ]
        : []),
      ...(sure == null
        ? []
        : [
            {
              key: `${boxId} sure`,
              says: `${sureWords(sure)} of ${name}`,
              drafts: [{ kind: 'renewal.wished', payload: { boxId, sure: null } }] satisfies Draft[],
            },
          ]),
    ]
  })
  const wishes = [...days, ...ofBoxes]
  if (wishes.length === 0) return null
  return (
    <p className={css.ways} data-part="wishes">
      {wishes.map(({ key, says, drafts }) => (
        <span key={key}>
          {says}:{' '}
          <button type="button" className={hand.worded} onClick={() => onKeep(`${says}: taken back`, drafts)}>
            take it back
          </button>
        </span>
      ))}
    </p>
  )
}
