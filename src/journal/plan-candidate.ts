import { CONTAINERS, type ContainerKind } from '#core/container/container.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'

/** An outline as one might buy it: its usual size, in pencil. */
export function outlineCandidate(kind: ContainerKind): PlanCandidate {
  const { name, size, baseShare, wall, wallThicknessMm, lid } = CONTAINERS[kind]
  return {
    name,
    container: kind,
    rimLengthMm: size.widthMm,
    rimDepthMm: size.depthMm,
    baseLengthMm: Math.round(size.widthMm * baseShare),
    baseDepthMm: Math.round(size.depthMm * baseShare),
    heightMm: size.heightMm,
    sizeKnown: 'assumed',
    litresTold: null,
    wall,
    wallThicknessMm,
    lid,
    price: null,
    blocks: [],
  }
}
