import { greatest, least } from '#units/extremes.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { rhAtConstantLoadingPercent } from '#core/sorbent/sorbent.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { splitChange } from '#core/answers/change.ts'
import { differenceAnswer, enteredAnswer, readingAnswer } from '#core/answers/answers.ts'
import { inScale } from '#core/reading/scale-slip.ts'
import type { BoxView } from '#journal/box-view.ts'
import { shortDayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { THIN, readText, inTenths, inWhole, signed } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { beadsInG } from '#ui/beads-figure.tsx'
import { usePreferences } from '#session/journal-context.tsx'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './box.module.css'

const W = 216
const H = 138
const LEFT = 30

/** Last reading to this one: a temperature arrow along a line of equal loading, then a water arrow across it. */
export function ChangeArrows({
  view,
  report,
  nowMs,
  zone,
}: {
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly nowMs: number
  readonly zone: string
}) {
  const { temperatureScale: scale } = usePreferences().preferences
  const { water } = useMeasures()
  const { last } = view
  const before =
    last && [...view.readings].reverse().find(reading => reading.atMs < last.atMs && reading.settled)
  // the heaviest beads are what holds the air's RH when it warms
  const charge = [...view.charges].sort((a, b) => b.dryMassG - a.dryMassG)[0]
  if (!last || !before || !charge)
    return (
      <section>
        <h2 className={hand.section}>What changed</h2>
        <p className={hand.aside}>
          Two readings tell what temperature and what water did. Read it once more.
        </p>
      </section>
    )
  const desiccant = DESICCANTS[charge.desiccant]
  const split = splitChange(desiccant, before, last, {
    dryMassG: beadsInG(view.charges),
    capacityFactor: report?.held?.capacityFactor ?? 1,
  })
  const between = split.betweenRhPercent
  const temps = [before.temperatureC, last.temperatureC]
  const rhs = [
    before.relativeHumidityPercent,
    last.relativeHumidityPercent,
    between,
    view.target?.rhPercent ?? last.relativeHumidityPercent,
  ]
  const [t0, t1] = [Math.floor(least(temps)) - 2, Math.ceil(greatest(temps)) + 2]
  const [r0, r1] = [Math.max(0, Math.floor(least(rhs)) - 4), Math.ceil(greatest(rhs)) + 4]
  const x = (t: number) => LEFT + ((t - t0) / (t1 - t0)) * W
  const y = (rh: number) => 8 + H - ((rh - r0) / (r1 - r0)) * H
  const lines = Array.from({ length: 30 }, (_, i) => i * 2.5).filter(rh => rh > r0 - 3 && rh < r1 + 3)
  const step = r1 - r0 > 24 ? 10 : 5
  const ticks = Array.from({ length: 20 }, (_, i) => i * step).filter(rh => rh >= r0 && rh <= r1)
  const tempStep = t1 - t0 > 12 ? 5 : 2
  const tempTicks = Array.from({ length: 60 }, (_, i) => -20 + i * tempStep).filter(
    t => t > t0 && t < t1 - 0.6,
  )
  const target = view.target?.rhPercent
  const change = differenceAnswer(
    'change of temperature',
    '°C',
    ['temperature now', last.temperatureC],
    ['temperature then', before.temperatureC],
  )
  return (
    <section>
      <h2 className={hand.section}>
        <Figure answer={readingAnswer('reading before', before)}>{readText(before)}</Figure> to{' '}
        <Figure answer={readingAnswer('reading', last)}>{readText(last)}</Figure>: what changed
      </h2>
      <svg
        className={pen.drawing}
        width="264"
        height="172"
        role="img"
        aria-label="The change as a temperature arrow and a water arrow"
      >
        <clipPath id="change-plot">
          <rect x={LEFT} y="8" width={W} height={H} />
        </clipPath>
        {lines.map(rh => (
          <path
            key={rh}
            className={css.equalLoading}
            clipPath="url(#change-plot)"
            d={`M${x(t0)} ${y(rh)}L${x(t1)} ${y(rhAtConstantLoadingPercent(desiccant.sorbent, { relativeHumidityPercent: rh, fromTemperatureC: t0, toTemperatureC: t1 }))}`}
          />
        ))}
        <path d={`M${LEFT} 8V${8 + H}H${LEFT + W}`} className={pen.axis} />
        {ticks.map(rh => (
          <text
            key={rh}
            x={LEFT - 5}
            y={y(rh) + 4}
            textAnchor="end"
            className={pen.inkSmall}
            data-part="ink-small"
          >
            {rh}
          </text>
        ))}
        {tempTicks.map(t => (
          <text
            key={t}
            x={x(t)}
            y={8 + H + 16}
            textAnchor="middle"
            className={pen.inkSmall}
            data-part="ink-small"
          >
            {inWhole(inScale(t, scale))}
          </text>
        ))}
        <text x={LEFT + W} y={8 + H + 16} className={pen.inkSmall} data-part="ink-small" textAnchor="middle">
          °{scale}
        </text>
        {target !== undefined && target >= r0 && target <= r1 && (
          <>
            <path d={`M${LEFT} ${y(target)}h${W}`} className={css.targetLine} />
            <text
              x={LEFT + W}
              y={y(target) - 4}
              textAnchor="end"
              className={pen.inkSmall}
              data-part="ink-small"
            >
              target {target}
            </text>
          </>
        )}
        <defs>
          {(['heat', 'water'] as const).map(kind => (
            <marker
              key={kind}
              id={`head-${kind}`}
              markerWidth="7"
              markerHeight="7"
              refX="5.5"
              refY="3.5"
              orient="auto"
              markerUnits="userSpaceOnUse"
            >
              <path d="M0 0L7 3.5L0 7Z" className={kind === 'heat' ? css.headHeat : css.headWater} />
            </marker>
          ))}
        </defs>
        {Math.abs(last.temperatureC - before.temperatureC) > 0.2 && (
          <path
            d={`M${x(before.temperatureC)} ${y(before.relativeHumidityPercent)}L${x(last.temperatureC)} ${y(between)}`}
            className={css.heatArrow}
            markerEnd="url(#head-heat)"
          />
        )}
        {Math.abs(last.relativeHumidityPercent - between) > 0.4 && (
          <path
            d={`M${x(last.temperatureC)} ${y(between)}V${y(last.relativeHumidityPercent)}`}
            className={css.waterArrow}
            markerEnd="url(#head-water)"
          />
        )}
        <circle
          cx={x(before.temperatureC)}
          cy={y(before.relativeHumidityPercent)}
          r="3.4"
          className={css.thenDot}
        />
        <circle
          cx={x(last.temperatureC)}
          cy={y(last.relativeHumidityPercent)}
          r="3.6"
          className={css.nowDot}
        />
        <text
          x={x(before.temperatureC)}
          y={
            y(before.relativeHumidityPercent) +
            (last.relativeHumidityPercent > before.relativeHumidityPercent ? 17 : -8)
          }
          textAnchor="middle"
          className={`${pen.inkSmall} ${pen.halo}`}
          data-part="ink-small"
        >
          {shortDayText(before.atMs, nowMs, zone)}
        </text>
      </svg>
      <p>
        <Figure answer={change}>
          {signed(inTenths(scale === 'C' ? change.value : (change.value * 9) / 5))}
          {THIN}°{scale}
        </Figure>{' '}
        explains{' '}
        <Figure answer={split.byTemperaturePercent}>
          {signed(inTenths(split.byTemperaturePercent.value))}
          {THIN}%
        </Figure>
        ;{' '}
        <Figure answer={split.gainedMg}>
          {Math.abs(split.gainedMg.value) >= 1000
            ? water.text(Math.abs(split.gainedMg.value) / 1000)
            : `${inWhole(Math.abs(split.gainedMg.value))}${THIN}mg`}
        </Figure>{' '}
        of water {split.gainedMg.value >= 0 ? 'gained' : 'lost'}{' '}
        <Figure answer={split.byWaterPercent}>
          {signed(inTenths(split.byWaterPercent.value))}
          {THIN}%
        </Figure>
        .
        {Math.abs(last.relativeHumidityPercent - before.relativeHumidityPercent) <
          view.hygrometer.accuracyPercentRh && (
          <span className={hand.aside}>
            {' '}
            Within the display’s{' '}
            <Figure
              answer={enteredAnswer(
                'accuracy of the display',
                'accuracy',
                view.hygrometer.accuracyPercentRh,
                '%',
                'told',
              )}
            >
              ±{view.hygrometer.accuracyPercentRh}
              {THIN}%
            </Figure>
            .
          </span>
        )}
      </p>
    </section>
  )
}
