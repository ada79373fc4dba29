import { useMeasures } from '#ui/use-measures.ts'
import css from './heating.module.css'

/** A weight between two keys as large as a thumb; the figure itself can be typed over. */
export function WeightKeys({
  label,
  text,
  stepG,
  onText,
}: {
  readonly label: string
  readonly text: string
  readonly stepG: number
  readonly onText: (text: string) => void
}) {
  const { weight } = useMeasures()
  const by = (steps: number) => {
    const now = weight.parse(text)
    if (Number.isFinite(now)) onText(weight.field(Math.max(0, now + steps * stepG)))
  }
  return (
    <div className={css.keys}>
      <button type="button" className={css.key} aria-label="one step less" onClick={() => by(-1)}>
        −
      </button>
      <label className={css.typed}>
        <span className={css.typedLabel}>{label}</span>
        <input
          inputMode="decimal"
          autoComplete="off"
          value={text}
          aria-label={`${label}, ${weight.unit}`}
          onChange={event => onText(event.currentTarget.value)}
          onFocus={event => event.currentTarget.select()}
        />
        <span className={css.typedUnit}>{weight.unit}</span>
      </label>
      <button type="button" className={css.key} aria-label="one step more" onClick={() => by(1)}>
        +
      </button>
    </div>
  )
}
