import { vapourDensityAnswer, dateAnswer } from '#core/answers/answers.ts'
import { vapourDensityOfRhGPerM3 } from '#core/air/vapour.ts'
import type { MonthlyProfile } from '#core/room/climate.ts'
import type { Knowledge } from '#core/answer.ts'
import { msFromSeconds } from '#units/time.ts'
import { Grass } from '#draw/grass.tsx'
import { judgementWords } from '#ui/judgement-words.ts'
import { dayMonthText, monthStarts, monthText, shortDayText } from '#ui/dates.ts'
import { Figure, FigureInk } from '#ui/figure.tsx'
import { inTenths, shortName } from '#ui/format.ts'
import { InkLink } from '#ui/ink-link.tsx'
import type { ShelfItem } from './shelf-drawing.tsx'
import pen from '#draw/pen.module.css'
import css from './shelf.module.css'
import hand from '#ui/hand.module.css'

const DAY_MS = 86_400_000
const PAST_DAYS = 14
const AHEAD_DAYS = 365
const LANE = 13.2
/** Narrower than this, a lane has room for a few words only. */
const NARROW_PX = 600

interface Props {
  readonly items: readonly ShelfItem[]
  readonly room: { readonly profile: MonthlyProfile; readonly knowledge: Knowledge }
  readonly widthPx: number
  readonly nowMs: number
  readonly zone: string
  /** Days at the oven, as planned; none while they are worked out. */
  readonly ovenDays: readonly OvenDayDrawn[]
}

interface OvenDayDrawn {
  readonly ms: number
  readonly boxIds: readonly string[]
  readonly label: string
}

/** Weeks ahead: the room's vapour as grass, each box one stroke from today thinning to nothing at its 90 % date. */
export function YearLine({ items, room, widthPx, nowMs, zone, ovenDays }: Props) {
  const names = widthPx < NARROW_PX ? 70 : 86
  const axis = widthPx - names
  const x = (ms: number) => names + ((ms - nowMs) / DAY_MS + PAST_DAYS) * (axis / (PAST_DAYS + AHEAD_DAYS))
  const lanes = [...items].sort((a, b) => laneKey(a, nowMs) - laneKey(b, nowMs))
  // dates of days at the oven stand over the strokes
  const top = ovenDays.length > 0 ? OVEN_HEAD : 0
  const laneY = (i: number) => top + 12 + i * LANE
  const strokesBottom = laneY(lanes.length)
  const baseline = strokesBottom + 38
  const months = monthStarts(nowMs - PAST_DAYS * DAY_MS, nowMs + AHEAD_DAYS * DAY_MS)
  return (
    <svg
      className={pen.drawing}
      width={widthPx}
      height={baseline + 20}
      role="group"
      aria-label="The year ahead"
    >
      <Grass profile={room.profile} {...{ x, baseline, nowMs, fromX: names, toX: widthPx }} />
      <path d={`M${names} ${baseline}H${widthPx}`} className={pen.axis} />
      {months.map((ms, i) => (
        <g key={ms}>
          <path d={`M${x(ms)} ${baseline}v4`} className={pen.axis} />
          {(widthPx >= NARROW_PX || i % 3 === 0) &&
            x(ms) < widthPx - 28 &&
            Math.abs(x(ms) + 14 - x(nowMs)) > 44 && (
              <text x={x(ms) + 3} y={baseline + 14} className={pen.inkSmall} data-part="ink-small">
                {monthText(ms, zone)}
                {new Date(ms).getUTCMonth() === 0 ? ` ${new Date(ms).getUTCFullYear()}` : ''}
              </text>
            )}
        </g>
      ))}
      <path d={`M${x(nowMs)} ${top + 4}V${baseline}`} className={css.todayLine} />
      <text
        x={x(nowMs)}
        y={baseline + 14}
        textAnchor="middle"
        className={`${pen.inkSmall} ${hand.strong}`}
        data-part="ink-small"
      >
        today
      </text>
      {ovenDays.map((day, i) => (
        <OvenDay
          key={day.ms}
          day={day}
          x={x(day.ms)}
          isDated={i === 0 || x(day.ms) - x(ovenDays[i - 1]!.ms) > OVEN_DATE_PX}
          lozengesY={lanes.flatMap((item, lane) =>
            day.boxIds.includes(item.view.box.boxId) ? [laneY(lane)] : [],
          )}
          baseline={baseline}
          zone={zone}
        />
      ))}
      {lanes.map((item, i) => (
        <Lane
          key={item.view.box.boxId}
          item={item}
          y={laneY(i)}
          x={x}
          nowMs={nowMs}
          zone={zone}
          widthPx={widthPx}
        />
      ))}
    </svg>
  )
}

