import { dateAnswer } from '#core/answers/answers.ts'
import type { Lapse, OvenSession } from '#core/renewal/oven-days.ts'
import {
  HORIZON_DAYS,
  leavesMs,
  type PlannedBox,
  type PlanQuestion,
} from '#session/oven-plan/plan-question.ts'
import { msFromSeconds } from '#units/time.ts'
import { dayMonthText } from '#ui/dates.ts'
import { FigureInk } from '#ui/figure.tsx'
import { shortName } from '#ui/format.ts'
import { InkLink } from '#ui/ink-link.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { fillingsOf, type Filling, type Frame } from './plan-frame.ts'
import pen from '#draw/pen.module.css'
import css from './plan.module.css'

/** A later filling stands so much lower, the next one back up: a step, not a stripe. */
const STEP = 10
const LETTERS = { wide: 13, narrow: 9 } as const
const DAY_MS = 86_400_000

interface Props {
  readonly question: PlanQuestion
  readonly box: PlannedBox
  readonly sessions: readonly OvenSession[]
  /** What lapses of this box, as the sessions stand. */
  readonly lapsing: readonly Lapse[]
  readonly frame: Frame
  readonly lane: number
  readonly zone: string
  readonly hatchId: string
}

/** A box through half a year: what is in it now, then a step at each renewal. */
export function PlanLane(props: Props) {
  const { question, box, sessions, lapsing, frame, lane, hatchId } = props
  const { weight } = useMeasures()
  const y = frame.laneY(lane)
  const [first, ...later] = fillingsOf(question, box, sessions)
  const rowOf = (k: number) => (k % 2 === 0 ? y : y + STEP)
  const hatched = lapsing.map(({ from, to }) => {
    const k = [first!, ...later].findLastIndex(filling => filling.from < from)
    return { from: Math.max(0, from), to, y: rowOf(Math.max(0, k)) }
  })
  return (
    <g data-lane={box.name}>
      <InkLink to={`/box/${box.boxId}`} label={`${box.name}: open the box`}>
        <text x="0" y={y + 5} className={`${css.laneName} ${box.isPencil ? css.pencilName : ''}`}>
          {shortName(box.name, frame.isNarrow ? LETTERS.narrow : LETTERS.wide)}
        </text>
      </InkLink>
      {!frame.isNarrow && (
        <text x={frame.left - 12} y={y + 5} textAnchor="end" className={css.laneGrams}>
          {weight.text(box.grams)}
        </text>
      )}
      <FirstFilling filling={first!} y={y} frame={frame} isPencil={box.isPencil} />
      {later.map((filling, k) => (
        <path
          key={filling.from}
          d={taper(filling, rowOf(k + 1), 1, frame)}
          className={css.laterFilling}
          data-part="later"
        />
      ))}
      {hatched.map(one => (
        <rect
          key={one.from}
          x={frame.x(one.from)}
          y={one.y - 4.5}
          width={Math.max(3, frame.x(Math.min(one.to, HORIZON_DAYS)) - frame.x(one.from))}
          height="9"
          fill={`url(#${hatchId})`}
          className={css.overHatch}
          data-part="over"
        />
      ))}
    </g>
  )
}

/** The words of a lane: uprights break under them. */
export function PlanLaneWords(props: Props) {
  const { question, box, sessions, lapsing, frame, lane, zone } = props
  const y = frame.laneY(lane)
  const [first] = fillingsOf(question, box, sessions)
  const [overFrom] = lapsing
  if (overFrom)
    return (
      <text {...besideTip(first!, y, frame)} className={`${css.overWords} ${pen.halo}`} data-over={box.name}>
        {overWords(overFrom, question, zone)}
      </text>
    )
  return <Range {...props} filling={first!} y={y} />
}

/** Words stand after the tip of a stroke; over its end where it runs on to the edge. */
function besideTip({ late }: Filling, y: number, frame: Frame) {
  const tip = frame.x(Math.min(Math.max(late, 0), HORIZON_DAYS))
  return tip > frame.widthPx - 150
    ? { x: frame.widthPx - 4, y: y - 5, textAnchor: 'end' as const }
    : { x: tip + 8, y: y + 5, textAnchor: 'start' as const }
}

function overWords({ from, to }: Lapse, { todayMs }: PlanQuestion, zone: string): string {
  const days = Math.max(1, to - Math.max(0, from))
  const since = from <= 0 ? 'over now' : `over from ${dayMonthText(todayMs + from * DAY_MS, zone)}`
  return `${since}, ${days} day${days === 1 ? '' : 's'}`
}

function FirstFilling({
  filling,
  y,
  frame,
  isPencil,
}: {
  readonly filling: Filling
  readonly y: number
  readonly frame: Frame
  readonly isPencil: boolean
}) {
  if (filling.late <= 0)
    return (
      <path
        d={`M${frame.left - 12} ${y - 2.5}L${frame.left} ${y}L${frame.left - 12} ${y + 2.5}Z`}
        className={css.firstFilling}
        data-part="stub"
      />
    )
  return (
    <path
      d={taper(filling, y, 2.5, frame)}
      className={isPencil ? css.firstPencil : css.firstFilling}
      data-part="first"
    />
  )
}

/** Flat to the early day, straight to nothing at the late one; unclosed at the right edge. */
function taper({ from, early, late }: Filling, y: number, half: number, frame: Frame): string {
  const end = frame.x(HORIZON_DAYS) + 4
  const at = (day: number) => frame.x(Math.min(Math.max(day, from), HORIZON_DAYS)).toFixed(1)
  const start = frame.x(from).toFixed(1)
  if (early >= HORIZON_DAYS) return `M${start} ${y - half}H${end}V${y + half}H${start}Z`
  const tip = Math.max(late, early + 0.5)
  if (tip <= HORIZON_DAYS)
    return `M${start} ${y - half}H${at(early)}L${at(tip)} ${y}L${at(early)} ${y + half}H${start}Z`
  const left = (half * (tip - HORIZON_DAYS)) / (tip - early)
  return `M${start} ${y - half}H${at(early)}L${end} ${y - left}V${y + left}L${at(early)} ${y + half}H${start}Z`
}

function Range({ box, filling, y, frame, zone }: Props & { readonly filling: Filling; readonly y: number }) {
  const { leaves, draws } = box.report
  if (filling.early >= HORIZON_DAYS || leaves === null) return null
  const day = (ms: number) => dayMonthText(ms, zone)
  const early = leavesMs(box)
  const text =
    filling.late <= 0
      ? 'over its target'
      : leaves.beyondHorizon.late
        ? `from ${day(early)}`
        : `${day(early)}–${day(msFromSeconds(leaves.sharesOfDates.at(-2)!.atS))}`
  return (
    <FigureInk answer={dateAnswer('likely range', box.mayLeave, leaves.sharesOfDates, draws)}>
      <text {...besideTip(filling, y, frame)} className={`${css.range} ${pen.halo}`}>
        {text}
      </text>
    </FigureInk>
  )
}
