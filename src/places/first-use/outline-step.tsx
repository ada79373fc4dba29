import { TextInput } from '@mantine/core'
import { LID_TIMES, sizeOf, type LidTime } from './first-use-form.ts'
import { OutlineChoice } from './outline-choice.tsx'
import type { StepProps } from './step-props.ts'
import hand from '#ui/hand.module.css'
import css from './first-use.module.css'

/** Second screen: which outline, and when it was last open. */
export function OutlineStep({ form, set, errors }: StepProps) {
  const size = sizeOf(form)
  const { measured } = form
  const measure = (name: 'width' | 'depth' | 'height', label: string) =>
    measured && (
      <TextInput
        key={name}
        label={`Inside ${label}, ${form.units.length.unit}`}
        inputMode="decimal"
        value={measured[name]}
        onChange={event => set({ measured: { ...measured, [name]: event.currentTarget.value } })}
      />
    )
  return (
    <>
      <h1 className={hand.answer}>Which outline is it?</h1>
      <p className={hand.behind}>One scale for all six; each holds the same spool.</p>
      <OutlineChoice chosen={form.container} choose={container => set({ container, measured: null })} />
      {measured ? (
        <div className={css.displayFields}>
          {measure('width', 'width')}
          {measure('depth', 'depth')}
          {measure('height', 'height')}
        </div>
      ) : (
        <button
          type="button"
          className={hand.worded}
          onClick={() =>
            set({
              measured: {
                width: form.units.length.field(size.widthMm),
                depth: form.units.length.field(size.depthMm),
                height: form.units.length.field(size.heightMm),
              },
            })
          }
        >
          Not quite: measure mine
        </button>
      )}
      {errors['measured'] && (
        <p className={hand.notice} role="alert">
          {errors['measured']}
        </p>
      )}
      <fieldset className={css.lidTimes}>
        <legend className={hand.section}>When was the lid last off?</legend>
        {(Object.keys(LID_TIMES) as LidTime[]).map(time => (
          <label key={time} className={hand.choice}>
            <input
              type="radio"
              name="lid"
              className={hand.visuallyHidden}
              checked={form.lidTime === time}
              onChange={() => set({ lidTime: time })}
            />
            <span>{time}</span>
          </label>
        ))}
      </fieldset>
      <p className={hand.aside}>
        Pencil sizes are ours until you measure. They only widen the answer; they never stop it.
      </p>
    </>
  )
}
