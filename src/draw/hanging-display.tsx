import type { DisplayError } from '#core/reading/display-check.ts'
import pen from './pen.module.css'
import css from './hanging-display.module.css'

const THREAD_PX = 46
const DISPLAY_MM = 41
/** Out of plumb by this for each % RH it is off: drawn, not to scale. */
const PX_PER_RH = 5
const SCALE_RH = 5

export const displaySizePx = (scale: number): number => DISPLAY_MM * scale
/** From the peg to the foot of its scale. */
export const hangsPx = (scale: number): number => THREAD_PX + displaySizePx(scale) + 14

/**
 * A display on its peg: out of plumb by what it shows too much, over a scale with a bar for what is not known of it.
 * One that was never checked hangs straight, dashed.
 * @param x of its peg @param y of its peg @param scale px/mm of the display itself
 */
export function HangingDisplay({
  x,
  y,
  scale,
  error,
}: {
  readonly x: number
  readonly y: number
  readonly scale: number
  readonly error: DisplayError | null
}) {
  const radius = displaySizePx(scale) / 2
  const reach = Math.max(SCALE_RH, Math.ceil(Math.abs(error?.offsetRh ?? 0)))
  const step = (PX_PER_RH * SCALE_RH) / reach
  const off = (error?.offsetRh ?? 0) * step
  const middle = y + THREAD_PX + radius
  const scaleY = y + THREAD_PX + 2 * radius + 10
  const disc = error ? css.disc : css.pencilDisc
  const doubt = error ? Math.max(2, error.sigmaRh * step) : 0
  return (
    <g>
      {error && <path d={`M${x} ${y}V${y + THREAD_PX}`} className={css.plumb} />}
      <path
        d={`M${x} ${y}L${x + off} ${middle - radius}`}
        className={error ? css.thread : css.pencilThread}
      />
      <circle cx={x} cy={y} r="2.2" className={css.peg} />
      <circle cx={x + off} cy={middle} r={radius} className={disc} />
      <circle cx={x + off} cy={middle} r={radius * 0.58} className={disc} />
      <path
        d={`M${x - reach * step} ${scaleY}H${x + reach * step}${Array.from({ length: 2 * reach + 1 }, (_, i) => `M${x + (i - reach) * step} ${scaleY}v-3`).join('')}`}
        className={error ? css.scale : css.pencilThread}
      />
      {error && (
        <path
          d={`M${x + off - doubt} ${scaleY - 5}H${x + off + doubt}`}
          className={css.doubt}
          data-part="doubt"
        />
      )}
      {error && reach > SCALE_RH && (
        <text x={x + reach * step + 3} y={scaleY + 3} className={pen.inkSmallAside}>
          {reach}
        </text>
      )}
    </g>
  )
}
