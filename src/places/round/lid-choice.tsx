/** Whether the lid stayed shut since last time. */
export function LidChoice({
  since,
  opened,
  onChange,
}: {
  readonly since: string | null
  readonly opened: boolean
  readonly onChange: (opened: boolean) => void
}) {
  const choice = (value: boolean, label: string, lid: string) => (
    <button
      type="button"
      role="radio"
      aria-checked={opened === value}
      className={opened === value ? 'choice chosen lid-choice' : 'choice lid-choice'}
      onClick={() => onChange(value)}
    >
      <svg width="34" height="26" aria-hidden="true">
        <path d="M6 11h22l-3 13H9z" className="lid-box" />
        <path d={lid} className="lid-top" />
      </svg>
      <span>{label}</span>
    </button>
  )
  return (
    <div className="round-row" role="radiogroup" aria-label="The lid since last time">
      <span>
        Lid {since ? `since ${since}` : ''} <kbd className="wide-only">O</kbd>
      </span>
      <span className="lid-choices">
        {choice(false, 'stayed shut', 'M3 8h28v3h-28z')}
        {choice(true, 'opened', 'M3 7 27 1l0.8 3-24 6z')}
      </span>
    </div>
  )
}
