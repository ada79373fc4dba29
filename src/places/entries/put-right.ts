import * as v from 'valibot'
import type { Draft } from '#records/act.ts'
import { ENTRY_KINDS, type Entry } from '#records/entry.ts'
import { rootOf } from '#journal/in-force.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import type { Measure, Measures } from '#ui/measures.ts'
import type { EntryField } from './entry-fields.ts'

/** What stands in the fields, by key. */
export type FieldTexts = Readonly<Record<string, string>>

const plain: Measure<number> = {
  unit: '',
  bare: String,
  text: String,
  field: value => String(value),
  parse: parseDecimal,
}
const percent: Measure<number> = { ...plain, unit: '%' }

export const measureOf = (field: EntryField, measures: Measures): Measure<number> | null =>
  field.as === 'temperature' || field.as === 'weight' || field.as === 'length'
    ? measures[field.as]
    : field.as === 'percent'
      ? percent
      : field.as === 'number'
        ? plain
        : null

/** The fields as the entry has them. */
export function textsOf(entry: Entry, fields: readonly EntryField[], measures: Measures): FieldTexts {
  const payload = entry.payload as Record<string, unknown>
  return Object.fromEntries(
    fields.map(field => {
      const value = payload[field.key]
      const measure = measureOf(field, measures)
      return [field.key, measure ? measure.field(Number(value)) : choiceText(field.key, value)]
    }),
  )
}

/** Places and climates are objects in the payload and words in a list. */
function choiceText(key: string, value: unknown): string {
  if (typeof value === 'string') return value
  if (typeof value !== 'object' || value === null) return ''
  const object = value as Record<string, string>
  if (key === 'climate') return object['kind'] ?? ''
  return object['at'] === 'box' ? `box:${object['boxId']}` : (object['at'] ?? '')
}

function choiceValue(key: string, text: string): unknown {
  if (key === 'where') return text.startsWith('box:') ? { at: 'box', boxId: text.slice(4) } : { at: text }
  if (key === 'climate') return { kind: text }
  return key === 'boxId' && text === '' ? null : text
}

/** Not of one field: it stands below them all. */
export const OF_ALL = 'all'

/** The correction, checked against the kind's own schema; only what was touched changes. */
export function putRight(
  entry: Entry,
  fields: readonly EntryField[],
  texts: FieldTexts,
  atMs: number,
  measures: Measures,
): Checked<FieldTexts, Draft> {
  const before = textsOf(entry, fields, measures)
  const payload: Record<string, unknown> = { ...(entry.payload as Record<string, unknown>) }
  const touched = fields.filter(field => texts[field.key] !== before[field.key])
  if (touched.length === 0 && atMs === Date.parse(entry.at))
    return {
      ok: false,
      errors: { [OF_ALL]: 'Nothing is changed yet: put a figure or the time right, or close.' },
    }
  for (const field of touched) {
    const text = texts[field.key] ?? ''
    const measure = measureOf(field, measures)
    payload[field.key] = measure ? measure.parse(text) : choiceValue(field.key, text)
    if (field.known !== undefined && payload[field.known] === 'assumed')
      payload[field.known] = field.known === 'temperatureKnown' ? 'measured' : 'told'
  }
  const parsed = v.safeParse(ENTRY_KINDS[entry.kind], payload)
  if (!parsed.success) {
    const key = (v.getDotPath(parsed.issues[0]) ?? '').split('.')[0]!
    const field = fields.find(item => item.key === key)
    const message = `${field?.label ?? 'This'} does not fit: ${remedy(parsed.issues[0], field, measures)}`
    return { ok: false, errors: { [field ? key : OF_ALL]: message } }
  }
  return {
    ok: true,
    kept: { kind: entry.kind, payload: parsed.output, atMs, corrects: rootOf(entry) } as Draft,
  }
}

function remedy(issue: v.BaseIssue<unknown>, field: EntryField | undefined, measures: Measures): string {
  const measure = field && measureOf(field, measures)
  const bound = typeof issue.requirement === 'number' ? issue.requirement : null
  if (!measure) return 'type from 1 to 60 letters, or pick one of the list.'
  if (issue.type === 'min_value' && bound !== null)
    return `the least is ${measure.field(bound)} ${measure.unit}.`.replace(' .', '.')
  if (issue.type === 'max_value' && bound !== null)
    return `the most is ${measure.field(bound)} ${measure.unit}.`.replace(' .', '.')
  return 'type a number.'
}
