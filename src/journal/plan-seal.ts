import { least } from '#units/extremes.ts'
import type { Arrangement } from '#core/build/arrangement.ts'
import { drilledHoles } from '#core/build/as-drilled.ts'
import { loadingsHeld, waterBrought } from '#core/build/charge-sums.ts'
import { holesOf } from '#core/build/holes.ts'
import { sealItems, sealTotal, type SealFacts } from '#core/build/seal-budget.ts'
import { vapourDensityOfRhGPerM3 } from '#core/air/vapour.ts'
import { freshnessRange } from '#core/evidence/freshness.ts'
import type { PlanCandidate, PlanFilling } from '#records/kinds/plan.ts'
import { drillFactsOf } from './plan-drill.ts'
import { insideOfCandidate, type PlanSpool } from './plan-wish.ts'
import { roomAirAt } from './room-air.ts'
import type { PlanRecord, State } from './state.ts'

/** Two packets of fifty: until somebody says what goes in. */
export const USUAL_FILLING: PlanFilling = {
  desiccant: 'silica-a',
  holder: 'packet',
  grams: 100,
  pieces: 2,
}

/** How tight a plan is and what its beads have to hold, in its room's air of that day. */
export function planSeal(
  plan: PlanRecord,
  candidate: PlanCandidate,
  arrangement: Arrangement | null,
  spools: readonly PlanSpool[],
  state: State,
  nowMs: number,
) {
  const room = state.rooms.get(plan.roomId)
  const going = new Set(arrangement?.lines.flatMap(line => line.spools.map(({ id }) => id)))
  const inIt = spools.filter(spool => going.has(spool.id))
  if (!room || inIt.length === 0) return null
  const air = roomAirAt(state, room, nowMs)
  const drill = drillFactsOf(plan, candidate, arrangement)
  const holes = holesOf(drill)
  const facts: SealFacts = {
    drill,
    holes,
    drilled: drilledHoles(
      holes,
      plan.drilled,
      { inside: insideOfCandidate(candidate) },
      candidate.wallThicknessMm,
    ),
    lid: candidate.lid,
    wall: candidate.wall,
    tube: plan.tube,
    temperatureC: air.temperatureC,
  }
  const items = sealItems(facts)
  const leak = sealTotal(items)
  const filling = plan.filling ?? USUAL_FILLING
  const targetRhPercent = least(inIt.map(spool => state.materials[spool.material].targetRhPercent))
  const fresh = freshnessRange('new', filling.desiccant, air)
  const target = { temperatureC: air.temperatureC, relativeHumidityPercent: targetRhPercent }
  return {
    air,
    facts,
    items,
    leak,
    /** All but the walls: as the estimator tells a lid from walls. */
    leakBesideWalls: sealTotal(items.filter(item => item.kind !== 'walls')),
    filling,
    targetRhPercent,
    drive: {
      roomGPerM3: vapourDensityOfRhGPerM3(air),
      targetGPerM3: vapourDensityOfRhGPerM3(target),
    },
    loadings: loadingsHeld(
      filling.desiccant,
      filling.holder,
      leak.usualLPerH,
      air,
      targetRhPercent,
      (fresh.lowGPerG + fresh.highGPerG) / 2,
    ),
    brought: waterBrought(
      inIt.map(spool => ({ ...spool, material: state.materials[spool.material] })),
      air,
      targetRhPercent,
    ),
  }
}
export type PlanSeal = NonNullable<ReturnType<typeof planSeal>>
