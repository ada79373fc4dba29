import { greatest } from '#units/extremes.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './close.module.css'

const W = 420
const H = 130
const LEFT = 34
const BOTTOM = 24
const HOURS = [0, 6, 12, 18, 24]

/** The first day after closing, as a good display would show it: the middle and the band nine in ten stay in. */
export function FirstDay({
  past,
  fromS,
  targetRhPercent,
}: {
  readonly past: BoxReport['past']
  readonly fromS: number
  readonly targetRhPercent: number
}) {
  const top = Math.max(greatest(past.high), 40) * 1.05
  const x = (s: number) => LEFT + ((s - fromS) / 86_400) * (W - LEFT - 8)
  const y = (rh: number) => H - BOTTOM - (rh / top) * (H - BOTTOM - 8)
  const line = (values: readonly number[]) =>
    values.map((rh, i) => `${i === 0 ? 'M' : 'L'}${x(past.atS[i]!)} ${y(rh)}`).join('')
  const back = past.atS.map((_, i) => {
    const at = past.atS.length - 1 - i
    return `L${x(past.atS[at]!)} ${y(past.low[at]!)}`
  })
  const ticks = top > 60 ? [0, 25, 50, 75] : [0, 10, 20, 30, 40]
  return (
    <svg
      className={`${pen.drawing} ${css.day}`}
      width={W}
      height={H}
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label="The first day after closing"
    >
      <path d={`${line(past.high)}${back.join('')}Z`} className={css.band} />
      <path d={`M${LEFT} ${y(targetRhPercent)}H${W - 8}`} className={css.target} />
      <path d={line(past.middle)} className={css.middle} />
      <path d={`M${LEFT} ${y(0)}H${W - 8}`} className={pen.axis} />
      {ticks
        .filter(rh => rh <= top)
        .map(rh => (
          <text key={rh} x={LEFT - 6} y={y(rh) + 5} textAnchor="end" className={pen.inkSmall}>
            {rh === 0 ? '0 %' : rh}
          </text>
        ))}
      {HOURS.map(hour => (
        <text
          key={hour}
          x={x(fromS + hour * 3600)}
          y={H - 6}
          textAnchor={hour === 24 ? 'end' : 'middle'}
          className={pen.inkSmall}
        >
          {hour === 24 ? '24 h' : hour}
        </text>
      ))}
      <text x={W - 10} y={y(targetRhPercent) - 4} textAnchor="end" className={hand.aside}>
        target
      </text>
    </svg>
  )
}
