import type { DayAtOven } from '#core/renewal/day-at-oven.ts'
import pen from '#draw/pen.module.css'
import css from './plan.module.css'

const MOST_PX_PER_MIN = 0.88
/** Days begin at ten, unless something else is wanted. */
export const BEGINS_MIN = 10 * 60

export const clockOf = (minutes: number): string => {
  const at = Math.round((BEGINS_MIN + minutes) / 5) * 5
  return `${String(Math.floor(at / 60) % 24).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
}

/** The hours of one day as a stroke: ink while one is there, dashed while it cools by itself; hot stands above it. */
export function DayLine({ time, widthPx }: { readonly time: DayAtOven; readonly widthPx: number }) {
  const scale = Math.min(MOST_PX_PER_MIN, (widthPx - 4) / Math.max(1, time.minutes))
  const x = (minutes: number) => 1 + minutes * scale
  const ticks = [0, ...time.hot.slice(1).map(one => one.from), time.minutes]
  const cooling = time.spans.find(one => one.is === 'alone')
  return (
    <svg
      className={pen.drawing}
      width={widthPx}
      height="58"
      role="img"
      aria-label={`From ${clockOf(0)} to ${clockOf(time.minutes)}: there for ${Math.round(time.presentMinutes)} minutes, ${time.aloneMinutes === 0 ? 'never left alone' : `${time.aloneMinutes} minutes of cooling alone`}`}
    >
      {time.hot.map(({ from, to }) => (
        <g key={from}>
          <path d={`M${x(from)} 21H${x(to)}`} className={css.hot} />
          {x(to) - x(from) > 26 && (
            <text x={(x(from) + x(to)) / 2} y="14" textAnchor="middle" className={css.hotWords}>
              hot
            </text>
          )}
        </g>
      ))}
      {time.spans.map(({ is, from, to }) => (
        <path
          key={from}
          d={is === 'present' ? `M${x(from)} 29H${x(to)}` : `M${x(from)} 27H${x(to)}M${x(from)} 31H${x(to)}`}
          className={is === 'present' ? css.present : css.alone}
        />
      ))}
      {cooling && (
        <text x={(x(cooling.from) + x(cooling.to)) / 2} y="20" textAnchor="middle" className={css.smallWords}>
          cooling
        </text>
      )}
      {ticks.map((minutes, i) => (
        <g key={minutes}>
          <path d={`M${x(minutes)} 32v4`} className={pen.axis} />
          {(i === 0 || x(minutes) - x(ticks[i - 1]!) > 40) && (
            <text
              x={x(minutes)}
              y="50"
              textAnchor={i === 0 ? 'start' : i === ticks.length - 1 ? 'end' : 'middle'}
              className={css.smallWords}
            >
              {clockOf(minutes)}
            </text>
          )}
        </g>
      ))}
    </svg>
  )
}
