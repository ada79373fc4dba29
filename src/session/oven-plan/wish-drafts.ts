import type { OvenSession } from '#core/renewal/oven-days.ts'
import { moveSession } from '#core/renewal/why-day.ts'
import type { OvenPlanTold } from '#journal/state.ts'
import type { Draft } from '#records/act.ts'
import type { PlanQuestion } from './plan-question.ts'

/** The plan as it is seen, so that the next one changes it as little as may be. */
export const seenDraft = ({ days }: Pick<PlanQuestion, 'days'>, sessions: readonly OvenSession[]): Draft => ({
  kind: 'ovenPlan.seen',
  payload: {
    sessions: sessions
      .filter(one => one.boxIds.length > 0)
      .map(({ at, boxIds }) => ({ day: days[at]!.iso, boxIds: [...boxIds] })),
  },
})

const dayWish = (day: string, wish: 'pinned' | 'struck' | null): Draft => ({
  kind: 'ovenDays.wished',
  payload: { day, wish },
})

/** A session on another day: that day is wanted, and the one it stood on is wanted no more. */
export function moveDrafts(
  question: PlanQuestion,
  sessions: readonly OvenSession[],
  { from, to }: { readonly from: number; readonly to: number },
): Draft[] {
  const { days } = question
  return [
    seenDraft(question, moveSession(sessions, from, to)),
    dayWish(days[to]!.iso, 'pinned'),
    ...(days[from]!.wish === 'pinned' ? [dayWish(days[from]!.iso, null)] : []),
  ]
}

/** One day pinned, struck out, or neither. */
export const dayDrafts = (
  question: PlanQuestion,
  sessions: readonly OvenSession[],
  day: string,
  wish: 'pinned' | 'struck' | null,
): Draft[] => [seenDraft(question, sessions), dayWish(day, wish)]

export const sureDraft = (boxId: string, sure: number | null): Draft => ({
  kind: 'renewal.wished',
  payload: { boxId, sure },
})

/** What the plan told would be with these entries in it: to see what they would do before they are written. */
export function toldWith(told: OvenPlanTold, drafts: readonly Draft[]): OvenPlanTold {
  const dayWishes = new Map(told.dayWishes)
  const boxWishes = new Map(told.boxWishes)
  let { days } = told
  for (const draft of drafts) {
    if (draft.kind === 'ovenDays.told') days = { ...days, ...draft.payload }
    if (draft.kind === 'ovenDays.wished') {
      if (draft.payload.wish === null) dayWishes.delete(draft.payload.day)
      else dayWishes.set(draft.payload.day, draft.payload.wish)
    }
    if (draft.kind === 'renewal.wished') {
      const { boxId, ...wished } = draft.payload
      boxWishes.set(boxId, { ...boxWishes.get(boxId), ...wished })
    }
  }
  return { ...told, days, dayWishes, boxWishes }
}
