import { missingMm, standingSpools, type Clearance } from '#core/build/clearances.ts'
import type { Arrangement, Asked } from '#core/build/arrangement.ts'
import { facesOf, type Vector } from '#core/build/inside.ts'
import { HatchDefs } from '#draw/hatch.tsx'
import { PlanView, VIEWS, type ViewName } from '#draw/plan-view.tsx'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './build.module.css'

const R = 46
const TIMES = 4

/** Where it is tightest, and from which side that is seen best. */
function focusOf(
  clearance: Clearance,
  arrangement: Arrangement,
  spools: readonly PlanSpool[],
  asked: Asked,
): { readonly at: Vector; readonly view: ViewName } | null {
  const standing = standingSpools(arrangement, spools, asked)
  const own = standing.find(one => one.spool.id === clearance.spoolId)?.disc
  if (!own) return null
  const { to } = clearance
  const reach = (normal: Vector): Vector =>
    own.centre.map((mm, i) =>
      i === own.axis ? mm + (Math.sign(normal[i] ?? 0) * own.widthMm) / 2 : mm + normal[i]! * own.radiusMm,
    ) as unknown as Vector
  if (to.what === 'face') {
    const face = facesOf(asked.inside).find(one => one.name === to.face)!
    return { at: reach(face.normal), view: Math.abs(face.normal[1]) > 0.7 ? 'side' : 'front' }
  }
  if (to.what === 'spool') {
    const other = standing.find(one => one.spool.id === to.id)?.disc
    if (!other) return null
    const at = own.centre.map((mm, i) => (mm + other.centre[i]!) / 2) as unknown as Vector
    return {
      at,
      view:
        Math.abs(own.centre[1] - other.centre[1]) > Math.abs(own.centre[0] - other.centre[0])
          ? 'side'
          : 'front',
    }
  }
  return { at: reach([0, 0, -1]), view: 'front' }
}

/** The place that is short, four times as large, with its figure under it. */
export function Loupe({
  clearance,
  arrangement,
  spools,
  asked,
  scale,
  pencil,
}: {
  readonly clearance: Clearance
  readonly arrangement: Arrangement
  readonly spools: readonly PlanSpool[]
  readonly asked: Asked
  readonly scale: number
  readonly pencil: boolean
}) {
  const { length } = useMeasures()
  const { dark } = usePreferences()
  const focus = focusOf(clearance, arrangement, spools, asked)
  if (!focus) return null
  const { right, up } = VIEWS[focus.view]
  const large = scale * TIMES
  return (
    <figure className={css.loupe} data-part="loupe">
      <svg
        className={pen.drawing}
        width={2 * R + 4}
        height={2 * R + 4}
        viewBox={`${-R - 2} ${-R - 2} ${2 * R + 4} ${2 * R + 4}`}
        aria-hidden="true"
      >
        <HatchDefs spools={spools} dark={dark} />
        <clipPath id="loupe">
          <circle r={R} />
        </clipPath>
        <g clipPath="url(#loupe)">
          <PlanView
            asked={asked}
            arrangement={arrangement}
            spools={spools}
            scale={large}
            x={0 - focus.at[right] * large}
            y={focus.at[up] * large}
            pencil={pencil}
            view={focus.view}
          />
        </g>
        <circle r={R} className={css.loupeRim} />
      </svg>
      <figcaption>
        <span className={css.missing}>{length.text(missingMm(clearance))} short</span>
        <br />
        {length.bare(Math.max(0, clearance.isMm))} of {length.text(clearance.askedMm)} asked
        <br />
        <span className={hand.aside}>drawn × {TIMES}</span>
      </figcaption>
    </figure>
  )
}
