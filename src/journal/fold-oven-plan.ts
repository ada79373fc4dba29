import type { Entry } from '#records/entry.ts'
import type { Building, Problem } from './building.ts'
import type { Placed } from './in-force.ts'

type PlanEntry = Extract<Entry, { kind: `ovenDays.${string}` | 'renewal.wished' | 'ovenPlan.seen' }>

/** Entries about when beads are to be heated. */
export function ovenPlanEntries(state: Building, placed: Placed, entry: PlanEntry): Problem | null {
  const { ovenPlan } = state
  switch (entry.kind) {
    case 'ovenDays.told':
      state.ovenPlan = { ...ovenPlan, days: { ...ovenPlan.days, ...entry.payload } }
      return null
    case 'ovenDays.wished': {
      const { day, wish } = entry.payload
      const dayWishes = new Map(ovenPlan.dayWishes)
      if (wish === null) dayWishes.delete(day)
      else dayWishes.set(day, wish)
      state.ovenPlan = { ...ovenPlan, dayWishes }
      return null
    }
    case 'renewal.wished': {
      const { boxId, ...wished } = entry.payload
      if (!state.boxes.has(boxId)) return state.says.unknown('box', boxId, placed)
      const boxWishes = new Map(ovenPlan.boxWishes)
      boxWishes.set(boxId, { ...boxWishes.get(boxId), ...wished })
      state.ovenPlan = { ...ovenPlan, boxWishes }
      return null
    }
    case 'ovenPlan.seen': {
      const seen = { atMs: placed.atMs, sessions: entry.payload.sessions }
      state.ovenPlan = { ...ovenPlan, seen, plansSeen: [...ovenPlan.plansSeen, seen] }
      return null
    }
  }
}
