import * as v from 'valibot'
import { inScale, type TemperatureScale } from '#core/reading/scale-slip.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import type { Draft } from '#records/act.ts'
import { bounds, rhField, temperatureField } from '#records/fields.ts'

/** What a display showed, as two numbers; NaN where none could be read. */
export interface Shown {
  readonly rhPercent: number
  /** In the person's scale. */
  readonly temperature: number
}
export type ShownErrors = Partial<Record<'humidity' | 'temperature', string>>

export const celsiusOf = (typed: number, scale: TemperatureScale): number =>
  scale === 'C' ? typed : celsiusFromFahrenheit(typed)

/** Errors name the field and the remedy; none where both numbers can be. */
export function shownErrors(shown: Shown, scale: TemperatureScale): ShownErrors {
  const errors: ShownErrors = {}
  if (!v.is(rhField, shown.rhPercent))
    errors.humidity =
      'Relative humidity is a number from 0 to 100 %: type what the display shows, such as 21.'
  if (!v.is(temperatureField, celsiusOf(shown.temperature, scale))) {
    const { min, max } = bounds.temperatureC
    errors.temperature = `Temperature is a number from ${inScale(min, scale)} to ${inScale(max, scale)} °${scale}: type the display’s second number.`
  }
  return errors
}

/** A minute before the reading: a lid that was off was off before. */
export const LID_OFF_BEFORE_MS = 60_000
const OPEN_SECONDS = 30

/** The entries of one reading, the lid's opening before it where it was off. */
export function readingDrafts(reading: {
  readonly place:
    | { readonly in: 'box'; readonly boxId: string }
    | { readonly in: 'room'; readonly roomId: string }
  readonly atMs: number
  readonly instrumentId: string
  readonly rhPercent: number
  readonly temperatureC: number
  readonly temperatureKnown: 'assumed' | 'measured'
  readonly lidWasOff: boolean
}): Draft[] {
  const { place, atMs, instrumentId, temperatureKnown } = reading
  const drafts: Draft[] = []
  if (place.in === 'box' && reading.lidWasOff)
    drafts.push({
      kind: 'box.opened',
      atMs: atMs - LID_OFF_BEFORE_MS,
      payload: { boxId: place.boxId, openSeconds: OPEN_SECONDS },
    })
  drafts.push({
    kind: 'reading.taken',
    atMs,
    payload: {
      place,
      instrumentId,
      relativeHumidityPercent: reading.rhPercent,
      temperatureC: Math.round(reading.temperatureC * 100) / 100, // hundredths of a degree, which no display shows
      temperatureKnown,
    },
  })
  return drafts
}
