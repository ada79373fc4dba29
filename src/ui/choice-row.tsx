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
    <fieldset className="choice-row">
      <legend>{legend}</legend>
      {options.map(([value, label]) => (
        <label key={value} className="choice-word">
          <input
            type="radio"
            name={legend}
            className="visually-hidden"
            checked={chosen === value}
            onChange={() => choose(value)}
          />
          <span>{label}</span>
        </label>
      ))}
      {note && <span className="aside choice-note">{note}</span>}
    </fieldset>
  )
}
