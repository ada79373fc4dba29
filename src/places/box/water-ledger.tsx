import type { Answer } from '#core/answer.ts'
import type { BoxReport, ChargeNow } from '#core/estimate/report.ts'
import {
  dateAnswer,
  enteredAnswer,
  differenceAnswer,
  freshAnswer,
  heldAnswer,
  notchAnswer,
  streamAnswer,
  totalAnswer,
} from '#core/answers/answers.ts'
import { msFromSeconds } from '#units/time.ts'
import { CONTAINERS } from '#core/container/container.ts'
import type { BoxView } from '#records/box-view.ts'
import { shortDayText } from '#draw/dates.ts'
import { FigureInk } from '#draw/figure.tsx'
import { inTenths, inWhole } from '#draw/format.ts'

interface Flow {
  readonly name: string
  readonly because: string
  readonly answer: Answer
  readonly pencil: boolean
}

/** Columns: beside the list on a page, narrower on a phone, where the words stand under the list. */
const WIDE = { list: 172, left: 222, width: 108, height: 116, page: 480 }
const NARROW = { list: 138, left: 184, width: 108, height: 150, page: 320 }
type Columns = typeof WIDE
const MOST_ROWS = 5
const MOST_STREAM_PX = 78
const ROW = 20

/** Every way water comes in, largest first; a spool goes together with its board. */
function flowsOf(view: BoxView, report: BoxReport): Flow[] {
  const spoolName = new Map(view.spools.map(spool => [spool.spoolId, spool]))
  const flows: Flow[] = []
  for (const stream of report.streams) {
    const [kind, rest = ''] = stream.path.split(':')
    const id = rest.split('.')[0]!
    if (kind === 'charge') continue
    const spool = spoolName.get(id)
    const name =
      kind === 'spool'
        ? (spool?.name ?? 'spool')
        : kind === 'board'
          ? `${spool?.name ?? 'spool'}, card`
          : stream.path
    const because =
      kind === 'lid'
        ? view.box.lid === 'unknown'
          ? 'not told'
          : (LID_WORDS[view.box.lid] ?? '')
        : kind === 'openings'
          ? `${view.box.openingsPerMonth} a month`
          : kind === 'spool'
            ? 'damp'
            : kind === 'board'
              ? 'damp board'
              : CONTAINERS[view.box.container].wall
    flows.push({
      name,
      because,
      answer: streamAnswer(name, stream, 'computed'),
      pencil: kind === 'wall' || kind === 'openings' || (kind === 'lid' && view.box.lidKnown === 'assumed'),
    })
  }
  return flows.sort((a, b) => b.answer.value - a.answer.value)
}
const LID_WORDS: Readonly<Record<string, string>> = {
  clips: 'clips',
  'clips-port': 'clips, port',
  foam: 'foam strip',
  snap: 'snap lid',
  zip: 'zip',
  vented: 'vented',
}

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
  const charge = report.charges[0]
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
  return (
    <section className="ledger">
      <h2 className="section">Water in, mg a day</h2>
      <svg
        className="drawing"
        width={columns.page}
        height={Math.max(frame.bottom + 8, bottom + (narrow ? 150 : 64))}
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
          <g key={flow.name} className={flow.pencil ? 'row pencil-row' : 'row'}>
            <text x="0" y={at + 5} className="ledger-name">
              {flow.name}
            </text>
            {flow.name.length <= 10 && !narrow && <Because view={view} flow={flow} y={at + 5} />}
            <FigureInk answer={flow.answer}>
              <text x={columns.list - 8} y={at + 5} textAnchor="end" className="strong">
                {inWhole(flow.answer.value)}
              </text>
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
              <text x={columns.list - 8} y={y + 5} textAnchor="end" className="strong">
                {inWhole(rest.reduce((sum, flow) => sum + flow.answer.value, 0))}
              </text>
            </FigureInk>
          </g>
        )}
        <path d={`M0 ${bottom - 5}H${columns.list}`} className="axis" />
        <text x="0" y={bottom + 13}>
          in all
        </text>
        <FigureInk answer={total}>
          <text x={columns.list - 8} y={bottom + 13} textAnchor="end" className="ledger-total">
            {inWhole(total.value)}
          </text>
        </FigureInk>
        {takers.length > 0 && (
          <g>
            <text x="0" y={bottom + 34} className="ink-aside">
              {takers.length === 1 ? 'one spool takes up' : 'spools take up'}
            </text>
            <FigureInk
              answer={totalAnswer(
                'taken up by spools',
                'mg/day',
                takers.map(flow => [flow.name, -flow.answer.value]),
              )}
            >
              <text x={columns.list - 8} y={bottom + 34} textAnchor="end" className="ink-aside">
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

const SCALES = [1, 10, 100, 1000].flatMap(power => [1, 1.6, 2.5, 4, 6.3].map(step => step * power)).reverse()
/** px² per gram: the largest printed scale at which level and notch both fit. */
function gramScale(charge: ChargeNow, columns: Columns): number {
  const most = Math.max(charge.waterG, charge.notchG ?? 0, charge.freshG, 0.1)
  const room = columns.width * (columns.height - 14)
  return SCALES.find(scale => most * scale <= room) ?? 1
}
/** What a way is known by, beside its name. */
function Because({ view, flow, y }: { readonly view: BoxView; readonly flow: Flow; readonly y: number }) {
  const words = (
    <text x="84" y={y} className="ink-small-aside">
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

interface Row {
  readonly flow: Flow
  readonly y: number
  readonly width: number
  /** Where its stream falls into the vessel. */
  readonly x: number
}

/** The list is the legend: each stream leaves beside its figure, the largest outermost. */
function layRows(shown: readonly Flow[], perMg: number, columns: Columns): { rows: Row[]; y: number } {
  let y = 12
  let right = columns.left + columns.width - 8
  const rows = shown.map(flow => {
    const width = Math.max(flow.answer.value * perMg, 1.2)
    y += Math.max(0, (width - ROW) / 2)
    const row = { flow, y, width, x: right - width / 2 }
    right -= width + 4.5
    y += Math.max(ROW, width / 2 + ROW / 2)
    return row
  })
  return { rows, y }
}

interface Frame {
  readonly top: number
  readonly bottom: number
}
const levelY = (charge: ChargeNow, grams: number, frame: Frame, columns: Columns): number =>
  frame.bottom - (grams * gramScale(charge, columns)) / columns.width

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
  if (flow.pencil) return <path d={path} className="stream-pencil" />
  return (
    <g className="stream">
      <path d={path} strokeWidth={width + 2} className="stream-edge" />
      <path d={path} strokeWidth={width} className="stream-water" />
    </g>
  )
}

function LedgerVessel({
  charge,
  report,
  nowMs,
  zone,
  frame,
  columns,
  wordsY,
}: {
  readonly columns: Columns
  /** Where the words stand when there is no room beside the vessel. */
  readonly wordsY: number | null
  readonly charge: ChargeNow
  readonly report: BoxReport
  readonly nowMs: number
  readonly zone: string
  readonly frame: Frame
}) {
  const { left, width } = columns
  const { top, bottom } = frame
  const right = left + width
  const held = levelY(charge, charge.waterG, frame, columns)
  const notch = charge.notchG === null ? null : levelY(charge, charge.notchG, frame, columns)
  const fresh = levelY(charge, charge.freshG, frame, columns)
  const scale = gramScale(charge, columns)
  const unit = scale >= 2500 ? 0.1 : scale >= 60 ? 1 : scale >= 6 ? 10 : 100
  const side = Math.sqrt(unit * scale)
  const leaves = report.leaves
  const labelX = wordsY === null ? right + 22 : 12
  const deep = bottom - held > 30
  const isLeft = notch !== null && notch < held
  const lostY = wordsY ?? (notch === null ? 0 : Math.min(notch - 5, held - 40))
  return (
    <g>
      <rect x={left} y={held} width={width} height={bottom - held} className="water" />
      {isLeft && <rect x={left} y={notch} width={width} height={held - notch} fill="url(#left-hatch)" />}
      <defs>
        <pattern
          id="left-hatch"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 3H6" className="left-hatch" />
        </pattern>
      </defs>
      <path d={`M${left} ${fresh}H${right}`} className="fresh-level" />
      <path
        d={`M${left - 7} ${top - 7}L${left} ${top}V${bottom}H${right}V${top}L${right + 7} ${top - 7}`}
        className="box-outline"
      />
      {notch !== null && (charge.notchG ?? 0) >= 0.05 && (
        <path d={`M${right} ${notch - 5}v10l-8 -5z`} className="notch" />
      )}
      <FigureInk answer={heldAnswer(charge)}>
        <text
          x={deep ? left + width / 2 : left - 8}
          y={deep ? (held + bottom) / 2 + 7 : held + 6}
          textAnchor={deep ? 'middle' : 'end'}
          className={deep ? 'held inside' : 'held'}
        >
          {inTenths(charge.waterG)} g
        </text>
      </FigureInk>
      {charge.notchG !== null && charge.notchG < 0.05 && (
        <text x={labelX - 12} y={lostY} className="ink-label">
          target out of reach
        </text>
      )}
      {charge.notchG !== null && charge.notchG >= 0.05 && (
        <FigureInk answer={notchAnswer(charge)}>
          <text x={labelX - 12} y={lostY} className="ink-label">
            lost at {inTenths(charge.notchG)} g
          </text>
        </FigureInk>
      )}
      {isLeft && charge.notchG !== null && (
        <>
          <path d={`M${right + 6} ${notch}h6V${held}h-6`} className="bracket" />
          <FigureInk
            answer={differenceAnswer(
              'water it can still take',
              'g',
              ['water at which the target is lost', charge.notchG],
              ['water in the beads', charge.waterG],
            )}
          >
            <text x={labelX} y={lostY + 22} className="left-figure">
              {inTenths(charge.notchG - charge.waterG)} g left
            </text>
          </FigureInk>
          {leaves && !leaves.beyondHorizon.middle && (
            <FigureInk answer={dateAnswer('middle date', 0.5, leaves.sharesOfDates, report.draws)}>
              <text x={labelX} y={lostY + 41} className="ink-label">
                likely to {shortDayText(msFromSeconds(leaves.spread.middle), nowMs, zone)}
              </text>
            </FigureInk>
          )}
        </>
      )}
      <FigureInk answer={freshAnswer(charge)}>
        <text
          x={labelX - 12}
          y={wordsY === null ? Math.max(fresh + 4, held + 18, lostY + 62) : lostY + 62}
          className="ink-small-aside"
        >
          fresh: {inTenths(charge.freshG)} g
        </text>
      </FigureInk>
      <rect
        x="0.5"
        y={(wordsY === null ? bottom : lostY + 70 + side) - side}
        width={side}
        height={side}
        className="water"
      />
      <text
        x={side + 9}
        y={(wordsY === null ? bottom : lostY + 70 + side) - side / 2 + 5}
        className="ink-small"
      >
        {unit} g of water
      </text>
    </g>
  )
}
