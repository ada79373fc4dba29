import { greatest } from '#units/extremes.ts'
import { useElementSize } from '@mantine/hooks'
import type { Drying, HotWeight } from '#core/renewal/drying-curve.ts'
import { inWhole } from '#ui/format.ts'
import pen from '#draw/pen.module.css'
import css from './heating.module.css'

const HEIGHT = 168
const LEFT = 30
const TOP = 12
const BOTTOM = 24
const POINTS = 48
const RULE_MINUTES = 30

/** Water still in, g, by the clock: weights in ink, what is ahead dashed in its band, the done rule as an angle 30 minutes wide. */
export function DryingChart({
  drying,
  startG,
  weights,
  minutesNow,
  timeAt,
}: {
  readonly drying: Drying
  readonly startG: number
  readonly weights: readonly HotWeight[]
  readonly minutesNow: number
  readonly timeAt: (minutes: number) => string
}) {
  const { ref, width } = useElementSize()
  const spanMinutes = Math.max(drying.doneAtMinutes.high, minutesNow, 20) * 1.05
  const mostG = Math.max(greatest(weights.map(one => one.waterG)), 1, startG) * 1.06
  const x = (minutes: number) => LEFT + (minutes / spanMinutes) * (width - LEFT - 8)
  const y = (grams: number) => TOP + (1 - grams / mostG) * (HEIGHT - TOP - BOTTOM)
  const line = (of: 'low' | 'middle' | 'high', from: number) =>
    Array.from({ length: POINTS + 1 }, (_, i) => from + ((spanMinutes - from) * i) / POINTS).map(
      minutes => `${x(minutes).toFixed(1)} ${y(drying.waterAt(minutes)[of]).toFixed(1)}`,
    )
  const from = Math.max(0, weights.at(-1)?.minutes ?? 0)
  const band = `M${line('low', from).join('L')}L${line('high', from).reverse().join('L')}Z`
  const past = [{ minutes: 0, waterG: startG }, ...weights]
  const done = drying.doneAtMinutes
  const ruleAt = Math.max(0, done.middle - RULE_MINUTES)
  const ruleG = drying.waterAt(ruleAt).middle
  const steps = [0, 0.5, 1].map(share => Math.round(mostG * share * 0.94))
  return (
    <div ref={ref} className={css.chart}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height={HEIGHT + 16}
          role="img"
          aria-label={`Water still in: ${inWhole(startG)} grams at first, ${inWhole(past.at(-1)!.waterG)} when last weighed`}
        >
          <text x="0" y="10" className={css.axisName}>
            Water still in, g
          </text>
          {[...new Set(steps)].map(grams => (
            <g key={grams}>
              <path d={`M${LEFT} ${y(grams)}H${width - 8}`} className={css.grid} />
              <text x={LEFT - 6} y={y(grams) + 4} textAnchor="end" className={css.clock}>
                {grams}
              </text>
            </g>
          ))}
          <path d={band} className={css.band} />
          <path d={`M${line('middle', from).join('L')}`} className={css.ahead} />
          <path
            d={`M${past.map(one => `${x(one.minutes).toFixed(1)} ${y(one.waterG).toFixed(1)}`).join('L')}`}
            className={css.pastLine}
          />
          {past.map((one, i) => (
            <circle
              key={one.minutes}
              cx={x(one.minutes)}
              cy={y(one.waterG)}
              r="4"
              className={i === past.length - 1 ? css.lastDot : css.dot}
            />
          ))}
          <path
            d={`M${x(ruleAt)} ${y(ruleG)}H${x(ruleAt + RULE_MINUTES)}V${y(ruleG - drying.lessThanG)}`}
            className={css.rule}
          />
          <path d={`M${x(minutesNow)} ${TOP}V${HEIGHT - BOTTOM}`} className={css.nowLine} />
          <path
            d={`M${x(Math.max(minutesNow, done.low))} ${HEIGHT - 14}H${x(done.high)}`}
            className={css.until}
          />
          <text x={LEFT} y={HEIGHT + 6} className={css.clock}>
            {timeAt(0)}
          </text>
          <text x={width - 8} y={HEIGHT + 6} textAnchor="end" className={css.clock}>
            {timeAt(spanMinutes)}
          </text>
        </svg>
      )}
    </div>
  )
}
