import { greedyPlan } from '#core/renewal/greedy-plan.ts'
import { fillingsFor, lapses, openDays, type OvenPlanAsked } from '#core/renewal/oven-days.ts'
import type { Draft } from '#records/act.ts'
import { addDays, type IsoDay } from '#units/calendar-day.ts'
import type { JournalView } from '../journal-view.ts'
import type { KnownBox } from '../known-box.ts'
import { planQuestion, type PlanQuestion, type Reckoned } from './plan-question.ts'
import { isAway } from './told-days.ts'
import { sureDraft, toldWith } from './wish-drafts.ts'

/** Something that could be asked less strictly, and what that would save. */
export interface WayOut {
  readonly is:
    | { readonly what: 'allow' | 'extra day'; readonly day: IsoDay }
    | { readonly what: 'box any day'; readonly boxId: string }
    | { readonly what: 'less sure'; readonly boxId: string; readonly sure: number }
    | { readonly what: 'longer'; readonly minutes: number }
  readonly drafts: readonly Draft[]
  /** Days over its target that are left, of all boxes. */
  readonly daysOver: number
}

const HOUR = 60
const HALF_AN_HOUR = 30
const LEAST_SURE = [0.8, 0.7, 0.5] as const
const MOST = 3

/** How badly wishes are met: days over, and a thousand more where a day is too full. */
function daysOver(asked: OvenPlanAsked): number {
  const { sessions } = greedyPlan(asked)
  const over = lapses(asked, sessions).reduce((sum, { from, to }) => sum + to - Math.max(0, from), 0)
  return over + (fillingsFor(asked, sessions) === null ? 1000 : 0)
}

/**
 * Which of the wishes to relax, where they cannot all be met: each by itself, those that help most first. By the quick plan,
 * so that it is said at once.
 */
export function waysOut(
  journal: JournalView,
  known: readonly KnownBox[],
  reckoned: readonly Reckoned[],
  question: PlanQuestion,
): WayOut[] {
  const { asked, days, told, today, todayMs } = question
  const now = daysOver(asked)
  if (now === 0) return []
  const candidates: Omit<WayOut, 'daysOver'>[] = days
    .filter(day => day.wish === 'struck')
    .map(({ iso }) => ({
      is: { what: 'allow', day: iso },
      drafts: [{ kind: 'ovenDays.wished', payload: { day: iso, wish: null } }],
    }))
  for (const box of asked.boxes)
    if (box.pinnedTo !== null)
      candidates.push({
        is: { what: 'box any day', boxId: box.id },
        drafts: [{ kind: 'renewal.wished', payload: { boxId: box.id, day: null } }],
      })
  for (const { boxId, from } of lapses(asked, greedyPlan(asked).sessions)) {
    const lastHeld = addDays(today, Math.max(0, from - 1))
    if (!isAway(told, lastHeld) && !days.some(day => day.iso === lastHeld))
      candidates.push({
        is: { what: 'extra day', day: lastHeld },
        drafts: [{ kind: 'ovenDays.wished', payload: { day: lastHeld, wish: 'pinned' } }],
      })
    for (const sure of LEAST_SURE)
      if (sure < (journal.state.ovenPlan.boxWishes.get(boxId)?.sure ?? told.sure))
        candidates.push({ is: { what: 'less sure', boxId, sure }, drafts: [sureDraft(boxId, sure)] })
  }
  if (now >= 1000 || openDays(asked).length === 0) {
    // an hour more, or as long as one filling takes
    const least = Math.ceil((asked.besideMinutes + asked.batchMinutes) / HALF_AN_HOUR) * HALF_AN_HOUR
    const presentMinutes = Math.max(told.presentMinutes + HOUR, least)
    candidates.push({
      is: { what: 'longer', minutes: presentMinutes },
      drafts: [{ kind: 'ovenDays.told', payload: { presentMinutes } }],
    })
  }
  const tried = candidates.map(candidate => {
    const ovenPlan = toldWith(journal.state.ovenPlan, candidate.drafts)
    const other = planQuestion({ ...journal, state: { ...journal.state, ovenPlan } }, known, reckoned, {
      iso: today,
      beganMs: todayMs,
    })
    return { ...candidate, daysOver: daysOver(other.asked) }
  })
  const dayKey = ({ is }: Pick<WayOut, 'is'>) => ('day' in is ? is.day : '')
  const key = ({ is }: Pick<WayOut, 'is'>) => `${is.what} ${'boxId' in is ? is.boxId : ''}`
  return (
    tried
      .filter(one => one.daysOver < now)
      // of equals the latest day: it changes least
      .sort((a, b) => a.daysOver - b.daysOver || dayKey(b).localeCompare(dayKey(a)))
      .filter((one, i, all) => all.findIndex(other => key(other) === key(one)) === i)
      .slice(0, MOST)
  )
}
