import { inScale, type TemperatureScale } from '#core/reading/scale-slip.ts'
import type { Slip } from '#core/reading/slips.ts'
import { inTenths, inWhole } from '#ui/format.ts'
import type { RoundForm } from './round-form.ts'
import hand from '#ui/hand.module.css'

const asText = (value: number): string => String(Math.round(value * 10) / 10)

/** Asks about a likely slip. Every answer keeps the reading; nothing is changed unasked. */
export function SlipQuestion({
  slip,
  form,
  scale,
  onAnswer,
  onOpened,
}: {
  readonly slip: Slip
  readonly form: RoundForm
  readonly scale: TemperatureScale
  readonly onAnswer: (form: RoundForm) => void
  readonly onOpened: () => void
}) {
  const offer = (label: string, changed: Partial<RoundForm>) => (
    <button
      type="button"
      className={hand.worded}
      onClick={() => onAnswer({ ...form, temperatureTouched: true, ...changed })}
    >
      {label}
    </button>
  )
  switch (slip.kind) {
    case 'scale': {
      const other = scale === 'C' ? 'F' : 'C'
      const meant = inScale(slip.otherwiseC, scale)
      return (
        <Question text={`${form.temperature} °${scale} is far from where this stood last. Which was meant?`}>
          {offer(`${form.temperature} °${other}, that is ${inTenths(meant)} °${scale}`, {
            temperature: asText(meant),
          })}
        </Question>
      )
    }
    case 'swapped':
      return (
        <Question text="The two numbers would fit better the other way round.">
          {offer(`${inWhole(slip.rhPercent)} % and ${inTenths(slip.temperature)} °${scale}`, {
            humidity: asText(slip.rhPercent),
            temperature: asText(slip.temperature),
          })}
        </Question>
      )
    case 'turned round':
      return (
        <Question text={`${form.humidity} % is far from what was expected; turned round it is not.`}>
          {offer(`${inWhole(slip.rhPercent)} %`, {
            humidity: asText(slip.rhPercent),
            temperatureTouched: form.temperatureTouched,
          })}
        </Question>
      )
    case 'jump':
      return (
        <Question
          text={`With its lid shut since last time this air would show ${inWhole(slip.lowRhPercent)}–${inWhole(slip.highRhPercent)} %, not ${form.humidity}.`}
        >
          <button type="button" className={hand.worded} onClick={onOpened}>
            It was opened
          </button>
        </Question>
      )
  }
}

const Question = ({ text, children }: { readonly text: string; readonly children: React.ReactNode }) => (
  <div className={hand.question} data-part="question" role="alert">
    <p>{text}</p>
    {children}
  </div>
)
