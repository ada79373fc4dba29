import { HatchDefs } from '#draw/hatch.tsx'
import { SpoolFace } from '#draw/spool-drawing.tsx'
import { WaterRing } from '#draw/spool-ring.tsx'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import type { ClockedSpool } from '#session/spools/spool-clock.ts'
import { dayMonthText } from '#ui/dates.ts'
import { shortName } from '#ui/format.ts'
import { InkLink } from '#ui/ink-link.tsx'
import { clockWords, nameBeside, placeWords, shortPlaceWords, type Places } from '#ui/spool-words.ts'
import {
  boardFrame,
  boardRows,
  heightOfDays,
  heightOfMs,
  SCALE,
  SCALE_LINES,
  type BoardFrame,
} from './board-frame.ts'
import css from './spools.module.css'

interface Props {
  readonly spools: readonly ClockedSpool[]
  readonly places: Places
  readonly widthPx: number
  readonly nowMs: number
  /** Words under runs of spools that stand alike. */
  readonly isByNeed: boolean
}

/** All spools on one board, to one scale; over each how long it may be counted on where it stands. */
export function SpoolsBoard({ spools, places, widthPx, nowMs, isByNeed }: Props) {
  const { dark } = usePreferences()
  const tallest = spools.reduce((most, one) => Math.max(most, one.spool.rimDiameterMm), 0)
  const frame = boardFrame(widthPx, spools.length, tallest)
  const { rows, heightPx } = boardRows(
    spools,
    frame,
    ({ clock }) => clock.is === 'no limit' || clock.is === 'sealed',
  )
  return (
    <svg
      width={widthPx}
      height={heightPx}
      className={css.board}
      role="group"
      aria-label="Spools, each with how long it may be counted on"
    >
      <HatchDefs spools={spools.map(one => one.spool)} dark={dark} />
      {rows.map(({ row, own, yPx }) => (
        <g key={yPx} transform={`translate(0 ${yPx})`}>
          <TimeScale frame={own} />
          {row.map((one, slot) => (
            <OneSpool
              key={one.spool.spoolId}
              one={one}
              x={own.left + (slot + 0.5) * own.slotPx}
              frame={own}
              places={places}
              nowMs={nowMs}
            />
          ))}
          {isByNeed && <Braces row={row} frame={own} />}
        </g>
      ))}
    </svg>
  )
}

function TimeScale({ frame: { widthPx, todayY, topY, boardY, isLow } }: { readonly frame: BoardFrame }) {
  return (
    <g aria-hidden="true">
      {isLow && (
        <text x="0" y={topY + 14} className={css.scaleWord}>
          over 26 weeks
        </text>
      )}
      {(isLow ? [] : SCALE_LINES).map(([days, word]) => (
        <g key={days}>
          <path d={`M0 ${todayY - heightOfDays(days)}H${widthPx}`} className={css.scaleLine} />
          <text x="0" y={todayY - heightOfDays(days) - 4} className={css.scaleWord}>
            {word}
          </text>
        </g>
      ))}
      <path d={`M0 ${todayY}H${widthPx}`} className={css.todayLine} />
      <text x="0" y={todayY - 4} className={css.todayWord}>
        today
      </text>
      <rect x="0" y={boardY} width={widthPx} height="7" className={css.plank} />
    </g>
  )
}

