import { least } from '#units/extremes.ts'
import { USUAL_SUPPORT, type Asked } from '#core/build/arrangement.ts'
import type { Candidate, Wish } from '#core/build/candidate.ts'
import type { Block, Inside } from '#core/build/inside.ts'
import { CONTAINERS } from '#core/container/container.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { nearestClass, SPOOL_CLASSES, spoolSizeOf } from '#core/filament/spool-class.ts'
import { spoolSolidsL, type SpoolSize } from '#core/filament/winding.ts'
import type { PlanCandidate, PlanWish } from '#records/kinds/plan.ts'
import { roomAirAt } from './room-air.ts'
import type { PlanRecord, State } from './state.ts'

/** A spool of a plan: what it is to go in with, and how it is drawn. */
export interface PlanSpool {
  readonly id: string
  readonly name: string
  readonly material: MaterialId
  readonly colour: string
  readonly filamentG: number
  /** Filament and spool together, as it hangs. */
  readonly weightG: number
  /** Board in it, which drinks as filament does. */
  readonly cardboardG: number
  readonly size: SpoolSize
  readonly rimDiameterMm: number
  readonly widthMm: number
  readonly boreMm: number
  /** Its own size was measured, or is that of its class. */
  readonly sizeKnown: 'assumed' | 'told' | 'measured'
  readonly solidsL: number
}

/** Until somebody measures, an outline may be off by so much either way. */
export const OUTLINE_WITHIN = 0.08
const EMPTY_G = 215
/** Of a spool wound on board, so much is board. */
const BOARD_SHARE = 0.7

/** Size, empty weight and name of spools nobody owns yet. */
function sizedOf(wish: Exclude<PlanWish, { of: 'own' }>) {
  if (wish.of === 'class') {
    const { size, boreMm } = SPOOL_CLASSES[wish.sizeClass]
    return { size, boreMm, emptyG: (EMPTY_G * size.fullFilamentG) / 1000, name: wish.material as string }
  }
  const { rimDiameterMm, widthMm, boreMm, filamentG, emptyG, name } = wish
  const { coreDiameterMm } = nearestClass(rimDiameterMm).size
  return {
    size: { rimDiameterMm, widthMm, coreDiameterMm, fullFilamentG: filamentG },
    boreMm,
    emptyG,
    name,
  }
}

/** The spools of a plan, one by one; own ones that are used up are left out. @param hues colours for those not owned yet */
export function planSpools(plan: PlanRecord, state: State, hues: readonly string[]): PlanSpool[] {
  let next = 0
  return plan.spools.flatMap((wish, n): PlanSpool[] => {
    if (wish.of === 'own') {
      const spool = state.spools.get(wish.spoolId)
      if (!spool || spool.where.at === 'used up') return []
      const { rimDiameterMm, widthMm } = spool
      return [
        {
          id: spool.spoolId,
          name: spool.name,
          material: spool.material,
          colour: spool.colour,
          filamentG: spool.filamentG,
          weightG: spool.filamentG + spool.emptyG,
          cardboardG: spool.cardboardG,
          size: spoolSizeOf(spool),
          rimDiameterMm,
          widthMm,
          boreMm: spool.boreMm ?? nearestClass(rimDiameterMm).boreMm,
          sizeKnown: spool.sizeKnown ?? 'assumed',
          solidsL: spoolSolidsL(state.materials[spool.material], spool.filamentG, spool.emptyG),
        },
      ]
    }
    const { size, boreMm, emptyG, name } = sizedOf(wish)
    const material = state.materials[wish.material]
    const { fullFilamentG } = size
    return Array.from({ length: wish.count }, (_, i): PlanSpool => {
      const colour = hues[next++ % hues.length]!
      return {
        id: `class-${n}-${i}`,
        name: wish.count > 1 ? `${name} ${i + 1}` : name,
        material: wish.material,
        colour,
        filamentG: fullFilamentG,
        weightG: fullFilamentG + emptyG,
        cardboardG: wish.body === 'board' ? BOARD_SHARE * emptyG : 0,
        size,
        rimDiameterMm: size.rimDiameterMm,
        widthMm: size.widthMm,
        boreMm,
        sizeKnown: wish.of === 'sized' ? 'told' : 'assumed',
        solidsL: spoolSolidsL(material, fullFilamentG, emptyG),
      }
    })
  })
}

/** Beads and display as solid things, where the plan has them: they belong to the one that is chosen. */
export const standingBlocks = (plan: Pick<PlanRecord, 'charge' | 'display'>): Block[] =>
  (['charge', 'display'] as const).flatMap(key => {
    const thing = plan[key]
    if (!thing) return []
    const { alongMm: x, acrossMm: y, lengthMm, depthMm, heightMm } = thing
    return [
      {
        name: key === 'charge' ? 'beads' : 'display',
        from: [x - lengthMm / 2, y - depthMm / 2, 0] as const,
        to: [x + lengthMm / 2, y + depthMm / 2, heightMm] as const,
      },
    ]
  })

/** What the chosen candidate is asked to keep, beads and display in it. */
export const askedOf = (plan: PlanRecord, candidate: PlanCandidate): Asked => {
  const inside = insideOfCandidate(candidate)
  return {
    inside: { ...inside, blocks: [...inside.blocks, ...standingBlocks(plan)] },
    clearances: plan.clearances,
    support: { ...USUAL_SUPPORT, rodDiameterMm: plan.rodDiameterMm },
  }
}

export const insideOfCandidate = (candidate: PlanCandidate): Inside => ({
  section: CONTAINERS[candidate.container].section === 'round' ? 'round' : 'rectangular',
  rimMm: [candidate.rimLengthMm, candidate.rimDepthMm],
  baseMm: [candidate.baseLengthMm, candidate.baseDepthMm],
  heightMm: candidate.heightMm,
  blocks: candidate.blocks,
})

/** @param blocks what is put on its floor beside what is solid in it anyway */
export const candidateFacts = (candidate: PlanCandidate, blocks: readonly Block[] = []): Candidate => ({
  inside: { ...insideOfCandidate(candidate), blocks: [...candidate.blocks, ...blocks] },
  sizeWithin: candidate.sizeKnown === 'assumed' ? OUTLINE_WITHIN : 0,
  wall: candidate.wall,
  wallThicknessMm: candidate.wallThicknessMm,
  lid: candidate.lid,
})

/** What every candidate of a plan is judged on; null while no spool is named. */
export function wishOf(
  plan: PlanRecord,
  spools: readonly PlanSpool[],
  state: State,
  nowMs: number,
): Wish | null {
  const room = state.rooms.get(plan.roomId)
  if (!room || spools.length === 0) return null
  const air = roomAirAt(state, room, nowMs)
  return {
    spools: spools.map(({ id, name, rimDiameterMm, widthMm, boreMm, solidsL }) => ({
      id,
      name,
      rimDiameterMm,
      widthMm,
      boreMm,
      solidsL,
    })),
    kinds: plan.ways,
    clearances: plan.clearances,
    support: { ...USUAL_SUPPORT, rodDiameterMm: plan.rodDiameterMm },
    outlets: plan.outlets,
    room: {
      temperatureC: air.temperatureC,
      relativeHumidityPercent: air.relativeHumidityPercent,
    },
    targetRhPercent: least(spools.map(spool => state.materials[spool.material].targetRhPercent)),
    openingsPerMonth: plan.openingsPerMonth,
  }
}
