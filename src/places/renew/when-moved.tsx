import { openDays, type OvenSession } from '#core/renewal/oven-days.ts'
import { failsWhenMoved, moveBox } from '#core/renewal/why-day.ts'
import type { Draft } from '#records/act.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { moveDrafts, sureDraft } from '#session/oven-plan/wish-drafts.ts'
import type { Held } from './plan-drawing.tsx'
import { numberWord } from '#ui/number-words.ts'
import { capital, dateOfDay, listed, sureWords } from '#ui/plan-words.ts'
import css from './plan.module.css'
import hand from '#ui/hand.module.css'

const MOST_NEARER = 2
const LESS_SURE = [0.8, 0.7, 0.5]

/** What a session that was moved would cost, and the ways out. */
export function WhenMoved({
  question,
  sessions,
  held,
  isPut,
  zone,
  onBack,
  onKeep,
}: {
  readonly question: PlanQuestion
  readonly sessions: readonly OvenSession[]
  readonly held: Held
  /** Let go of: now it is to be decided. */
  readonly isPut: boolean
  readonly zone: string
  readonly onBack: () => void
  readonly onKeep: (what: string, drafts: readonly Draft[]) => void
}) {
  const { asked, days, boxes, told } = question
  const date = (at: number) => dateOfDay(question, days[at]!.day, zone)
  const dateOf = (day: number) => dateOfDay(question, day, zone)
  const nameOf = (id: string) => boxes.find(box => box.boxId === id)!.name
  const lateOn = (to: number) => failsWhenMoved(asked, sessions, { from: held.from, to })
  const late = lateOn(held.to)
  const session = sessions.find(one => one.at === held.from)
  const lateIds = [...new Set(late.map(one => one.boxId))]
  const holding = (session?.boxIds ?? []).filter(id => !lateIds.includes(id)).map(nameOf)
  const between = openDays(asked)
    .filter(at => at > Math.min(held.from, held.to) && at < Math.max(held.from, held.to))
    .slice(-MOST_NEARER)
  const earlier = lateIds.length > 0 ? earlierDay(question, sessions, lateIds[0]!, held.from) : null
  const [firstId] = lateIds
  const sureNow = firstId ? told.sure : 0
  const less = firstId ? LESS_SURE.find(one => one < sureNow) : undefined
  return (
    <div className={css.under} data-part="moved" role="status">
      <div>
        <p>
          <strong>On {date(held.to)}</strong>{' '}
          {late.length === 0 ? (
            'every box still holds.'
          ) : (
            <>
              {numberWord(lateIds.length)} {lateIds.length === 1 ? 'fails' : 'fail'}:{' '}
              {listed(
                lateIds.map(id => {
                  const lapse = late.find(one => one.boxId === id)!
                  return `${nameOf(id)} may be over from ${dateOf(Math.max(0, lapse.from))}`
                }),
              )}
              .{holding.length > 0 && ` ${listed(holding)} still ${holding.length === 1 ? 'holds' : 'hold'}.`}
            </>
          )}{' '}
          {late.length > 0 &&
            between.map(at => {
              const fails = [...new Set(lateOn(at).map(one => nameOf(one.boxId)))]
              return ` ${date(at)} would fail ${fails.length === 0 ? 'none' : listed(fails)}.`
            })}
        </p>
        {isPut && late.length > 0 && firstId && (
          <p className={css.ways}>
            <button type="button" className={hand.worded} onClick={onBack}>
              Put it back to {date(held.from)}
            </button>
            {earlier !== null && (
              <button
                type="button"
                className={hand.worded}
                onClick={() =>
                  onKeep(`${nameOf(firstId)} on ${date(earlier)}, oven day moved to ${date(held.to)}`, [
                    ...moveDrafts(question, moveBox(sessions, firstId, held.from, earlier), held),
                    { kind: 'renewal.wished', payload: { boxId: firstId, day: days[earlier]!.iso } },
                  ])
                }
              >
                Heat {nameOf(firstId)} on {date(earlier)}
              </button>
            )}
            {less !== undefined && (
              <button
                type="button"
                className={hand.worded}
                onClick={() =>
                  onKeep(
                    `${capital(sureWords(less))} of ${nameOf(firstId)}, oven day moved to ${date(held.to)}`,
                    [...moveDrafts(question, sessions, held), sureDraft(firstId, less)],
                  )
                }
              >
                Ask {sureWords(less)} of {nameOf(firstId)}
              </button>
            )}
            <button
              type="button"
              className={hand.worded}
              onClick={() =>
                onKeep(
                  `Oven day moved from ${date(held.from)} to ${date(held.to)}`,
                  moveDrafts(question, sessions, held),
                )
              }
            >
              Move it all the same
            </button>
          </p>
        )}
      </div>
    </div>
  )
}

/** The session before, or the last open day on which the box still holds. */
function earlierDay(
  { asked }: PlanQuestion,
  sessions: readonly OvenSession[],
  boxId: string,
  from: number,
): number | null {
  const before = sessions.findLast(one => one.at < from)
  if (before && !before.boxIds.includes(boxId)) return before.at
  const box = asked.boxes.find(one => one.id === boxId)!
  const held = openDays(asked).filter(at => at !== from && asked.days[at]!.day <= box.holdsUntil)
  return held.at(-1) ?? null
}
