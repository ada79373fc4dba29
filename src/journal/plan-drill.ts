import type { Arrangement } from '#core/build/arrangement.ts'
import { FITTINGS, type Fitting } from '#core/build/fittings.ts'
import { holesOf, usualOutlets, type DrillFacts, type Hole, type OutletWish } from '#core/build/holes.ts'
import type { Rod } from '#core/build/rod.ts'
import { USUAL_SUPPORT } from '#core/build/arrangement.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { insideOfCandidate } from './plan-wish.ts'
import type { PlanRecord, State } from './state.ts'

/** The outlets of a plan: as somebody put them, else where Veld would. */
export const outletsOf = (
  plan: PlanRecord,
  candidate: PlanCandidate,
  arrangement: Arrangement | null,
): readonly OutletWish[] =>
  plan.outletsAt ?? usualOutlets(insideOfCandidate(candidate), arrangement, plan.outlets, plan.fitting)

/** What is drilled into the chosen one. @param arrangement as it stands, or as Veld found it */
export const drillFactsOf = (
  plan: PlanRecord,
  candidate: PlanCandidate,
  arrangement: Arrangement | null,
): DrillFacts => ({
  inside: insideOfCandidate(candidate),
  wallThicknessMm: candidate.wallThicknessMm,
  arrangement,
  support: { ...USUAL_SUPPORT, rodDiameterMm: plan.rodDiameterMm },
  outlets: outletsOf(plan, candidate, arrangement),
  ownFittings: plan.ownFittings,
})

export const holesOfPlan = (
  plan: PlanRecord,
  candidate: PlanCandidate,
  arrangement: Arrangement | null,
): Hole[] => holesOf(drillFactsOf(plan, candidate, arrangement))

export const rodOf = (plan: PlanRecord): Rod => ({
  material: plan.rod.material,
  diameterMm: plan.rodDiameterMm,
  boreMm: Math.min(plan.rod.boreMm, plan.rodDiameterMm - 0.2),
})

/** The house's fittings and those somebody added to any plan. */
export function fittingsKnown(state: State): Fitting[] {
  const own = [...state.plans.values()].flatMap(plan => plan.ownFittings)
  return [...FITTINGS, ...new Map(own.map(one => [one.id, one])).values()]
}
