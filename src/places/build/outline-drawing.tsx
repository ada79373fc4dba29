import { USUAL_CLEARANCES, USUAL_SUPPORT } from '#core/build/arrangement.ts'
import { PlanView, RIM_OVER_MM } from '#draw/plan-view.tsx'
import { insideOfCandidate } from '#journal/plan-wish.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import pen from '#draw/pen.module.css'

const LID_MM = 16
const EDGE_PX = 3

/** A container alone, to a scale shared with its neighbours; in pencil until it is measured. */
export function OutlineDrawing({
  candidate,
  scale,
}: {
  readonly candidate: PlanCandidate
  readonly scale: number
}) {
  const inside = insideOfCandidate(candidate)
  const width = (Math.max(inside.rimMm[0], inside.baseMm[0]) + 2 * RIM_OVER_MM) * scale + 2 * EDGE_PX
  const height = (inside.heightMm + LID_MM) * scale + 2 * EDGE_PX
  return (
    <svg
      className={pen.drawing}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden="true"
    >
      <PlanView
        asked={{ inside, clearances: USUAL_CLEARANCES, support: USUAL_SUPPORT }}
        arrangement={null}
        spools={[]}
        scale={scale}
        x={width / 2}
        y={height - EDGE_PX}
        pencil={candidate.sizeKnown === 'assumed'}
      />
    </svg>
  )
}
