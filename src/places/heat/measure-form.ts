import * as v from 'valibot'
import { asTold, hasDial } from '#core/renewal/heat-source.ts'
import { asHeatSource } from '#journal/heat-sources.ts'
import type { HeatSourceRecord } from '#journal/state.ts'
import { bounds, finite, heatingField } from '#records/fields.ts'
import type { HeatSourceMeasured } from '#records/kinds/heat-source.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { within, type Measures } from '#ui/measures.ts'

export interface MeasureTyped {
  readonly sourceId: string
  readonly dial: string
  /** As its maker says; blank: not said. */
  readonly advertised: string
  readonly measured: string
  /** Kelvins, or degrees of the person's own scale. */
  readonly swing: string
}

const MOST_SWING_C = 80
/** Dial and thermometer further apart than this were read in two scales. */
const FAR_C = 60
/** A degree of the person's scale, in kelvins. */
export const degreeK = ({ temperature }: Measures): number => (temperature.unit === '°F' ? 5 / 9 : 1)

/** A measured heat; messages name the field and the remedy. */
export function checkMeasure(
  typed: MeasureTyped,
  sources: readonly HeatSourceRecord[],
  measures: Measures,
): Checked<MeasureTyped, HeatSourceMeasured> {
  const { temperature } = measures
  const errors: Partial<Record<keyof MeasureTyped, string>> = {}
  const record = sources.find(one => one.heatSourceId === typed.sourceId)
  if (!record) return { ok: false, errors: { sourceId: 'Heat source is not there: pick one of the list.' } }
  const source = asHeatSource(record)
  const { lowestC, highestC } = asTold(source)
  const range = within(temperature, bounds.heatingC)
  const measuredC = temperature.parse(typed.measured)
  if (!v.is(heatingField, measuredC))
    errors.measured = `Measured is a number from ${range}: lay a thermometer where the beads will lie, and type what it shows.`
  const dialC = hasDial(record.kind) ? temperature.parse(typed.dial) : measuredC
  if (hasDial(record.kind) && !v.is(heatingField, dialC))
    errors.dial = `Set to is a number from ${range}: type what the dial says.`
  else if (hasDial(record.kind) && (dialC > highestC || dialC < lowestC))
    errors.dial = `${record.name} can be set from ${temperature.text(lowestC)} to ${temperature.text(highestC)}: type the setting it stood at, or put its settings right in Kit.`
  const advertisedC = typed.advertised.trim() === '' ? null : temperature.parse(typed.advertised)
  if (advertisedC !== null && !v.is(heatingField, advertisedC))
    errors.advertised = `What its maker says is a number from ${range}, or blank.`
  const swingC = parseDecimal(typed.swing) * degreeK(measures)
  if (!v.is(finite(0, MOST_SWING_C), swingC))
    errors.swing = `Swing is a number from 0 to ${Math.round(MOST_SWING_C / degreeK(measures))}: half of what lies between the least and the most it showed.`
  return Object.keys(errors).length > 0
    ? { ok: false, errors }
    : { ok: true, kept: { heatSourceId: record.heatSourceId, dialC, advertisedC, measuredC, swingC } }
}

/** A dial in °F beside a thermometer in °C: what the dial would be then, °C; null where there is nothing to ask. */
export function otherScale(kept: HeatSourceMeasured, { temperature }: Measures): number | null {
  if (Math.abs(kept.dialC - kept.measuredC) <= FAR_C || temperature.unit === '°F') return null
  const asFahrenheit = celsiusFromFahrenheit(kept.dialC)
  return Math.abs(asFahrenheit - kept.measuredC) < FAR_C / 2 ? asFahrenheit : null
}
