import { greatest } from '#units/extremes.ts'
import { useElementSize } from '@mantine/hooks'
import { asTold, hasDial, heatAt } from '#core/renewal/heat-source.ts'
import { asHeatSource } from '#journal/heat-sources.ts'
import type { HeatSourceRecord } from '#journal/state.ts'
import { shortName } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import pen from '#draw/pen.module.css'
import css from './heat.module.css'

const LEAST_C = 30
const NAME_PX = 132
const LANE_PX = 46
const TOP_PX = 30
const RIGHT_PX = 14
/** The axis goes at least so far: beads stand 120. */
const LEAST_MOST_C = 160
const BEADS_STAND_C = 120

/**
 * Every source on one line of temperatures: what can be set, and for each setting that was measured the dial, what the
 * maker says, and the thermometer with its swing.
 */
export function HeatLines({ sources }: { readonly sources: readonly HeatSourceRecord[] }) {
  const { ref, width } = useElementSize()
  const { temperature } = useMeasures()
  const isPhone = width < 520
  const left = isPhone ? 8 : NAME_PX
  const lane = isPhone ? LANE_PX + 20 : LANE_PX
  const mostC = Math.max(greatest(sources.map(one => asTold(asHeatSource(one)).highestC)), LEAST_MOST_C)
  const x = (celsius: number) => left + ((celsius - LEAST_C) / (mostC - LEAST_C)) * (width - left - RIGHT_PX)
  const stepC = mostC > 220 ? 50 : 20
  const ticks = Array.from({ length: 20 }, (_, i) => (i + 1) * stepC).filter(
    at => at > LEAST_C && at <= mostC,
  )
  const height = TOP_PX + sources.length * lane + 8
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height={height}
          role="img"
          aria-label="Heat sources on a line of temperatures: what can be set, and what was measured there, with its swing"
        >
          {ticks.map(at => (
            <g key={at}>
              <path d={`M${x(at)} ${TOP_PX - 6}V${height}`} className={css.grid} />
              <text x={x(at)} y={TOP_PX - 12} textAnchor="middle" className={css.tick}>
                {temperature.bare(at).replace(/\.0$/, '')}
              </text>
            </g>
          ))}
          <text x={left} y={TOP_PX - 12} className={css.tick}>
            {temperature.unit}
          </text>
          <path d={`M${x(BEADS_STAND_C)} ${TOP_PX - 6}V${height}`} className={css.stands} />
          {sources.map((record, i) => (
            <Lane
              key={record.heatSourceId}
              record={record}
              y={TOP_PX + (i + 1) * lane - lane / 2 + (isPhone ? 10 : 0)}
              x={x}
              nameY={isPhone ? -20 : 5}
            />
          ))}
        </svg>
      )}
    </div>
  )
}

function Lane({
  record,
  x,
  y,
  nameY,
}: {
  readonly record: HeatSourceRecord
  readonly x: (celsius: number) => number
  readonly y: number
  readonly nameY: number
}) {
  const source = asHeatSource(record)
  const { lowestC, highestC, swingC } = asTold(source)
  const isTold = record.lowestC != null || record.highestC != null
  const middleC = hasDial(record.kind) ? Math.min(highestC, Math.max(lowestC, 100)) : lowestC
  return (
    <g data-source={record.heatSourceId}>
      <text x={nameY < 0 ? 8 : 0} y={y + nameY} className={css.laneName}>
        {shortName(record.name, 18)}
      </text>
      {hasDial(record.kind) && (
        <path
          d={`M${x(lowestC)} ${y}H${x(highestC)}M${x(lowestC)} ${y - 5}v10M${x(highestC)} ${y - 5}v10`}
          className={isTold ? css.range : css.rangeAssumed}
        />
      )}
      {source.measured.length === 0 && record.kind !== 'microwave' && (
        <path
          d={`M${x(Math.max(LEAST_C, heatAt(source, middleC).middleC - swingC))} ${y}H${x(middleC + swingC)}`}
          className={css.swingAssumed}
        />
      )}
      {source.measured.map(({ dialC, advertisedC, measuredC, swingC: swing }) => (
        <g key={dialC}>
          <path
            d={`M${x(Math.max(LEAST_C, measuredC - swing))} ${y}H${x(measuredC + swing)}`}
            className={css.swing}
          />
          <path
            d={`M${x(dialC)} ${y - 3}Q${(x(dialC) + x(measuredC)) / 2} ${y - 15} ${x(measuredC)} ${y - 3}`}
            className={css.arrow}
          />
          <circle cx={x(dialC)} cy={y} r="4" className={css.dial} />
          {advertisedC !== null && <path d={`M${x(advertisedC)} ${y - 8}v16`} className={css.advertised} />}
          <circle cx={x(measuredC)} cy={y} r="4" className={css.measured} />
        </g>
      ))}
    </g>
  )
}
