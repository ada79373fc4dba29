import * as v from 'valibot'
import { displayErrors, waitHours, type DisplayError } from '#core/reading/display-check.ts'
import { saltRhPercent, type SaltId } from '#core/air/salts.ts'
import { inScale, type TemperatureScale } from '#core/reading/scale-slip.ts'
import { asCheck } from '#journal/true-readings.ts'
import { instrumentsOf } from '#journal/instruments.ts'
import type { InstrumentRecord, State } from '#journal/state.ts'
import { bounds, rhField, temperatureField } from '#records/fields.ts'
import type { DisplaysChecked } from '#records/kinds/instrument.ts'
import { celsiusOf } from '#session/reading-entry.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'

export type Air = DisplaysChecked['air']

export interface CheckTyped {
  readonly air: Air
  readonly temperature: string
  readonly waited: string
  readonly when: number
  /** What each shows, by its id; blank: it is not in there. */
  readonly shown: Readonly<Record<string, string>>
}

export interface CheckToKeep {
  readonly atMs: number
  readonly payload: DisplaysChecked
}

/** Messages name the field and the remedy. */
export function checkOfDisplays(
  typed: CheckTyped,
  scale: TemperatureScale,
  state: State,
): Checked<CheckTyped, CheckToKeep> {
  const errors: Partial<Record<keyof CheckTyped, string>> = {}
  const temperatureC = celsiusOf(parseDecimal(typed.temperature), scale)
  const { min, max } = bounds.temperatureC
  if (!v.is(temperatureField, temperatureC))
    errors.temperature = `Temperature is a number from ${inScale(min, scale)} to ${inScale(max, scale)} °${scale}: type what the displays show.`
  else if (typed.air !== 'bag' && saltRhPercent(typed.air, temperatureC) === null)
    errors.temperature = `Over this salt the air is known from ${inScale(5, scale)} to ${inScale(30, scale)} °${scale}: stand the jar where it is milder.`
  const waitedHours = parseDecimal(typed.waited)
  if (!(waitedHours >= 0 && waitedHours <= 1000))
    errors.waited = `Waited is a number of hours, such as ${waitHours(typed.air)}.`
  const said = instrumentsOf(state).flatMap(({ instrumentId, name }) => {
    const text = typed.shown[instrumentId]?.trim() ?? ''
    return text === '' ? [] : [{ instrumentId, name, relativeHumidityPercent: parseDecimal(text) }]
  })
  const wrong = said.find(one => !v.is(rhField, one.relativeHumidityPercent))
  if (wrong)
    errors.shown = `What ${wrong.name} shows is a number from 0 to 100 %: type it as it stands, or leave it blank.`
  else if (said.length === 0) errors.shown = 'Type what at least one display shows.'
  else if (typed.air === 'bag' && said.length === 1)
    errors.shown = 'One display alone in a bag tells nothing: type what a second one shows beside it.'
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  return {
    ok: true,
    kept: {
      atMs: typed.when,
      payload: {
        air: typed.air,
        temperatureC: Math.round(temperatureC * 100) / 100, // hundredths of a degree, which no display shows
        waitedHours,
        shown: said.map(({ instrumentId, relativeHumidityPercent }) => ({
          instrumentId,
          relativeHumidityPercent,
        })),
      },
    },
  }
}

/** What would be known of every display that is in this check, once it is kept. */
export function errorsWith(
  state: State,
  { atMs, payload }: CheckToKeep,
): readonly { readonly instrument: InstrumentRecord; readonly error: DisplayError }[] {
  const accuracy = new Map(
    [...state.instruments.values()].map(one => [one.instrumentId, one.accuracyPercentRh]),
  )
  const checks = [...state.checks, { ...payload, atMs }].map(asCheck)
  const errorAt = displayErrors(accuracy, checks)
  const atS = asCheck({ ...payload, atMs }).atS
  return payload.shown.flatMap(({ instrumentId }) => {
    const instrument = state.instruments.get(instrumentId)
    const error = errorAt(instrumentId, atS)
    return instrument && error ? [{ instrument, error }] : []
  })
}

/** How to hold displays in one air, step by step. */
export function howTo(air: Air): readonly string[] {
  const wait = waitHours(air)
  if (air === 'bag')
    return [
      'All of them into one clear bag, with a spare you trust if there is one; press little air out, and seal it.',
      `Leave it ${wait === 1 ? 'an hour' : `${wait} hours`} out of the sun, then read all through the bag.`,
    ]
  return [
    `Two spoons of ${air satisfies SaltId} in a small open dish, and water by drops until it is wet sand, not soup.`,
    'Dish and displays into a jar or a tight box, the displays above the dish, not in it; close it.',
    `Leave it a night (${wait} hours) where the temperature stands still; read it through the glass.`,
  ]
}
