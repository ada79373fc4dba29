import { greatest, least } from '#units/extremes.ts'
import { Link } from 'react-router'
import { truePercent } from '#core/reading/display-check.ts'
import type { BoxView } from '#journal/box-view.ts'
import { displayErrorAt } from '#journal/true-readings.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { shortDayText } from '#ui/dates.ts'
import { offWords } from '#ui/display-words.ts'
import { asTyped, inWhole, shortName, THIN } from '#ui/format.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './wrong.module.css'

const WIDTH = 320
const NAME_PX = 108
const ROW_PX = 30
const MOST = 4

/** Displays that stood in one air, one of them this box's: what each showed, and what the air was by all checks. */
export function TwoDisplays({ view }: { readonly view: BoxView }) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const read = new Set(view.readings.map(reading => reading.instrumentId))
  const check = state.checks.findLast(
    one => one.shown.length > 1 && one.shown.some(shown => read.has(shown.instrumentId)),
  )
  if (!check) return null
  const rows = check.shown.slice(0, MOST).flatMap(({ instrumentId, relativeHumidityPercent }) => {
    const error = displayErrorAt(state)(instrumentId, check.atMs)
    const instrument = state.instruments.get(instrumentId)
    return error && instrument
      ? [
          {
            instrument,
            error,
            shown: relativeHumidityPercent,
            air: truePercent(relativeHumidityPercent, error),
          },
        ]
      : []
  })
  const values = rows.flatMap(row => [row.shown, row.air])
  const [low, high] = [Math.floor(least(values)) - 2, Math.ceil(greatest(values)) + 2]
  const x = (rh: number) => NAME_PX + ((rh - low) / (high - low)) * (WIDTH - NAME_PX - 8)
  const axisY = rows.length * ROW_PX + 8
  const step = high - low > 12 ? 5 : 2
  const ticks = Array.from({ length: high - low + 1 }, (_, i) => low + i)
  return (
    <section aria-labelledby="one-humidity">
      <h2 id="one-humidity">{rows.length === 2 ? 'Two displays' : 'Displays'}, one humidity</h2>
      <svg className={pen.drawing} width={WIDTH} height={axisY + 24} aria-hidden="true">
        {rows.map(({ instrument, shown, air }, i) => {
          const y = i * ROW_PX + 16
          return (
            <g key={instrument.instrumentId}>
              <text x="0" y={y + 5} className={pen.inkSmall}>
                {shortName(instrument.name, 15)}
              </text>
              <path d={`M${x(shown)} ${y}H${x(air)}`} className={css.moved} />
              <circle cx={x(shown)} cy={y} r="3.5" className={css.shownDot} />
              <circle cx={x(air)} cy={y} r="3.5" className={css.airDot} />
            </g>
          )
        })}
        <path
          className={pen.axis}
          d={`M${NAME_PX} ${axisY}H${WIDTH - 8}${ticks.map(tick => `M${x(tick)} ${axisY}v-3`).join('')}`}
        />
        {ticks
          .filter(tick => tick % step === 0)
          .map(tick => (
            <text key={tick} x={x(tick)} y={axisY + 15} textAnchor="middle" className={pen.inkSmallAside}>
              {tick}
            </text>
          ))}
      </svg>
      <p className={hand.aside}>
        {rows
          .map(
            ({ instrument, shown, air, error }) =>
              `${instrument.name} showed ${asTyped(shown)}${THIN}%, in air of ${inWhole(air)}: it ${offWords(error)}`,
          )
          .join('; ')}
        . Held together {shortDayText(check.atMs, nowMs, maker.zone)}.{' '}
        <Link to={`${base}/kit/displays`}>How true they are</Link>
      </p>
    </section>
  )
}
