import type { Answer } from '#core/answer.ts'
import { FigureInk } from '#ui/figure.tsx'
import pen from '#draw/pen.module.css'
import css from './build.module.css'

/** Of the house's sans at 14 px, on the average. */
const LETTER_PX = 6.6

/** A length between two points, level or upright: line, end strokes, its figure in a gap of ground. */
export function Dimension({
  from,
  to,
  text,
  answer,
  pencil = false,
  deciding = false,
}: {
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
  readonly text: string
  readonly answer: Answer
  readonly pencil?: boolean
  /** The one that decides is heavier. */
  readonly deciding?: boolean
}) {
  const level = from[1] === to[1]
  const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
  // the figure stands in a gap of its line
  const gap = level ? (text.length * LETTER_PX) / 2 + 5 : 12
  const line = level
    ? `M${from[0]} ${y}H${Math.max(from[0], x - gap)}M${Math.min(to[0], x + gap)} ${y}H${to[0]}`
    : `M${x} ${from[1]}V${Math.max(from[1], y - gap)}M${x} ${Math.min(to[1], y + gap)}V${to[1]}`
  const end = ([px, py]: readonly [number, number]) => (level ? `M${px} ${py - 4}v8` : `M${px - 4} ${py}h8`)
  return (
    <g className={pencil ? css.dimensionPencil : css.dimension}>
      <path d={`${line}${end(from)}${end(to)}`} className={css.dimensionLine} />
      <FigureInk answer={answer}>
        <text x={x} y={y + 5} textAnchor="middle" className={`${pen.halo} ${deciding ? css.deciding : ''}`}>
          {text}
        </text>
      </FigureInk>
    </g>
  )
}
