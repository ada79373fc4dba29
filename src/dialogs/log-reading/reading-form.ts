import * as v from 'valibot'
import { slipOf, type Expectation, type Slip } from '#core/reading/slips.ts'
import { inScale, scaleSlip, type TemperatureScale } from '#core/reading/scale-slip.ts'
import type { Draft } from '#records/act.ts'
import { celsiusOf, readingDrafts, shownErrors, type ShownErrors } from '#session/reading-entry.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { typedText } from '#ui/draft.ts'

export interface ReadingForm {
  /** `box:ID` or `room:ID`. */
  readonly place: string
  readonly humidity: string
  readonly temperature: string
  readonly when: number
  readonly justOpened: boolean
  /** The temperature, where the person has said which scale was meant. */
  readonly meantC: number | null
}

/** What a form may hold again after a reload. */
export const readingDraft = v.object({
  humidity: typedText,
  temperature: typedText,
})

export interface FormContext {
  readonly nowMs: number
  readonly scale: TemperatureScale
  readonly instrumentId: string
  /** When the place was entered; nothing can have been read before. */
  readonly sinceMs: number
  /** Where box and room last stood, °C; used when the field is left empty, and to question a slip of scale. */
  readonly nearC: readonly number[]
  /** What the display would show there by what is known. */
  readonly expected: Expectation
  /** The person has looked at the question and means what is typed. */
  readonly meant: boolean
}

/** Entries to write, or a question to answer first. */
export type ReadingToKeep =
  | { readonly kind: 'ready'; readonly drafts: Draft[] }
  | {
      readonly kind: 'question'
      readonly typed: number
      readonly asTypedC: number
      readonly otherwiseC: number
    }
  | { readonly kind: 'slip'; readonly slip: Slip }

const USUAL_C = 20

/** Checks what was typed. Errors name the field and the remedy; a likely slip is asked about, never changed unasked. */
export function checkReading(form: ReadingForm, context: FormContext): Checked<ReadingForm, ReadingToKeep> {
  const typed = parseDecimal(form.temperature)
  const left = form.temperature.trim() === ''
  const slip =
    left || Number.isNaN(typed) || form.meantC !== null
      ? null
      : scaleSlip({ value: typed, scale: context.scale, nearC: context.nearC })
  const temperatureC = left ? (context.nearC[0] ?? USUAL_C) : (form.meantC ?? celsiusOf(typed, context.scale))
  const rhPercent = parseDecimal(form.humidity)
  const other =
    context.meant || form.meantC !== null
      ? null
      : slipOf(
          {
            rhPercent,
            temperature: left ? null : typed,
            scale: context.scale,
            opened: form.justOpened,
          },
          context.expected,
        )
  const errors: ShownErrors & { when?: string } = shownErrors(
    { rhPercent, temperature: inScale(temperatureC, context.scale) },
    context.scale,
  )
  if (slip) delete errors.temperature
  if (!Number.isFinite(form.when)) errors.when = 'The time is not complete: pick day, hour and minute.'
  else if (form.when > context.nowMs + 60_000)
    errors.when = 'This time lies ahead: take the time the display was read, now or earlier.'
  else if (form.when < context.sinceMs) errors.when = 'That is before it was set up here: pick a later time.'
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  if (other && other.kind !== 'scale') return { ok: true, kept: { kind: 'slip', slip: other } }
  if (slip) return { ok: true, kept: { kind: 'question', typed, ...slip } }
  const [kind, id] = form.place.split(/:(.*)/s) as ['box' | 'room', string]
  return {
    ok: true,
    kept: {
      kind: 'ready',
      drafts: readingDrafts({
        place: kind === 'box' ? { in: 'box', boxId: id } : { in: 'room', roomId: id },
        atMs: form.when,
        instrumentId: context.instrumentId,
        rhPercent,
        temperatureC,
        temperatureKnown: left ? 'assumed' : 'measured',
        lidWasOff: form.justOpened,
      }),
    },
  }
}