const OVEN_HEAD = 16
const OVEN_DATE_PX = 48

/** A day at the oven: an upright through the strokes it serves. */
function OvenDay({
  day,
  x,
  isDated,
  lozengesY,
  baseline,
  zone,
}: {
  readonly day: OvenDayDrawn
  readonly x: number
  readonly isDated: boolean
  readonly lozengesY: readonly number[]
  readonly baseline: number
  readonly zone: string
}) {
  return (
    <InkLink to="/renew" label={day.label}>
      <path d={`M${x} ${OVEN_HEAD}V${baseline}`} className={css.ovenLine} data-part="oven-day" />
      {isDated && (
        <text x={x} y="11" textAnchor="middle" className={css.ovenDate}>
          {dayMonthText(day.ms, zone)}
        </text>
      )}
      {lozengesY.map(y => (
        <path
          key={y}
          d={`M${x} ${y - 5}L${x + 4} ${y}L${x} ${y + 5}L${x - 4} ${y}Z`}
          className={css.lozenge}
        />
      ))}
    </InkLink>
  )
}

/** Letters the column of names has room for. */
const LANE_LETTERS = 12

const laneKey = (item: ShelfItem, nowMs: number): number => {
  if (item.judgement.word === 'over since') return 0
  if (item.judgement.word === "can't reach") return Infinity
  return item.report?.leaves ? msFromSeconds(item.report.leaves.spread.low) : nowMs * 2
}

