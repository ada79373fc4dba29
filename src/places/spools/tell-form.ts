import * as v from 'valibot'
import type { DRYING_AIR_LIST } from '#records/picklists.ts'
import { bounds, finite, heatingField } from '#records/fields.ts'
import type { Draft } from '#records/act.ts'
import type { SpoolRecord } from '#journal/state.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { within, type Measures } from '#ui/measures.ts'
import { timeError } from '#ui/when-field.tsx'

export const TELLING = ['printed', 'weighed', 'dried'] as const
export type Telling = (typeof TELLING)[number]

export interface TellTyped {
  readonly what: Telling
  readonly grams: string
  readonly gross: string
  readonly temperature: string
  readonly hours: string
  readonly air: (typeof DRYING_AIR_LIST)[number]
  readonly when: number
}

export const AIR_CHOICES = [
  { value: 'vented', label: 'changed with the room’s: a vent, a fan, a gap' },
  { value: 'closed', label: 'shut in' },
  { value: 'with beads', label: 'shut in, with fresh beads' },
]

/** More than told is on it by so much is a slip, not an error of the scale. */
const SLACK_G = 30
const MOST_HOURS = 500

/** What is told of a spool, as an entry; messages name the field and the remedy. */
export function checkTelling(
  typed: TellTyped,
  spool: SpoolRecord,
  { weight, temperature }: Pick<Measures, 'weight' | 'temperature'>,
  { nowMs, scaleErrorG }: { readonly nowMs: number; readonly scaleErrorG: number },
): Checked<TellTyped, Draft> {
  const errors: Partial<Record<keyof TellTyped, string>> = {}
  const { spoolId } = spool
  const when = timeError(typed.when, nowMs, spool.madeMs)
  if (when) errors.when = when
  const atMs = typed.when
  const done = (draft: Draft): Checked<TellTyped, Draft> =>
    Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, kept: draft }
  switch (typed.what) {
    case 'printed': {
      const grams = weight.parse(typed.grams)
      const most = spool.filamentG + SLACK_G
      if (!v.is(finite(0.1, bounds.filamentG.max), grams))
        errors.grams = `Printed is a weight above nothing: type the ${weight.unit} the print took, with what was pulled off.`
      else if (grams > most)
        errors.grams = `There are ${weight.text(spool.filamentG)} on it: type less, or weigh the spool first.`
      return done({ kind: 'spool.printed', atMs, payload: { spoolId, grams } })
    }
    case 'weighed': {
      const grossG = weight.parse(typed.gross)
      const most = spool.emptyG + spool.rimDiameterMm * 20
      if (!v.is(finite(1, 15_000), grossG) || grossG > most)
        errors.gross = `On the scale is a weight up to ${weight.text(most)}: put spool and all on it and type what it shows.`
      else if (grossG < spool.emptyG)
        errors.gross = `The empty spool alone is ${weight.text(spool.emptyG)}: weigh again, or put its empty weight right first.`
      return done({ kind: 'spool.weighed', atMs, payload: { spoolId, grossG, scaleErrorG } })
    }
    case 'dried': {
      const temperatureC = temperature.parse(typed.temperature)
      if (!v.is(heatingField, temperatureC))
        errors.temperature = `Heat is a number from ${within(temperature, bounds.heatingC)}: what a thermometer beside the spool shows.`
      const hours = parseDecimal(typed.hours)
      if (!v.is(finite(0.1, MOST_HOURS), hours))
        errors.hours = `Hours are a number from 0.1 to ${MOST_HOURS}: how long it was hot.`
      return done({
        kind: 'spool.dried',
        atMs,
        payload: { spoolId, temperatureC, hours, air: typed.air, roomId: null },
      })
    }
  }
}
