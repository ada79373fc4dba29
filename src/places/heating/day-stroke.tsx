import { useElementSize } from '@mantine/hooks'
import type { SessionAt } from '#session/heating.ts'
import { clockText } from '#ui/dates.ts'
import pen from '#draw/pen.module.css'
import css from './heating.module.css'

const COOL_MS = 30 * 60_000
const MINUTE_MS = 60_000
/** Weighing in, pouring, waiting for the oven: between batches. */
const BETWEEN_MS = 12 * MINUTE_MS

/** The day from the first step to the last: done in ink, an upright now, hot over it, cooling dashed. */
export function DayStroke({
  at,
  nowMs,
  zone,
}: {
  readonly at: SessionAt
  readonly nowMs: number
  readonly zone: string
}) {
  const { ref, width } = useElementSize()
  const { session } = at
  const hot = hotTimes(at, nowMs)
  const lastHotMs = hot.at(-1)?.toMs ?? nowMs
  const endMs = Math.max(lastHotMs + COOL_MS, nowMs)
  const x = (ms: number) => ((ms - session.begunMs) / Math.max(1, endMs - session.begunMs)) * (width - 2) + 1
  return (
    <div ref={ref} className={css.day}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height="44"
          role="img"
          aria-label="This session from its first step to its last"
        >
          <path d={`M1 18H${x(lastHotMs)}`} className={css.toCome} />
          <path d={`M${x(lastHotMs)} 18H${x(endMs)}`} className={css.cooling} />
          <path d={`M1 18H${x(Math.min(nowMs, endMs))}`} className={css.doneLine} />
          {hot.map(({ fromMs, toMs }) => (
            <path key={fromMs} d={`M${x(fromMs)} 9H${x(toMs)}`} className={css.hotLine} />
          ))}
          <path d={`M${x(nowMs)} 6v18`} className={css.nowLine} />
          <text x="0" y="39" className={css.clock}>
            {clockText(session.begunMs, zone)}
          </text>
          <text x={width} y="39" textAnchor="end" className={css.clock}>
            {clockText(endMs, zone)}
          </text>
          {x(nowMs) > 60 && x(nowMs) < width - 60 && (
            <text x={x(nowMs)} y="39" textAnchor="middle" className={css.clockNow}>
              now {clockText(nowMs, zone)}
            </text>
          )}
        </svg>
      )}
    </div>
  )
}

/** When each batch is hot: as it was, or as it may be, one after the other. */
function hotTimes({ session, batches }: SessionAt, nowMs: number): { fromMs: number; toMs: number }[] {
  const list: { fromMs: number; toMs: number }[] = []
  for (const { inMs, outMs, minutes } of batches) {
    const earliestMs = (list.at(-1)?.toMs ?? session.begunMs) + BETWEEN_MS
    const fromMs = inMs ?? Math.max(earliestMs, nowMs)
    list.push({
      fromMs,
      toMs: outMs ?? Math.max(fromMs + minutes * MINUTE_MS, inMs === null ? 0 : nowMs),
    })
  }
  return list
}
