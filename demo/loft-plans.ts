import type { ContainerKind } from '#core/container/container.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import type { Draft } from '#records/act.ts'
import { NOTHING_BUILT } from '#journal/plan-unbuilt.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'

const DAY = 86_400_000

/** An outline as a shop has it, with what it costs there. */
const bought = (container: ContainerKind, price: number): PlanCandidate => ({
  ...outlineCandidate(container),
  price,
})
const asked = { lidMm: 10, floorMm: 5, betweenMm: 6, endsMm: 8, sidesMm: 5 }

/** Two boxes the club thinks of: one for the spools that lie about, one for the boat builder's fine nylon. */
export function plansDrafts(nowMs: number, roomId: string): Draft[] {
  const atMs = nowMs - 9 * DAY
  return [
    {
      kind: 'plan.made',
      atMs,
      payload: {
        planId: 'coxless',
        name: 'Coxless',
        roomId,
        spools: [
          { of: 'own', spoolId: 'spare-spool-1' },
          { of: 'own', spoolId: 'spare-spool-2' },
          { of: 'own', spoolId: 'spare-spool-3' },
          { of: 'class', sizeClass: 'wide', material: 'ASA', body: 'plastic', count: 1 },
        ],
        ways: ['axle', 'rim', 'lying'],
        outlets: 4,
        openingsPerMonth: 4,
        clearances: asked,
        rodDiameterMm: 12,
        candidates: [
          bought('clip-long', 17.5),
          {
            ...bought('tote', 26),
            name: 'tote from the chandler',
            rimLengthMm: 372,
            rimDepthMm: 284,
            baseLengthMm: 344,
            baseDepthMm: 258,
            heightMm: 272,
            sizeKnown: 'measured',
            litresTold: 27,
          },
          bought('tote', 38),
        ],
        chosen: 1,
        arrangement: null,
        charge: { lengthMm: 200, depthMm: 120, heightMm: 36, alongMm: -20, acrossMm: 0 },
        display: { lengthMm: 45, depthMm: 30, heightMm: 30, alongMm: 130, acrossMm: 0 },
        ...NOTHING_BUILT,
        filling: { desiccant: 'silica-a', holder: 'packet', grams: 120, pieces: 3 },
        // the left hole of the rod slipped; the last outlet is still to come
        drilled: [
          { hole: 'A', downMm: 103.6, edgeMm: 139.4, drillMm: 12.5, mend: null },
          { hole: 'B', downMm: 100.8, edgeMm: 138.7, drillMm: 12.5, mend: null },
          { hole: '1', downMm: 40.3, edgeMm: 61, drillMm: 5, mend: null },
          { hole: '2', downMm: 39.6, edgeMm: 142.5, drillMm: 5, mend: null },
          { hole: '3', downMm: 40.5, edgeMm: 147.6, drillMm: 5, mend: null },
        ],
      },
    },
    {
      kind: 'plan.made',
      atMs,
      payload: {
        planId: 'sculler',
        name: 'Sculler',
        roomId,
        spools: [{ of: 'class', sizeClass: 'half', material: 'PA12', body: 'plastic', count: 2 }],
        ways: ['spindle', 'rollers', 'rim'],
        outlets: 1,
        openingsPerMonth: 2,
        clearances: asked,
        rodDiameterMm: 16,
        candidates: [bought('jar', 11), bought('clip-square', 14)],
        chosen: 0,
        arrangement: null,
        charge: null,
        display: null,
        ...NOTHING_BUILT,
      },
    },
  ]
}
