import { enteredAnswer, totalAnswer } from '#core/answers/answers.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'
import { FigureInk } from '#ui/figure.tsx'
import { inWhole, shortName } from '#ui/format.ts'
import { layRows, levelY, NARROW, ROW, WIDE, type Columns } from './ledger-columns.ts'
import { flowsOf, type Flow } from './ledger-flows.ts'
import { LedgerVessel } from './ledger-vessel.tsx'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './box.module.css'

/** Letters that fit between a name and its figure. */
const MOST_BECAUSE = 11
const MOST_ROWS = 5
const MOST_STREAM_PX = 78

/** Water in by path, the vessel with today's level and the notch, and what is left: area is grams, width is mg a day. */
export function WaterLedger({
  view,
  report,
  nowMs,
  zone,
  narrow,
}: {
  readonly view: BoxView
  readonly report: BoxReport
  readonly nowMs: number
  readonly zone: string
  readonly narrow: boolean
}) {
  const columns = narrow ? NARROW : WIDE
  const charge = report.held
  const all = flowsOf(view, report)
  const inflows = all.filter(flow => flow.answer.value >= 0.5)
  const shown = inflows.slice(0, MOST_ROWS)
  const rest = inflows.slice(MOST_ROWS)
  const takers = all.filter(flow => flow.answer.value <= -0.5)
  const total = totalAnswer(
    'water in',
    'mg/day',
    inflows.map(flow => [flow.name, flow.answer.value]),
  )
  const perMg = Math.min(0.155, MOST_STREAM_PX / Math.max(total.value, 1))
  const { rows, y } = layRows(shown, perMg, columns)
  const bottom = y + (rest.length > 0 ? ROW : 0)
  const top = Math.max(84, (rows.at(-1)?.y ?? 0) + 16)
  const frame = { top, bottom: top + columns.height }
  const height = Math.max(frame.bottom + 8, bottom + (narrow ? 150 : 64))
  return (
    <section>
      <h2 className={hand.section}>Water in, mg a day</h2>
      <svg
        className={`${pen.drawing} ${css.ledgerDrawing}`}
        width={columns.page}
        viewBox={`0 0 ${columns.page} ${height}`}
        role="group"
        aria-label="The water ledger"
      >
        {charge &&
          rows.map(row => (
            <StreamInk
              key={row.flow.name}
              columns={columns}
              {...row}
              level={levelY(charge, charge.waterG, frame, columns)}
            />
          ))}
        {rows.map(({ flow, y: at }) => (
          <g key={flow.name} className={flow.pencil ? css.pencilRow : undefined}>
            <text x="0" y={at + 5} className={css.ledgerName} data-part="ledger-name">
              {shortName(flow.name, columns.letters)}
            </text>
            {flow.name.length <= 10 && flow.because.length <= MOST_BECAUSE && !narrow && (
              <Because view={view} flow={flow} y={at + 5} />
            )}
            <FigureInk answer={flow.answer}>
              <text x={columns.figure} y={at + 5} textAnchor="end" className={hand.strong}>
                {inWhole(flow.answer.value)}
              </text>
              <RangeInk x={columns.list - 4} y={at + 5} range={flow.range} />
            </FigureInk>
          </g>
        ))}
        {rest.length > 0 && (
          <g>
            <text x="0" y={y + 5}>
              smaller ways
            </text>
            <FigureInk
              answer={totalAnswer(
                'smaller ways',
                'mg/day',
                rest.map(flow => [flow.name, flow.answer.value]),
              )}
            >
              <text x={columns.figure} y={y + 5} textAnchor="end" className={hand.strong}>
                {inWhole(rest.reduce((sum, flow) => sum + flow.answer.value, 0))}
              </text>
            </FigureInk>
          </g>
        )}
        <path d={`M0 ${bottom - 5}H${columns.list}`} className={pen.axis} />
        <text x="0" y={bottom + 13}>
          in all
        </text>
        <FigureInk answer={total}>
          <text x={columns.figure} y={bottom + 13} textAnchor="end" className={css.ledgerTotal}>
            {inWhole(total.value)}
          </text>
          <RangeInk x={columns.list - 4} y={bottom + 13} range={report.inflowMgPerDay} />
        </FigureInk>
        {takers.length > 0 && (
          <g>
            <text x="0" y={bottom + 34} className={pen.inkAside}>
              {takers.length === 1 ? 'one spool takes up' : 'spools take up'}
            </text>
            <FigureInk
              answer={totalAnswer(
                'taken up by spools',
                'mg/day',
                takers.map(flow => [flow.name, -flow.answer.value]),
              )}
            >
              <text x={columns.figure} y={bottom + 34} textAnchor="end" className={pen.inkAside}>
                {inWhole(-takers.reduce((sum, flow) => sum + flow.answer.value, 0))}
              </text>
            </FigureInk>
          </g>
        )}
        {charge ? (
          <LedgerVessel
            charge={charge}
            report={report}
            nowMs={nowMs}
            zone={zone}
            frame={frame}
            columns={columns}
            wordsY={narrow ? bottom + (takers.length > 0 ? 64 : 44) : null}
          />
        ) : null}
      </svg>
    </section>
  )
}

/** 10 and 90 % of all draws, in pencil behind the figure. */
const RangeInk = ({
  x,
  y,
  range,
}: {
  readonly x: number
  readonly y: number
  readonly range: { readonly low: number; readonly high: number }
}) => (
  <text x={x} y={y} textAnchor="end" className={pen.inkSmallAside}>
    {inWhole(range.low)}–{inWhole(range.high)}
  </text>
)

/** What a way is known by, beside its name. */
function Because({ view, flow, y }: { readonly view: BoxView; readonly flow: Flow; readonly y: number }) {
  const words = (
    <text x="76" y={y} className={pen.inkSmallAside}>
      {flow.because}
    </text>
  )
  if (flow.name !== 'openings') return words
  const { openingsPerMonth, openingsKnown } = view.box
  return (
    <FigureInk answer={enteredAnswer('openings a month', 'openings', openingsPerMonth, '', openingsKnown)}>
      {words}
    </FigureInk>
  )
}

function StreamInk({
  y,
  x,
  width,
  level,
  flow,
  columns,
}: {
  readonly columns: Columns
  readonly y: number
  readonly x: number
  readonly width: number
  readonly level: number
  readonly flow: Flow
}) {
  const r = 7 + width / 2
  const path = `M${columns.list + 6} ${y}H${x - r}Q${x} ${y} ${x} ${y + r}V${level}`
  if (flow.pencil) return <path d={path} className={css.streamPencil} />
  return (
    <g>
      <path d={path} strokeWidth={width + 2} className={css.streamEdge} />
      <path d={path} strokeWidth={width} className={css.streamWater} />
    </g>
  )
}
