import type { MonthlyProfile } from '#core/room/climate.ts'
import type { OvenSession } from '#core/renewal/oven-days.ts'
import { Grass } from '#draw/grass.tsx'
import { HORIZON_DAYS, type PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { daysBetween } from '#units/calendar-day.ts'
import { monthStarts, monthText } from '#ui/dates.ts'
import type { Frame } from './plan-frame.ts'
import pen from '#draw/pen.module.css'
import css from './plan.module.css'

const DAY_MS = 86_400_000
/** Days before today that are drawn. */
const BEFORE = 6
const NUMERAL_PX = 21
const MONTH_PX = 34

interface Span {
  readonly from: number
  readonly to: number
}

/** The ground: board, grass, the days one is there; away is ground that is missing. */
export function PlanGround({
  question,
  sessions,
  frame,
  profile,
  nowMs,
  zone,
}: {
  readonly question: PlanQuestion
  readonly sessions: readonly OvenSession[]
  readonly frame: Frame
  readonly profile: MonthlyProfile
  readonly nowMs: number
  readonly zone: string
}) {
  const { x, groundY: y } = frame
  const away = awaySpans(question)
  const spans = groundBetween(away)
  const months = monthStarts(question.todayMs, question.todayMs + HORIZON_DAYS * DAY_MS)
  return (
    <g data-part="ground">
      {spans.map(({ from, to }) => (
        <g key={from}>
          <Grass
            profile={profile}
            x={ms => x((ms - nowMs) / DAY_MS)}
            baseline={y}
            nowMs={nowMs}
            fromX={Math.max(frame.left - BEFORE * frame.perDay, x(from))}
            toX={x(to)}
          />
          <rect x={x(from)} y={y} width={x(to) - x(from)} height="5" className={pen.board} />
          <path d={`M${x(from)} ${y}H${x(to)}`} className={pen.axis} />
        </g>
      ))}
      {away.map(({ from, to }) => (
        <g key={from} data-part="away">
          <path d={`M${x(from)} ${y - 13}v18M${x(to)} ${y - 13}v18`} className={pen.axis} />
          {x(to) - x(from) > 34 && (
            <text x={(x(from) + x(to)) / 2} y={y + 3} textAnchor="middle" className={css.gone}>
              away
            </text>
          )}
        </g>
      ))}
      <Numerals question={question} sessions={sessions} frame={frame} />
      {months.map((ms, i) => {
        const at = x((ms - question.todayMs) / DAY_MS)
        const before = i === 0 ? -Infinity : x((months[i - 1]! - question.todayMs) / DAY_MS)
        return (
          at - before > MONTH_PX * 0.6 &&
          at < frame.widthPx - 24 && (
            <text key={ms} x={at} y={y + 37} className={css.month}>
              {monthText(ms, zone)}
              {new Date(ms).getUTCMonth() === 0 && !frame.isNarrow ? ` ${new Date(ms).getUTCFullYear()}` : ''}
            </text>
          )
        )
      })}
    </g>
  )
}

/** Each day one could be there: those with a session first, then as many as have room. */
function Numerals({
  question,
  sessions,
  frame,
}: {
  readonly question: PlanQuestion
  readonly sessions: readonly OvenSession[]
  readonly frame: Frame
}) {
  const isOven = (at: number) => sessions.some(one => one.at === at)
  const placed: number[] = []
  const order = question.days
    .map((day, at) => ({ ...day, at }))
    .sort((a, b) => Number(isOven(b.at)) - Number(isOven(a.at)) || a.at - b.at)
  const shown = order.filter(({ day }) => {
    const here = frame.x(day)
    if (placed.some(other => Math.abs(other - here) < NUMERAL_PX)) return false
    placed.push(here)
    return true
  })
  return (
    <g>
      {question.days.map(({ day, iso }) => (
        <path key={iso} d={`M${frame.x(day)} ${frame.groundY + 5}v4`} className={pen.axis} />
      ))}
      {shown.map(({ day, iso, at, wish }) => (
        <g key={iso}>
          <text
            x={frame.x(day)}
            y={frame.groundY + 22}
            textAnchor="middle"
            className={isOven(at) ? css.ovenDay : css.day}
          >
            {Number(iso.slice(8))}
          </text>
          {wish === 'struck' && (
            <path
              d={`M${frame.x(day) - 11} ${frame.groundY + 20}q6 -4 11 -2t11 -3`}
              className={css.struck}
              data-part="struck"
            />
          )}
        </g>
      ))}
    </g>
  )
}

function awaySpans({ told, today }: PlanQuestion): Span[] {
  return told.away
    .map(({ from, to }) => ({ from: daysBetween(today, from), to: daysBetween(today, to) + 1 }))
    .filter(({ from, to }) => to > 0 && from < HORIZON_DAYS)
    .map(({ from, to }) => ({ from: Math.max(0, from), to: Math.min(HORIZON_DAYS, to) }))
    .sort((a, b) => a.from - b.from)
}

function groundBetween(away: readonly Span[]): Span[] {
  const spans: Span[] = []
  let from = -BEFORE
  for (const gap of away) {
    if (gap.from > from) spans.push({ from, to: gap.from })
    from = Math.max(from, gap.to)
  }
  if (from < HORIZON_DAYS) spans.push({ from, to: HORIZON_DAYS })
  return spans
}
