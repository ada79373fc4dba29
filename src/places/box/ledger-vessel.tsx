import { dateAnswer, differenceAnswer, freshAnswer, heldAnswer, notchAnswer } from '#core/answers/answers.ts'
import type { BoxReport, ChargeNow } from '#core/estimate/report.ts'
import { msFromSeconds } from '#units/time.ts'
import { shortDayText } from '#ui/dates.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { FigureInk } from '#ui/figure.tsx'
import { gramScale, levelY, type Columns, type Frame } from './ledger-columns.ts'
import pen from '#draw/pen.module.css'
import css from './box.module.css'

/** The beads' water: today's level, what is left to the notch, and the level after heating. */
export function LedgerVessel({
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
  const { water } = useMeasures()
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
  const labelX = wordsY === null ? right + 16 : 12
  const deep = bottom - held > 30
  const isLeft = notch !== null && notch < held
  const lostY = wordsY ?? (notch === null ? 0 : Math.min(notch - 5, held - 40))
  return (
    <g>
      <rect x={left} y={held} width={width} height={bottom - held} className={pen.water} />
      {isLeft && <rect x={left} y={notch} width={width} height={held - notch} fill="url(#left-hatch)" />}
      <defs>
        <pattern
          id="left-hatch"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 3H6" className={css.leftHatch} />
        </pattern>
      </defs>
      <path d={`M${left} ${fresh}H${right}`} className={css.freshLevel} />
      <path
        d={`M${left - 7} ${top - 7}L${left} ${top}V${bottom}H${right}V${top}L${right + 7} ${top - 7}`}
        className={css.boxOutline}
      />
      {notch !== null && (charge.notchG ?? 0) >= 0.05 && (
        <path d={`M${right} ${notch - 5}v10l-8 -5z`} className={pen.notch} />
      )}
      <FigureInk answer={heldAnswer(charge)}>
        <text
          x={deep ? left + width / 2 : left - 8}
          y={deep ? (held + bottom) / 2 + 7 : held + 6}
          textAnchor={deep ? 'middle' : 'end'}
          className={deep ? `${css.held} ${css.inside}` : css.held}
        >
          {water.text(charge.waterG)}
        </text>
      </FigureInk>
      {charge.notchG !== null && charge.notchG < 0.05 && (
        <text x={labelX - 12} y={lostY}>
          target out of reach
        </text>
      )}
      {charge.notchG !== null && charge.notchG >= 0.05 && (
        <FigureInk answer={notchAnswer(charge)}>
          <text x={labelX - 12} y={lostY}>
            lost at {water.text(charge.notchG)}
          </text>
        </FigureInk>
      )}
      {isLeft && charge.notchG !== null && (
        <>
          <path d={`M${right + 6} ${notch}h6V${held}h-6`} className={css.bracket} />
          <FigureInk
            answer={differenceAnswer(
              'water it can still take',
              'g',
              ['water at which the target is lost', charge.notchG],
              ['water in the beads', charge.waterG],
            )}
          >
            <text x={labelX} y={lostY + 22} className={css.leftFigure}>
              {water.text(charge.notchG - charge.waterG)} left
            </text>
          </FigureInk>
          {leaves && !leaves.beyondHorizon.middle && (
            <FigureInk answer={dateAnswer('middle date', 0.5, leaves.sharesOfDates, report.draws)}>
              <text x={labelX} y={lostY + 41}>
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
          className={pen.inkSmallAside}
        >
          fresh: {water.text(charge.freshG)}
        </text>
      </FigureInk>
      <rect
        x="0.5"
        y={(wordsY === null ? bottom : lostY + 70 + side) - side}
        width={side}
        height={side}
        className={pen.water}
      />
      <text
        x={side + 9}
        y={(wordsY === null ? bottom : lostY + 70 + side) - side / 2 + 5}
        className={pen.inkSmall}
        data-part="ink-small"
      >
        {unit} g of water
      </text>
    </g>
  )
}
