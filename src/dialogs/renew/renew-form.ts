import * as v from 'valibot'
import type { Freshness } from '#core/evidence/freshness.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { ENTRY_KINDS } from '#records/entry.ts'
import { beadsField, bounds, heatingField } from '#records/fields.ts'
import type { Indicator, Oven } from '#records/kinds/charge.ts'
import type { Weight } from '#session/move-drafts.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { within, type Measures } from '#ui/measures.ts'
import { readWeight, type WeightText } from '#ui/read-weight.ts'
import { timeError } from '#ui/when-field.tsx'
import type { Renewal } from './renew-drafts.ts'

export interface RenewForm {
  readonly how: Renewal['how']
  readonly oven: Oven
  readonly temperature: string
  readonly hours: string
  readonly minutes: string
  readonly roomId: string
  readonly before: WeightText
  readonly after: WeightText
  readonly mass: string
  readonly indicator: Indicator
  readonly freshness: Freshness
  readonly when: number
}

/** A renewal as it was done; messages name the field and the remedy. */
export function checkRenewal(
  form: RenewForm,
  charge: ChargeRecord,
  { temperature, weight }: Measures,
  nowMs: number,
): Checked<RenewForm, Renewal> {
  const refused = (errors: Partial<Record<keyof RenewForm, string>>) => ({ ok: false, errors }) as const
  const when = timeError(form.when, nowMs, charge.madeMs)
  if (when) return refused({ when })
  const weights: { before: Weight | null; after: Weight | null } = { before: null, after: null }
  for (const field of form.how === 'heated' ? (['before', 'after'] as const) : (['before'] as const)) {
    if (form[field].gross.trim() === '') continue
    const read = readWeight({ kind: 'charge', charge }, form[field], weight)
    if (!read.ok) return refused({ [field]: read.message })
    weights[field] = read.weight
  }
  if (form.how === 'heated') {
    const isMicrowave = form.oven === 'microwave'
    // no thermometer stands a microwave: what it leaves is told by the scale, or by nothing
    const temperatureC = isMicrowave ? null : temperature.parse(form.temperature)
    if (temperatureC !== null && !v.is(heatingField, temperatureC))
      return refused({
        temperature: `Heating temperature is a number from ${within(temperature, bounds.heatingC)}: type what was measured, or what the dial said.`,
      })
    const hours = isMicrowave ? parseDecimal(form.minutes) / 60 : parseDecimal(form.hours)
    if (!v.is(ENTRY_KINDS['charge.heated'].entries.hours, hours))
      return refused(
        isMicrowave
          ? { minutes: 'Minutes are a number from 1 to 4000: type how long it ran, all steps together.' }
          : { hours: 'Hours are a number from 0.01 to 72: type how long it was at that heat.' },
      )
    const { oven, roomId } = form
    return { ok: true, kept: { how: 'heated', temperatureC, hours, oven, roomId, ...weights } }
  }
  const dryMassG = weight.parse(form.mass)
  if (!v.is(beadsField, dryMassG))
    return refused({ mass: `Beads weigh from ${within(weight, bounds.beadsG)}: type what went in.` })
  const { indicator, freshness } = form
  return { ok: true, kept: { how: 'replaced', dryMassG, indicator, freshness, before: weights.before } }
}
