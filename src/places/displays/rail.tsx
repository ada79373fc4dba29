import { useElementSize } from '@mantine/hooks'
import { HangingDisplay, hangsPx } from '#draw/hanging-display.tsx'
import type { InstrumentRecord } from '#journal/state.ts'
import { displayErrorAt } from '#journal/true-readings.ts'
import { useJournal } from '#session/journal-query.ts'
import { shortName, THIN } from '#ui/format.ts'
import pen from '#draw/pen.module.css'
import css from './displays.module.css'

/** What the words beside the rail need. */
const KEY_PX = 180
const SCALE = 0.6
const PLACE_PX = 152

/** All of them on one rail, each out of plumb by what it shows too much. */
export function Rail({ displays }: { readonly displays: readonly InstrumentRecord[] }) {
  const { state, nowMs } = useJournal()
  const { ref, width } = useElementSize()
  const each = Math.max(1, Math.floor(width / PLACE_PX))
  const rows = Array.from({ length: Math.ceil(displays.length / each) }, (_, i) =>
    displays.slice(i * each, (i + 1) * each),
  )
  const rowPx = hangsPx(SCALE) + 38
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height={rows.length * rowPx}
          role="img"
          aria-label="Displays on a rail: each hangs to the right by what it shows too much, to the left by what it shows too little"
        >
          {rows.map((row, r) => (
            <g key={row[0]!.instrumentId} transform={`translate(0 ${r * rowPx})`}>
              <rect
                x="0"
                y="0"
                width={Math.min(width, row.length * PLACE_PX)}
                height="7"
                className={pen.board}
              />
              <path d={`M0 0H${Math.min(width, row.length * PLACE_PX)}`} className={pen.boardLine} />
              {row.map((one, i) => (
                <g key={one.instrumentId}>
                  <HangingDisplay
                    x={(i + 0.5) * PLACE_PX}
                    y={4}
                    scale={SCALE}
                    error={displayErrorAt(state)(one.instrumentId, nowMs)}
                  />
                  <text
                    x={(i + 0.5) * PLACE_PX}
                    y={hangsPx(SCALE) + 20}
                    textAnchor="middle"
                    className={css.railName}
                  >
                    {shortName(one.name, 19)}
                  </text>
                </g>
              ))}
            </g>
          ))}
          {rows.length === 1 && width - displays.length * PLACE_PX >= KEY_PX && (
            <g transform={`translate(${width - KEY_PX + 24} 52)`}>
              <text className={pen.inkSmallAside}>hangs right: shows</text>
              <text y="18" className={pen.inkSmallAside}>
                too much. A step is 1{THIN}%,
              </text>
              <text y="36" className={pen.inkSmallAside}>
                the bar is its doubt.
              </text>
            </g>
          )}
        </svg>
      )}
    </div>
  )
}