function OneSpool({
  one,
  x,
  frame,
  places,
  nowMs,
}: {
  readonly one: ClockedSpool
  readonly x: number
  readonly frame: BoardFrame
  readonly places: Places
  readonly nowMs: number
}) {
  const { maker } = useJournalTools()
  const { spool, nextWord, meanWord } = one
  const { boardY, todayY, slotPx } = frame
  const rim = (spool.rimDiameterMm / 2) * SCALE
  const place = shortPlaceWords(spool, places)
  const letters = Math.floor(slotPx / 7)
  // a name begins with what is seen, in its order
  const seen = [
    stemWord(one.clock, maker.zone),
    spool.material,
    shortName(nameBeside(spool), letters),
    shortName(place, letters),
  ]
    .filter(Boolean)
    .join(' ')
  return (
    <InkLink
      to={`/spools/${spool.spoolId}`}
      label={`${seen}: ${placeWords(spool, places)}, ${nextWord ? `next print ${nextWord}, ` : ''}${clockWords(one, nowMs, maker.zone)}`}
    >
      {/* spaces, so that a name is read as it is seen */}
      <Stem one={one} x={x} frame={frame} nowMs={nowMs} />{' '}
      {one.clock.is !== 'past' && one.clock.is !== 'drying' && (
        <path d={`M${x} ${todayY}V${boardY - 2 * rim}`} className={css.tie} />
      )}
      <SpoolFace spool={spool} scale={SCALE} x={x - rim} y={boardY} />
      <g transform={`translate(${x} ${boardY - rim})`}>
        {nextWord && <WaterRing word={nextWord} radius={rim} scale={0.62} />}
        {meanWord && <WaterRing word={meanWord} radius={45 * SCALE} scale={0.5} />}
      </g>
      <g transform={`translate(${x} ${boardY + 24})`} textAnchor="middle">
        <text className={css.material}>{spool.material}</text>{' '}
        <text y="17">{shortName(nameBeside(spool), letters)}</text>{' '}
        <text y="33" className={css.placeWord}>
          {shortName(place, letters)}
        </text>
      </g>
      <rect
        x={x - slotPx / 2}
        y={frame.topY}
        width={slotPx}
        height={frame.rowPx - frame.topY - 24}
        className={css.touch}
      />
    </InkLink>
  )
}

const STEM = 2.3

/** What stands over its stem. */
const stemWord = (clock: ClockedSpool['clock'], zone: string): string =>
  clock.is === 'past'
    ? 'past it'
    : clock.is === 'until'
      ? dayMonthText(clock.usualMs ?? clock.earlyMs, zone)
      : clock.is === 'drying'
        ? 'drying'
        : ''

/** From today up to the day it may be counted on, thinning to the last it can be; a line that runs out has no limit. */
function Stem({
  one: { clock, isAssumed },
  x,
  frame: { todayY, topY },
  nowMs,
}: {
  readonly one: ClockedSpool
  readonly x: number
  readonly frame: BoardFrame
  readonly nowMs: number
}) {
  const { maker } = useJournalTools()
  if (clock.is === 'past' || clock.is === 'drying')
    return (
      <text
        x={x}
        y={todayY - 6}
        textAnchor="middle"
        className={clock.is === 'past' ? css.pastWord : css.dryingWord}
      >
        {stemWord(clock, maker.zone)}
      </text>
    )
  if (clock.is === 'no limit' || clock.is === 'sealed')
    return (
      <path
        d={`M${x - STEM} ${todayY}V${topY + 4}M${x + STEM} ${todayY}V${topY + 4}`}
        className={clock.is === 'sealed' || isAssumed ? css.openStemDashed : css.openStem}
      />
    )
  if (clock.is !== 'until') return null
  const top = todayY - heightOfMs(clock.lateMs ?? Infinity, nowMs)
  const early = Math.max(top, todayY - heightOfMs(clock.earlyMs, nowMs))
  return (
    <g>
      <path
        d={`M${x - STEM} ${todayY}V${early}L${x} ${top}L${x + STEM} ${early}V${todayY}Z`}
        className={isAssumed ? css.stemAssumed : css.stem}
      />
      <text x={x} y={top - 5} textAnchor="middle" className={css.stemDate}>
        {stemWord(clock, maker.zone)}
      </text>
    </g>
  )
}

/** Words once per run of spools whose next prints stand alike. */
function Braces({ row, frame }: { readonly row: readonly ClockedSpool[]; readonly frame: BoardFrame }) {
  const runs: { word: string; from: number; to: number }[] = []
  row.forEach(({ nextWord }, slot) => {
    const last = runs.at(-1)
    if (last && last.word === nextWord) last.to = slot
    else if (nextWord) runs.push({ word: nextWord, from: slot, to: slot })
  })
  const y = frame.boardY + 8 + 64
  return (
    <g aria-hidden="true">
      {runs.map(({ word, from, to }) => {
        const [x1, x2] = [frame.left + from * frame.slotPx + 4, frame.left + (to + 1) * frame.slotPx - 4]
        const isNarrow = x2 - x1 < 90
        return (
          <g key={from}>
            <path d={`M${x1} ${y - 5}V${y}H${x2}V${y - 5}`} className={css.brace} />
            <text
              x={(x1 + x2) / 2}
              y={isNarrow ? y + 15 : y + 4}
              textAnchor="middle"
              className={word === 'expect trouble' ? css.braceTrouble : css.braceWord}
            >
              {isNarrow && word === 'expect trouble' ? 'trouble' : word}
            </text>
          </g>
        )
      })}
    </g>
  )
}
