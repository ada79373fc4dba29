import { inScale, type TemperatureScale } from '#core/reading/scale-slip.ts'
import type { Slip } from '#core/reading/slips.ts'
import { inTenths, inWhole } from '#ui/format.ts'
import hand from '#ui/hand.module.css'

const asText = (value: number): string => String(Math.round(value * 10) / 10)

/** What was typed, as far as a question is about it. */
export interface TypedReading {
  readonly humidity: string
  readonly temperature: string
}

/** Asks about a likely slip. Every answer keeps the reading; nothing is changed unasked. */
export function SlipQuestion<Form extends TypedReading>({
  slip,
  form,
  scale,
  onAnswer,
  onOpened,
}: {
  readonly slip: Slip
  readonly form: Form
  readonly scale: TemperatureScale
  /** What was meant, in the fields. @param touched the temperature is what was typed, or was meant */
  readonly onAnswer: (form: Form, touched: boolean) => void
  readonly onOpened: () => void
}) {
  const offer = (label: string, changed: Partial<TypedReading>, touched = true) => (
    <button type="button" className={hand.worded} onClick={() => onAnswer({ ...form, ...changed }, touched)}>
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
          {offer(`${inWhole(slip.rhPercent)} %`, { humidity: asText(slip.rhPercent) }, false)}
        </Question>
      )
    case 'share':
      return (
        <Question text={`No display shows ${form.humidity} %. Was a share meant?`}>
          {offer(`${inWhole(slip.rhPercent)} %`, { humidity: asText(slip.rhPercent) }, false)}
        </Question>
      )
    case 'nothing':
      return (
        <Question text="A display that shows 0 % has lost its sensor or its battery: no air is as dry.">
          <span className={hand.aside}>Keep it all the same by pressing again, or read it once more.</span>
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
