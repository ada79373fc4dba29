import hand from './hand.module.css'
/** One choice in a row of words: the chosen one is heavier and underlined. */
export function ChoiceRow<Value extends string | number>({
  legend,
  note,
  options,
  chosen,
  choose,
}: {
  readonly legend: string
  readonly note?: string
  readonly options: readonly (readonly [Value, string])[]
  readonly chosen: Value
  readonly choose: (value: Value) => void
}) {
  return (
    <fieldset className={hand.choiceRow}>
      <legend>{legend}</legend>
      {options.map(([value, label]) => (
        <label key={value} className={hand.choiceWord}>
          <input
            type="radio"
            name={legend}
            className={hand.visuallyHidden}
            checked={chosen === value}
            onChange={() => choose(value)}
          />
          <span>{label}</span>
        </label>
      ))}
      {note && <span className={hand.aside}>{note}</span>}
    </fieldset>
  )
}
