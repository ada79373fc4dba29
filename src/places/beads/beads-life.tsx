import { greatest } from '#units/extremes.ts'
import { useElementSize } from '@mantine/hooks'
import { weighedWaterG } from '#core/evidence/weighing.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { useJournal } from '#session/journal-query.ts'
import { monthStarts, monthText } from '#ui/dates.ts'
import { inWhole, shortName } from '#ui/format.ts'
import pen from '#draw/pen.module.css'
import css from './beads.module.css'

const HEIGHT = 190
const LEFT = 36
const TOP = 20
const FLOOR = 128
const BAND_Y = 146
const LEAST_SPAN_MS = 14 * 86_400_000

/** Water in it by the scale, its heats as uprights, its colours as words, and below where it stood. */
export function BeadsLife({
  charge,
  nowMs,
  zone,
}: {
  readonly charge: ChargeRecord
  readonly nowMs: number
  readonly zone: string
}) {
  const { state } = useJournal()
  const { ref, width } = useElementSize()
  const fromMs = Math.min(charge.madeMs, nowMs - LEAST_SPAN_MS)
  const x = (ms: number) => LEFT + ((ms - fromMs) / (nowMs - fromMs)) * (width - LEFT - 12)
  const weights = charge.weighings.map(one => ({
    atMs: one.atMs,
    waterG: Math.max(0, weighedWaterG(charge.dryMassG, one)),
  }))
  const mostG = Math.max(greatest(weights.map(one => one.waterG)), charge.dryMassG * 0.25)
  const y = (grams: number) => FLOOR - (grams / mostG) * (FLOOR - TOP)
  const lines = runsBetweenHeats(weights, charge)
  return (
    <div ref={ref} className={css.life}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Its life so far: ${charge.heatings.length} heats, ${charge.weighings.length} weighings, ${charge.looks.length} colours`}
        >
          {[0, mostG].map(grams => (
            <g key={grams}>
              <path d={`M${LEFT} ${y(grams)}H${width - 12}`} className={css.grid} />
              <text x={LEFT - 6} y={y(grams) + 4} textAnchor="end" className={css.note}>
                {inWhole(grams)}
              </text>
            </g>
          ))}
          <text x="0" y="12" className={css.axis}>
            Water in it, g
          </text>
          {weights.length === 0 && (
            <text x={LEFT + 10} y={(TOP + FLOOR) / 2} className={css.look}>
              never weighed yet
            </text>
          )}
          {charge.heatings.map(one => (
            <path key={one.id} d={`M${x(one.atMs)} ${TOP - 4}V${FLOOR}`} className={css.heat} />
          ))}
          {lines.map(run => (
            <path
              key={run[0]!.atMs}
              d={`M${run.map(one => `${x(one.atMs).toFixed(1)} ${y(one.waterG).toFixed(1)}`).join('L')}`}
              className={css.water}
            />
          ))}
          {weights.map(one => (
            <circle key={one.atMs} cx={x(one.atMs)} cy={y(one.waterG)} r="3.5" className={css.weight} />
          ))}
          {charge.looks.map(one => (
            <text key={one.id} x={x(one.atMs)} y={FLOOR - 4} textAnchor="middle" className={css.look}>
              {one.colour}
            </text>
          ))}
          {charge.stays.map(stay => {
            const [from, to] = [x(Math.max(fromMs, stay.fromMs)), x(stay.untilMs ?? nowMs)]
            return (
              <g key={stay.fromMs}>
                <path
                  d={`M${from} ${BAND_Y - 5}V${BAND_Y + 5}M${from} ${BAND_Y}H${to}`}
                  className={css.stay}
                />
                {to - from > 40 && (
                  <text x={from + 6} y={BAND_Y - 5} className={css.note}>
                    {shortName(state.boxes.get(stay.boxId)?.name ?? 'a box', Math.floor((to - from) / 7))}
                  </text>
                )}
              </g>
            )
          })}
          {monthStarts(fromMs, nowMs).map(ms => (
            <g key={ms}>
              <path d={`M${x(ms)} ${HEIGHT - 24}v5`} className={css.grid} />
              <text x={x(ms)} y={HEIGHT - 6} textAnchor="middle" className={css.note}>
                {monthText(ms, zone)}
              </text>
            </g>
          ))}
        </svg>
      )}
    </div>
  )
}

/** Weighings one after the other, broken where a heat lies between. */
function runsBetweenHeats<One extends { readonly atMs: number }>(
  list: readonly One[],
  charge: ChargeRecord,
): One[][] {
  const runs: One[][] = []
  for (const one of list) {
    const before = runs.at(-1)?.at(-1)
    const isHot = before && charge.heatings.some(heat => heat.atMs > before.atMs && heat.atMs <= one.atMs)
    if (before && !isHot) runs.at(-1)!.push(one)
    else runs.push([one])
  }
  return runs.filter(run => run.length > 1)
}
