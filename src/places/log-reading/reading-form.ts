import * as v from 'valibot'
import { inScale, scaleSlip, type TemperatureScale } from '#core/reading/scale-slip.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import type { Draft } from '#records/act.ts'
import { bounds, rhField, temperatureField } from '#records/fields.ts'
import { parseDecimal } from '#draw/decimal.ts'

export interface ReadingForm {
  /** `box:ID` or `room:ID`. */
  readonly place: string
  readonly humidity: string
  readonly temperature: string
  readonly when: number
  readonly justOpened: boolean
}

export interface FormContext {
  readonly nowMs: number
  readonly scale: TemperatureScale
  readonly instrumentId: string
  /** When the place was entered; nothing can have been read before. */
  readonly sinceMs: number
  /** Where box and room last stood, °C; used when the field is left empty, and to question a slip of scale. */
  readonly nearC: readonly number[]
  /** The person has said which scale was meant. */
  readonly meantC: number | null
}

export type FormResult =
  | { readonly kind: 'ready'; readonly drafts: Draft[] }
  | { readonly kind: 'errors'; readonly errors: Partial<Record<'humidity' | 'temperature' | 'when', string>> }
  | {
      readonly kind: 'question'
      readonly typed: number
      readonly asTypedC: number
      readonly otherwiseC: number
    }

const USUAL_C = 20

/** Checks what was typed. Errors name the field and the remedy; a likely slip is asked about, never changed unasked. */
export function checkReading(form: ReadingForm, context: FormContext): FormResult {
  const errors: Partial<Record<'humidity' | 'temperature' | 'when', string>> = {}
  const humidity = parseDecimal(form.humidity)
  if (!v.is(rhField, humidity))
    errors.humidity =
      'Relative humidity is a number from 0 to 100 %: type what the display shows, such as 21.'
  const typed = parseDecimal(form.temperature)
  const left = form.temperature.trim() === ''
  const typedC = context.scale === 'C' ? typed : celsiusFromFahrenheit(typed)
  const slip =
    left || Number.isNaN(typed) || context.meantC !== null
      ? null
      : scaleSlip({ value: typed, scale: context.scale, nearC: context.nearC })
  const temperatureC = left ? (context.nearC[0] ?? USUAL_C) : (context.meantC ?? typedC)
  if (!slip && !v.is(temperatureField, temperatureC)) {
    const { min, max } = bounds.temperatureC
    const [low, high] = [inScale(min, context.scale), inScale(max, context.scale)]
    errors.temperature = `Temperature is a number from ${low} to ${high} °${context.scale}: type the display’s second number, or leave it empty.`
  }
  if (!Number.isFinite(form.when)) errors.when = 'The time is not complete: pick day, hour and minute.'
  else if (form.when > context.nowMs + 60_000)
    errors.when = 'This time lies ahead: take the time the display was read, now or earlier.'
  else if (form.when < context.sinceMs) errors.when = 'That is before it was set up here: pick a later time.'
  if (Object.keys(errors).length > 0) return { kind: 'errors', errors }
  if (slip) return { kind: 'question', typed, ...slip }
  const [kind, id] = form.place.split(/:(.*)/s) as ['box' | 'room', string]
  const drafts: Draft[] = []
  if (kind === 'box' && form.justOpened)
    drafts.push({ kind: 'box.opened', atMs: form.when - 60_000, payload: { boxId: id, openSeconds: 30 } })
  drafts.push({
    kind: 'reading.taken',
    atMs: form.when,
    payload: {
      place: kind === 'box' ? { in: 'box', boxId: id } : { in: 'room', roomId: id },
      instrumentId: context.instrumentId,
      relativeHumidityPercent: humidity,
      temperatureC: Math.round(temperatureC * 100) / 100, // hundredths of a degree, which no display shows
      temperatureKnown: left ? 'assumed' : 'measured',
    },
  })
  return { kind: 'ready', drafts }
}
