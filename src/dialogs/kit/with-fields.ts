import { classOfSize, SPOOL_CLASSES, type SpoolClassId } from '#core/filament/spool-class.ts'
import type { QuickContext, Wanted } from '#formats/quick/wanted.ts'
import { parseDecimal } from '#ui/decimal.ts'
import type { Measure, Measures } from '#ui/measures.ts'
import { WANTED_FIELDS, type WantedField } from './wanted-fields.ts'

const plain: Measure<number> = {
  unit: '',
  bare: String,
  text: String,
  field: value => String(Math.round(value * 100) / 100),
  parse: parseDecimal,
}
export function measureOf(field: WantedField, measures: Measures): Measure<number> | null {
  if (typeof field.as !== 'object' || 'choices' in field.as) return null
  const { in: unit } = field.as
  if (unit === 'weight' || unit === 'length' || unit === 'temperature') return measures[unit]
  return unit === 'percent' ? { ...plain, unit: '%' } : plain
}

export const valueOf = (wanted: Wanted, key: string): unknown =>
  key === 'sizeClass' && wanted.kind === 'spool'
    ? (classOfSize(wanted.rimDiameterMm, wanted.widthMm) ?? 'own')
    : (wanted as unknown as Readonly<Record<string, unknown>>)[key]

/** What stands in a field for a value. */
export function textOf(field: WantedField, value: unknown, measures: Measures): string {
  if (value === null || value === undefined) return ''
  const measure = measureOf(field, measures)
  if (typeof value === 'number') return measure ? measure.field(value) : String(value)
  return typeof value === 'string' ? value : ''
}

export type Fields = Readonly<Record<string, string>>

/** A thing with some fields typed anew: the thing, or what is wrong with which field. */
export function withFields(
  wanted: Wanted,
  typed: Fields,
  measures: Measures,
  today: string,
  boxes: QuickContext['boxes'],
): { readonly ok: true; readonly wanted: Wanted } | { readonly ok: false; readonly errors: Fields } {
  const errors: Record<string, string> = {}
  const values: Record<string, unknown> = { ...wanted }
  for (const field of WANTED_FIELDS[wanted.kind]) {
    const text = typed[field.key]
    if (text === undefined) continue
    const read = readField(field, text, measures, today, boxes)
    if (read.ok) values[field.key] = read.value
    else errors[field.key] = read.message
  }
  const { sizeClass, ...fields } = values
  // a size by its name; what was measured beside it wins
  if (typeof sizeClass === 'string' && sizeClass !== 'own')
    for (const key of ['rimDiameterMm', 'widthMm'] as const)
      if (typed[key] === undefined) fields[key] = SPOOL_CLASSES[sizeClass as SpoolClassId].size[key]
  if (wanted.kind === 'spool' && Object.keys(errors).length === 0) {
    if (typed['wetness'] === undefined && (typed['driedOn'] ?? typed['openedOn']) !== undefined)
      fields['wetness'] =
        fields['driedOn'] !== null
          ? 'dried today'
          : fields['openedOn'] !== null
            ? 'sealed bag'
            : wanted.wetness
    const { grossG, emptyG } = fields as { grossG: number | null; emptyG: number }
    if (grossG !== null && (typed['grossG'] !== undefined || typed['emptyG'] !== undefined)) {
      fields['filamentG'] = grossG - emptyG
      if (grossG - emptyG < 1)
        errors['grossG'] =
          `With the spool it must weigh more than the empty spool, ${measures.weight.text(emptyG)}: type what the scale shows.`
    }
  }
  if (wanted.kind === 'heat source') {
    const { lowestC, highestC } = fields as { lowestC: number | null; highestC: number | null }
    if (lowestC !== null && highestC !== null && lowestC > highestC && !errors['lowestC'])
      errors['lowestC'] = 'Lowest setting is above the highest: type the lower of the two here.'
  }
  return Object.keys(errors).length > 0
    ? { ok: false, errors }
    : { ok: true, wanted: fields as unknown as Wanted }
}

type Read = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly message: string }

function readField(
  field: WantedField,
  text: string,
  measures: Measures,
  today: string,
  boxes: QuickContext['boxes'],
): Read {
  const wrong = (what: string): Read => ({ ok: false, message: `${field.label} ${what}: ${field.remedy}` })
  const trimmed = text.trim()
  if (trimmed === '' && field.optional) return { ok: true, value: null }
  if (field.as === 'text')
    return trimmed.length >= 1 && trimmed.length <= 60 ? { ok: true, value: trimmed } : wrong('does not fit')
  if (field.as === 'day')
    return /^\d{4}-\d{2}-\d{2}$/.test(trimmed) &&
      !Number.isNaN(Date.parse(trimmed)) &&
      trimmed <= today &&
      trimmed >= '1990-01-01'
      ? { ok: true, value: trimmed }
      : wrong('is no day, or lies ahead')
  if (field.as === 'place')
    return ['printer', 'open', 'bag', 'away'].includes(trimmed) ||
      boxes.some(box => `box:${box.id}` === trimmed)
      ? { ok: true, value: trimmed }
      : wrong('is not there')
  if ('choices' in field.as) {
    if (!field.as.choices.some(([key]) => key === trimmed)) return wrong('is not one of them')
    return { ok: true, value: field.key === 'strandMm' ? Number(trimmed) : trimmed }
  }
  const measure = measureOf(field, measures)!
  const { min, max, in: unit } = field.as
  const value = measure.parse(trimmed)
  const fits =
    Number.isFinite(value) &&
    value >= min - 1e-9 &&
    value <= max + 1e-9 &&
    (unit !== 'whole' || Number.isInteger(value))
  const range = `${measure.field(min)} to ${measure.field(max)} ${measure.unit}`.trim()
  return fits ? { ok: true, value } : wrong(`is a ${unit === 'whole' ? 'whole ' : ''}number from ${range}`)
}
