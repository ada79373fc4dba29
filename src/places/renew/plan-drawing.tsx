import { least } from '#units/extremes.ts'
import { DndContext, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core'
import { useId, useRef } from 'react'
import type { MonthlyProfile } from '#core/room/climate.ts'
import { lapses, openDays, type OvenSession } from '#core/renewal/oven-days.ts'
import { failsWhenMoved } from '#core/renewal/why-day.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { dayMonthText, dayText } from '#ui/dates.ts'
import { minutesText } from '#ui/heat-text.ts'
import { planFrame, type Frame } from './plan-frame.ts'
import { PlanGround } from './plan-ground.tsx'
import { PlanLane, PlanLaneWords } from './plan-lane.tsx'
import { PlanUpright } from './plan-upright.tsx'
import { boxesWords } from '#ui/plan-words.ts'
import pen from '#draw/pen.module.css'
import css from './plan.module.css'

const DAY_MS = 86_400_000

/** A session that is being moved. */
export interface Held {
  readonly from: number
  readonly to: number
}

interface Props {
  readonly question: PlanQuestion
  readonly sheets: readonly DaySheet[]
  /** As planned, and as they would be with what is held put down here. */
  readonly sessions: readonly OvenSession[]
  readonly shown: readonly OvenSession[]
  readonly held: Held | null
  readonly chosen: number | null
  readonly widthPx: number
  readonly profile: MonthlyProfile
  readonly nowMs: number
  readonly zone: string
  readonly onHold: (held: Held | null) => void
  readonly onLetGo: (held: Held) => void
  readonly onChoose: (at: number) => void
}

/** Half a year: each box a lane, each day at the oven an upright through the strokes it serves. */
export function PlanDrawing(props: Props) {
  const { question, sheets, sessions, shown, held, widthPx, nowMs, zone } = props
  const hatchId = useId()
  const isPulled = useRef(false)
  const { asked, boxes, leftOut, days, todayMs } = question
  const lanes = laneOrder(question)
  const frame = planFrame(widthPx, boxes.length + (widthPx < 600 ? 0 : leftOut.length))
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 12 } }),
  )
  const open = openDays(asked)
  const fails = held ? failsWhenMoved(asked, sessions, held) : []
  const late = new Set(fails.map(one => one.boxId))
  const lapsing = [...fails, ...lapses(asked, sessions)]
  const dayAt = (at: number) => days[at]!.day
  const nearest = (from: number, movedPx: number): number => {
    const wanted = dayAt(from) + movedPx / frame.perDay
    return open.reduce(
      (best, at) => (Math.abs(dayAt(at) - wanted) < Math.abs(dayAt(best) - wanted) ? at : best),
      from,
    )
  }
  const step = (from: number, by: 1 | -1) => {
    const now = held?.from === from ? held.to : from
    const next = by === 1 ? open.find(at => at > now) : open.findLast(at => at < now)
    if (next !== undefined) props.onHold({ from, to: next })
  }
  const heads = headRooms(
    sessions.map(({ at }) => frame.x(dayAt(held?.from === at ? held.to : at))),
    frame,
  )
  return (
    <DndContext
      sensors={sensors}
      onDragStart={() => {
        isPulled.current = true
      }}
      onDragMove={({ active, delta }) => {
        // one move may come late, after it was let go
        if (!isPulled.current) return
        const from = (active.data.current as { at: number }).at
        props.onHold({ from, to: nearest(from, delta.x) })
      }}
      onDragEnd={({ active, delta }) => {
        isPulled.current = false
        const from = (active.data.current as { at: number }).at
        props.onLetGo({ from, to: nearest(from, delta.x) })
      }}
      onDragCancel={() => {
        isPulled.current = false
        props.onHold(null)
      }}
    >
      <svg
        className={pen.drawing}
        width={widthPx}
        height={frame.height}
        role="group"
        aria-label="The plan: half a year of days at the oven"
      >
        <defs>
          <pattern
            id={hatchId}
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V5" className={css.hatchLine} />
          </pattern>
        </defs>
        <PlanGround
          question={question}
          sessions={shown}
          frame={frame}
          profile={props.profile}
          nowMs={nowMs}
          zone={zone}
        />
        {lanes.map((box, i) => (
          <PlanLane
            key={box.boxId}
            question={question}
            box={box}
            sessions={held ? sessions : shown}
            lapsing={lapsing.filter(one => one.boxId === box.boxId)}
            frame={frame}
            lane={i}
            zone={zone}
            hatchId={hatchId}
          />
        ))}
        <path d={`M${frame.left} 44V${frame.groundY + 5}`} className={css.todayLine} />
        <text x={frame.left} y="34" textAnchor="middle" className={css.today}>
          today
        </text>
        {held && (
          <Ghost
            frame={frame}
            day={dayAt(held.from)}
            to={dayAt(held.to)}
            date={dayMonthText(todayMs + dayAt(held.from) * DAY_MS, zone)}
          />
        )}
        {sessions.map(({ at, boxIds }, i) => {
          const isHeld = held?.from === at
          const standsAt = isHeld ? held.to : at
          const { day } = days[standsAt]!
          const sheet = sheets.find(one => one.at === at)
          const ms = todayMs + (day + 0.5) * DAY_MS
          return (
            <PlanUpright
              key={at}
              at={at}
              x={frame.x(day)}
              groundY={frame.groundY}
              date={i === 0 && !frame.isNarrow ? dayText(ms, ms, zone) : dayMonthText(ms, zone)}
              count={`${boxesWords(boxIds.length)}${sheet ? `, ${minutesText(sheet.time.presentMinutes)}` : ''}`}
              label={`Day at the oven, ${boxesWords(boxIds.length)}`}
              value={{ now: standsAt, most: days.length - 1, text: dayText(ms, nowMs, zone) }}
              room={heads[i]!}
              anchor={
                frame.x(day) > widthPx - 48 ? 'end' : frame.x(day) < frame.left + 30 ? 'start' : 'middle'
              }
              isChosen={props.chosen === at}
              isHeld={isHeld}
              isPinned={days[at]!.wish === 'pinned'}
              lozenges={lanes.flatMap((box, lane) => {
                if (!boxIds.includes(box.boxId)) return []
                const before = sessions.filter(one => one.at < at && one.boxIds.includes(box.boxId)).length
                return [
                  {
                    y: frame.laneY(lane) + (before % 2 === 0 ? 0 : 10),
                    is: late.has(box.boxId) && isHeld ? ('late' as const) : ('served' as const),
                  },
                ]
              })}
              onChoose={() => props.onChoose(at)}
              onStep={by => step(at, by)}
              onLetGo={() => held && props.onLetGo(held)}
              onCancel={() => props.onHold(null)}
            />
          )
        })}
        {!frame.isNarrow &&
          lanes.map((box, i) => (
            <PlanLaneWords
              key={box.boxId}
              question={question}
              box={box}
              sessions={held ? sessions : shown}
              lapsing={lapsing.filter(one => one.boxId === box.boxId)}
              frame={frame}
              lane={i}
              zone={zone}
              hatchId={hatchId}
            />
          ))}
        {!frame.isNarrow &&
          leftOut.map(({ boxId, name, says }, i) => (
            <g key={boxId} data-part="left out">
              <text
                x="0"
                y={frame.laneY(boxes.length + i) + 5}
                className={`${css.laneName} ${css.pencilName}`}
              >
                {name}
              </text>
              <text
                x={frame.left + 10}
                y={frame.laneY(boxes.length + i) + 5}
                className={`${css.leftOut} ${pen.halo}`}
              >
                {says}
              </text>
            </g>
          ))}
      </svg>
    </DndContext>
  )
}