function Lane({
  item,
  y,
  x,
  nowMs,
  zone,
  widthPx,
}: {
  readonly item: ShelfItem
  readonly y: number
  readonly x: (ms: number) => number
  readonly nowMs: number
  readonly zone: string
  readonly widthPx: number
}) {
  const { view, report, judgement } = item
  const leaves = report?.leaves
  const pencil = view.known.word === 'reckoned' || view.last?.word === 'blind'
  const start = x(nowMs)
  const isNarrow = widthPx < NARROW_PX
  const name = (
    <InkLink to={`/box/${view.box.boxId}`} label={`${view.box.name}: open the box`}>
      <text
        x="0"
        y={y + 4}
        className={pencil ? `${css.laneName} ${css.laneNamePencil}` : css.laneName}
        data-part="lane-name"
      >
        {shortName(view.box.name, LANE_LETTERS)}
      </text>
    </InkLink>
  )
  const aside = (text: string, atX: number) => (
    <text
      x={Math.min(atX, widthPx - 4)}
      y={y + 4}
      className={`${pen.inkSmallAside} ${pen.halo}`}
      textAnchor={atX > widthPx - 110 ? 'end' : 'start'}
    >
      {text}
    </text>
  )
  if (judgement.word === 'over since') {
    const from = Math.max(x(nowMs - PAST_DAYS * DAY_MS), x(msFromSeconds(judgement.dateS)))
    return (
      <g>
        {name}
        <path
          d={`M${from} ${y - 2}L${start} ${y}L${from} ${y + 2}Z`}
          className={css.overStub}
          data-part="over-stub"
        />
        {aside('over its target', start + 8)}
      </g>
    )
  }
  if (judgement.word === "can't reach")
    return (
      <g>
        {name}
        {aside(
          isNarrow ? 'can’t reach its target' : `can’t reach its target: ${judgement.wouldDo} would do`,
          start + 8,
        )}
      </g>
    )
  if (judgement.word === 'settling' && leaves && leaves.spread.low <= judgement.readS)
    return (
      <g>
        {name}
        {aside('renewed, settling', start + 8)}
      </g>
    )
  if (judgement.word === 'amiss' || judgement.word === 'read again') {
    const words = judgementWords(judgement, report, nowMs, zone, isNarrow)
    return (
      <g>
        {name}
        {words?.figure ? (
          <FigureInk answer={words.figure.answer}>
            {aside(`${words.lead}${words.figure.text}${words.tail}`, start + 8)}
          </FigureInk>
        ) : (
          aside(words?.lead ?? '', start + 8)
        )}
      </g>
    )
  }
  if (!leaves || judgement.word === 'not known')
    return (
      <g>
        {name}
        {aside(
          (judgement.word === 'not known' &&
            judgementWords(judgement, report, nowMs, zone, isNarrow)?.lead) ||
            'reckoning …',
          start + 8,
        )}
      </g>
    )
  const end = x(nowMs + AHEAD_DAYS * DAY_MS)
  const early = Math.min(x(msFromSeconds(leaves.spread.low)), end)
  const late = Math.min(x(msFromSeconds(leaves.spread.high)), end)
  const day = (seconds: number) => shortDayText(msFromSeconds(seconds), nowMs, zone)
  const range = leaves.beyondHorizon.late
    ? `from ${day(leaves.spread.low)}`
    : `${day(leaves.spread.low)}–${day(leaves.spread.high)}`
  const shape = `M${start} ${y - 1.9}H${early}L${Math.max(late, early + 2)} ${y}L${early} ${y + 1.9}H${start}Z`
  return (
    <g>
      {name}
      <path d={shape} className={pencil ? css.lanePencil : css.laneInk} data-part="lane-ink" />
      {leaves.beyondHorizon.early || isNarrow ? (
        leaves.beyondHorizon.early ? (
          aside('beyond this year', end)
        ) : null
      ) : (
        <FigureInk answer={dateAnswer('likely range', 0.1, leaves.sharesOfDates, report.draws)}>
          <text
            x={late > widthPx - 130 ? Math.max(early - 6, start + 90) : late + 8}
            y={y + 4}
            textAnchor={late > widthPx - 130 ? 'end' : 'start'}
            className={`${pen.inkSmallAside} ${css.laneRange}`}
          >
            {range}
          </text>
        </FigureInk>
      )}
    </g>
  )
}

/** The room's dampest and driest month, in words. */
export function RoomAir({ room }: { readonly room: Props['room'] }) {
  const months = room.profile.temperatureC.map((temperatureC, i) => ({
    i,
    temperatureC,
    relativeHumidityPercent: room.profile.relativeHumidityPercent[i]!,
  }))
  const sorted = [...months].sort((a, b) => vapourDensityOfRhGPerM3(a) - vapourDensityOfRhGPerM3(b))
  const label = (month: (typeof months)[number]) =>
    new Date(Date.UTC(2001, month.i, 15)).toLocaleDateString('en-GB', { month: 'long', timeZone: 'UTC' })
  const figure = (month: (typeof months)[number]) =>
    vapourDensityAnswer(`room air in ${label(month)}`, { ...month, knowledge: room.knowledge })
  const [dry, damp] = [sorted[0]!, sorted.at(-1)!]
  return (
    <span className={css.roomAir}>
      room air:{' '}
      <Figure answer={figure(damp)}>
        {inTenths(figure(damp).value)} g/m³ in {label(damp)}
      </Figure>
      ,{' '}
      <Figure answer={figure(dry)}>
        {inTenths(figure(dry).value)} in {label(dry)}
      </Figure>
    </span>
  )
}
