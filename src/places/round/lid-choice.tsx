import css from './round.module.css'
import hand from '#ui/hand.module.css'
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
      className={
        opened === value ? `${css.choice} ${css.chosen} ${css.lidChoice}` : `${css.choice} ${css.lidChoice}`
      }
      onClick={() => onChange(value)}
    >
      <svg width="34" height="26" aria-hidden="true">
        <path d="M6 11h22l-3 13H9z" className={css.lidBox} />
        <path d={lid} className={css.lidTop} />
      </svg>
      <span>{label}</span>
    </button>
  )
  return (
    <div className={css.roundRow} role="radiogroup" aria-label="The lid since last time">
      <span>
        Lid {since ? `since ${since}` : ''} <kbd className={hand.wideOnly}>O</kbd>
      </span>
      <span className={css.lidChoices}>
        {choice(false, 'stayed shut', 'M3 8h28v3h-28z')}
        {choice(true, 'opened', 'M3 7 27 1l0.8 3-24 6z')}
      </span>
    </div>
  )
}
