import { USUAL_CLEARANCES, USUAL_SUPPORT } from '#core/build/arrangement.ts'
import { CONTAINERS, type ContainerKind } from '#core/container/container.ts'
import { baseShareOf } from '#journal/base-share.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import { NOTHING_BUILT } from '#journal/plan-unbuilt.ts'
import type { BoxRecord, PlanRecord, State } from '#journal/state.ts'
import type { Draft } from '#records/act.ts'
import type { Plan, PlanCandidate } from '#records/kinds/plan.ts'
import { nextPlace } from '../kit/next-place.ts'

/** One like a box on the shelf. */
export function likeBox(box: BoxRecord): PlanCandidate {
  const { wall, wallThicknessMm } = CONTAINERS[box.container]
  const baseShare = baseShareOf(box)
  return {
    name: `one like ${box.name}`.slice(0, 60),
    container: box.container,
    rimLengthMm: box.widthMm,
    rimDepthMm: box.depthMm,
    baseLengthMm: Math.max(20, Math.round(box.widthMm * baseShare)),
    baseDepthMm: Math.max(20, Math.round(box.depthMm * baseShare)),
    heightMm: box.heightMm,
    sizeKnown: box.sizeKnown,
    litresTold: null,
    wall: box.wall ?? wall,
    wallThicknessMm: box.wallThicknessMm ?? wallThicknessMm,
    lid: box.lid,
    price: null,
    blocks: [],
  }
}

/** A new plan: a clip box and a tote to begin with, and the outline it was begun with. @param spools what it is for */
export const newPlan = (
  planId: string,
  name: string,
  roomId: string,
  spools: Plan['spools'],
  kind: ContainerKind | 'any' = 'any',
): Plan => ({
  planId,
  name,
  roomId,
  spools,
  ways: ['axle', 'rim', 'lying'],
  outlets: 0,
  openingsPerMonth: 4,
  clearances: { ...USUAL_CLEARANCES },
  rodDiameterMm: USUAL_SUPPORT.rodDiameterMm,
  candidates: [
    outlineCandidate('clip-long'),
    outlineCandidate('tote'),
    ...(kind === 'any' || kind === 'clip-long' || kind === 'tote' ? [] : [outlineCandidate(kind)]),
  ],
  chosen: kind === 'clip-long' ? 0 : kind === 'any' || kind === 'tote' ? 1 : 2,
  arrangement: null,
  charge: null,
  display: null,
  ...NOTHING_BUILT,
})

/** The chosen one stands on the shelf with all its measures; its spools go in, and the plan is done with. */
export function builtDrafts(
  plan: PlanRecord,
  candidate: PlanCandidate,
  ids: { readonly boxId: string; readonly chargeId: string; readonly spoolIds: readonly string[] },
  state: State,
  atMs: number,
): Draft[] {
  const standing = [...state.boxes.values()].filter(box => box.retiredMs === null)
  const usual = CONTAINERS[candidate.container]
  // the two ways a base is smaller, as one
  const share = Math.sqrt(
    (candidate.baseLengthMm * candidate.baseDepthMm) / (candidate.rimLengthMm * candidate.rimDepthMm),
  )
  return [
    {
      kind: 'box.made',
      atMs,
      payload: {
        boxId: ids.boxId,
        name: plan.name,
        container: candidate.container,
        widthMm: candidate.rimLengthMm,
        depthMm: candidate.rimDepthMm,
        heightMm: candidate.heightMm,
        sizeKnown: candidate.sizeKnown,
        ...(candidate.wall === usual.wall ? {} : { wall: candidate.wall }),
        ...(candidate.wallThicknessMm === usual.wallThicknessMm
          ? {}
          : { wallThicknessMm: candidate.wallThicknessMm }),
        ...(Math.abs(share - usual.baseShare) < 0.005 ? {} : { baseShare: share }),
        planId: plan.planId,
        lid: candidate.lid,
        lidKnown: 'told',
        openingsPerMonth: plan.openingsPerMonth,
        openingsKnown: 'told',
        roomId: plan.roomId,
        ...nextPlace(standing, candidate.rimLengthMm),
      },
    },
    ...ids.spoolIds.map((spoolId): Draft => ({
      kind: 'spool.moved',
      atMs: atMs + 1,
      payload: { spoolId, where: { at: 'box', boxId: ids.boxId } },
    })),
    ...(plan.filling && !plan.without.includes('charge')
      ? [
          {
            kind: 'charge.made' as const,
            atMs: atMs + 1,
            payload: {
              chargeId: ids.chargeId,
              name: `Beads in ${plan.name}`.slice(0, 60),
              desiccant: plan.filling.desiccant,
              dryMassG: plan.filling.grams,
              massKnown: 'told' as const,
              holder: plan.filling.holder,
              freshness: 'new' as const,
              freshnessKnown: 'told' as const,
              indicator: 'unknown' as const,
              ...(plan.filling.pieces === null ? {} : { pieces: plan.filling.pieces }),
              boxId: ids.boxId,
            },
          },
        ]
      : []),
    { kind: 'plan.retired', atMs: atMs + 2, payload: { planId: plan.planId } },
  ]
}
