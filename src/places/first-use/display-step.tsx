import { TextInput } from '@mantine/core'
import { inScale } from '#core/reading/scale-slip.ts'
import { inTenths } from '#ui/format.ts'
import { slipOf } from './first-use-form.ts'
import type { StepProps } from './step-props.ts'
import hand from '#ui/hand.module.css'
import css from './first-use.module.css'

/** First screen: the number that is there to be read. */
export function DisplayStep({ form, set, errors, scale }: StepProps & { readonly scale: 'C' | 'F' }) {
  const slipC = errors['temperature'] ? (slipOf(form, scale)?.otherwiseC ?? null) : null
  return (
    <>
      <h1 className={hand.answer}>What does the display show?</h1>
      <p className={hand.behind}>The little hygrometer in the box. One number is enough.</p>
      <div className={css.displayFields}>
        <TextInput
          label="Relative humidity, %"
          inputMode="decimal"
          autoComplete="off"
          data-autofocus
          size="lg"
          value={form.humidity}
          error={errors['humidity']}
          onChange={event => set({ humidity: event.currentTarget.value })}
        />
        <TextInput
          label={`Temperature, °${scale}`}
          inputMode="decimal"
          autoComplete="off"
          size="lg"
          placeholder={`${inTenths(inScale(20, scale))}, assumed`}
          value={form.temperature}
          error={errors['temperature']}
          onChange={event => set({ temperature: event.currentTarget.value })}
        />
      </div>
      {slipC !== null && (
        <button
          type="button"
          className={hand.worded}
          onClick={() => set({ temperature: inTenths(inScale(slipC, scale)) })}
        >
          It shows °{scale === 'C' ? 'F' : 'C'}: take {inTenths(inScale(slipC, scale))} °{scale}
        </button>
      )}
    </>
  )
}
