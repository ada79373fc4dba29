/** A key of one step, as large as a thumb. */
export const Stepper = ({
  label,
  sign,
  onStep,
}: {
  readonly label: string
  readonly sign: '−' | '+'
  readonly onStep: () => void
}) => (
  <button type="button" className="stepper" aria-label={label} tabIndex={-1} onClick={onStep}>
    <svg width="18" height="18" aria-hidden="true">
      <path d={sign === '+' ? 'M2 9h14M9 2v14' : 'M2 9h14'} className="stepper-sign" />
    </svg>
  </button>
)
