import { useRef, type PointerEvent } from 'react'
import css from './round.module.css'

/** A key of one step, as large as a thumb. */
export function Stepper({
  label,
  sign,
  onStep,
}: {
  readonly label: string
  readonly sign: '−' | '+'
  readonly onStep: () => void
}) {
  // a browser may drop the click of a touch that comes soon after a drag: the finger's lifting counts, the click after it not
  const lifted = useRef(false)
  const lift = (event: PointerEvent<HTMLButtonElement>) => {
    const { left, right, top, bottom } = event.currentTarget.getBoundingClientRect()
    const isOn =
      event.clientX >= left && event.clientX <= right && event.clientY >= top && event.clientY <= bottom
    if (event.pointerType !== 'touch' || !isOn) return
    lifted.current = true
    onStep()
  }
  return (
    <button
      type="button"
      className={css.stepper}
      aria-label={label}
      tabIndex={-1}
      onPointerDown={() => {
        lifted.current = false
      }}
      onPointerUp={lift}
      onClick={() => {
        if (!lifted.current) onStep()
        lifted.current = false
      }}
    >
      <svg width="18" height="18" aria-hidden="true">
        <path d={sign === '+' ? 'M2 9h14M9 2v14' : 'M2 9h14'} className={css.stepperSign} />
      </svg>
    </button>
  )
}
