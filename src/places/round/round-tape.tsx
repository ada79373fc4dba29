import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { inWhole } from '#ui/format.ts'
import css from './round.module.css'

const PX_PER_PERCENT = 15
const HEIGHT = 56
/** What the word beside the target line covers. */
const TARGET_WORD_PERCENT = 6

/** A tape of relative humidity under a fixed pointer: drag it, or use the arrow keys. */
export function RoundTape({
  value,
  expected,
  target,
  width,
  onChange,
  onRelease,
}: {
  readonly value: number
  readonly expected: { readonly low: number; readonly middle: number; readonly high: number } | null
  readonly target: number | null
  readonly width: number
  readonly onChange: (value: number) => void
  readonly onRelease: () => void
}) {
  const from = useRef<{ x: number; value: number } | null>(null)
  const x = (rh: number) => width / 2 + (rh - value) * PX_PER_PERCENT
  const within = (rh: number) => Math.min(100, Math.max(0, Math.round(rh)))
  const reach = Math.ceil(width / 2 / PX_PER_PERCENT) + 1
  const ticks = Array.from({ length: 101 }, (_, rh) => rh).filter(rh => Math.abs(rh - value) <= reach)
  const down = (event: PointerEvent<SVGSVGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    from.current = { x: event.clientX, value }
  }
  const move = (event: PointerEvent) => {
    if (from.current) onChange(within(from.current.value - (event.clientX - from.current.x) / PX_PER_PERCENT))
  }
  const up = () => {
    if (from.current) onRelease()
    from.current = null
  }
  const key = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key]
    if (by === undefined) return
    event.preventDefault()
    onChange(within(value + by))
    onRelease()
  }
  // the target's word gives way where the scale's own label stands
  const targetLabelled = target !== null && Math.abs(x(target) - width / 2) < width / 2 - 30
  return (
    <svg
      className={css.tape}
      data-part="tape"
      width={width}
      height={HEIGHT}
      role="slider"
      tabIndex={0}
      aria-label="Relative humidity"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={value}
      aria-valuetext={`${value} %`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onKeyDown={key}
    >
      {ticks.map(rh => (
        <path key={rh} d={`M${x(rh)} ${HEIGHT}v${rh % 5 === 0 ? -16 : -9}`} className={css.tapeTick} />
      ))}
      {ticks
        .filter(rh => rh % 5 === 0 && (target === null || rh < target || rh > target + TARGET_WORD_PERCENT))
        .map(rh => (
          <text key={rh} x={x(rh)} y={HEIGHT - 22} textAnchor="middle">
            {rh}
          </text>
        ))}
      {target !== null && (
        <>
          <path d={`M${x(target)} ${HEIGHT}V22`} className={css.tapeTarget} />
          {targetLabelled && (
            <text x={x(target) + 5} y={HEIGHT - 22} className={css.tapeStrong}>
              {inWhole(target)} target
            </text>
          )}
        </>
      )}
      {expected && (
        <>
          <path d={`M${x(expected.low)} 15V8H${x(expected.high)}V15`} className={css.tapeExpected} />
          <path d={`M${x(expected.middle)} 4v9`} className={css.tapeExpectedMiddle} />
          <text x={x(expected.low) - 5} y="13" textAnchor="end" className={css.tapeAside}>
            expected
          </text>
        </>
      )}
      <path d={`M${width / 2} ${HEIGHT - 26}V${HEIGHT}`} className={css.tapePointer} />
      <path d={`M${width / 2 - 8} ${HEIGHT + 2}h16l-8 -12z`} className={css.tapeArrow} />
    </svg>
  )
}