/** Boxes by the day they are first wanted on, as the plan is read. */
const laneOrder = ({ boxes, asked }: PlanQuestion) =>
  [...boxes].sort(
    (a, b) =>
      asked.boxes.find(one => one.id === a.boxId)!.holdsUntil -
      asked.boxes.find(one => one.id === b.boxId)!.holdsUntil,
  )

const BOTH_PX = 92
const DATE_PX = 50

/** What stands over each upright without standing on its neighbour's. */
function headRooms(xs: readonly number[], { isNarrow, left }: Frame): ('both' | 'date' | 'lower')[] {
  const rooms: ('both' | 'date' | 'lower')[] = []
  xs.forEach((x, i) => {
    const gap = Math.min(
      least(xs.flatMap((other, j) => (j === i ? [] : [Math.abs(other - x)]))),
      Math.abs(x - left) + BOTH_PX / 3,
    )
    if (gap >= BOTH_PX && !isNarrow) rooms.push('both')
    else {
      const before = i > 0 ? x - xs[i - 1]! : Infinity
      rooms.push(before < DATE_PX && rooms[i - 1] !== 'lower' ? 'lower' : 'date')
    }
  })
  return rooms
}

/** Where a session stood before it was pulled away. */
function Ghost({
  frame,
  day,
  to,
  date,
}: {
  readonly frame: Frame
  readonly day: number
  readonly to: number
  readonly date: string
}) {
  const [from, there] = [frame.x(day), frame.x(to)]
  const way = there > from ? 1 : -1
  return (
    <g aria-hidden="true" data-part="ghost">
      <path d={`M${from} 46V${frame.groundY + 5}`} className={css.ghost} />
      {Math.abs(there - from) > 16 && (
        <path
          d={`M${from + 3 * way} 52H${there - 6 * way}m${-6 * way} -4l${6 * way} 4l${-6 * way} 4`}
          className={css.arrow}
        />
      )}
      <text x={from} y="17" textAnchor="middle" className={css.ghostDate}>
        {date}
      </text>
    </g>
  )
}
