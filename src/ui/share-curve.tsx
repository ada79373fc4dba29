import type { Because } from '#core/answer.ts'
import css from './share-curve.module.css'

export interface CurvePoint {
  /** Share of the draws, 0 to 1. */
  readonly share: number
  readonly value: number
}

/** The distribution a reason lists, as points of its curve; null where the reason is no list of shares. */
export function curveOf({ formulaId, inputs }: Because): readonly CurvePoint[] | null {
  const rest = inputs.filter(input => input.symbol !== 'p')
  if (formulaId === 'weighted-date')
    return rest.map(({ symbol, value }) => ({ share: Number(symbol.slice(1)) / 100, value }))
  if (formulaId === 'weighted-share')
    return rest
      .map(({ value }) => value)
      .sort((a, b) => a - b)
      .map((value, i) => ({ share: (i + 1) / rest.length, value }))
  return null
}

const WIDTH = 352
const HEIGHT = 148
const LEFT = 44
const RIGHT = WIDTH - 10
const TOP = 8
const BASE = HEIGHT - 24
/** Words of the ends give way to the word of the answer. */
const APART = 84

/**
 * How many of the draws have come to a value: the curve rises from none to all; the share asked for is read across to
 * it and down to its value.
 */
export function ShareCurve({
  points,
  share,
  text,
}: {
  readonly points: readonly CurvePoint[]
  readonly share: number
  /** The value as people read it. */
  readonly text: (value: number) => string
}) {
  const first = points[0]
  const last = points.at(-1)
  if (!first || !last || points.length < 3 || last.value === first.value) return null
  const x = (value: number) => LEFT + ((RIGHT - LEFT) * (value - first.value)) / (last.value - first.value)
  const y = (part: number) => BASE - (BASE - TOP) * part
  const found = points.find(point => point.share >= share - 1e-9)
  const at = found ? x(found.value) : RIGHT
  const ends = [first, last].filter(end => !found || Math.abs(x(end.value) - at) > APART)
  const percent = Math.round(share * 100)
  return (
    <svg
      className={css.curve}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`Of all draws, ${percent} in a hundred come to ${found ? text(found.value) : 'none of these'}; the first to ${text(first.value)}, the last shown to ${text(last.value)}`}
      data-part="share-curve"
    >
      <path d={`M${LEFT} ${BASE}H${RIGHT}`} className={css.axis} />
      {[0, 0.5, 1].map(part => (
        <text key={part} x={LEFT - 6} y={y(part) + 5} textAnchor="end" className={css.small}>
          {Math.round(part * 100)}
          {part === 1 ? ' %' : ''}
        </text>
      ))}
      <path d={`M${LEFT} ${y(share)}H${at}V${BASE}`} className={css.across} />
      <path
        d={`M${points.map(point => `${x(point.value)} ${y(point.share)}`).join('L')}`}
        className={css.line}
      />
      {found && <circle cx={at} cy={y(share)} r="4" className={css.dot} />}
      {ends.map(end => (
        <text
          key={end.share}
          x={x(end.value)}
          y={HEIGHT - 6}
          textAnchor={end === first ? 'start' : 'end'}
          className={css.small}
        >
          {text(end.value)}
        </text>
      ))}
      {found && (
        <text
          x={Math.min(Math.max(at, LEFT + 36), RIGHT - 36)}
          y={HEIGHT - 6}
          textAnchor="middle"
          className={css.chosen}
        >
          {text(found.value)}
        </text>
      )}
    </svg>
  )
}
