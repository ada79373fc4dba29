import { USUAL_GRID } from '#core/label/label-sheet.ts'
import * as v from 'valibot'
import { openStorage } from './storage.ts'

const CURRENCIES = [
  'EUR',
  'USD',
  'GBP',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'CAD',
  'AUD',
  'JPY',
] as const
export const KNOWN_CURRENCIES: readonly string[] = CURRENCIES

/** Measures of what labels are printed on, in millimetres but for counts. */
export const LABEL_FIELDS = {
  columns: { min: 1, max: 12, whole: true },
  rows: { min: 1, max: 30, whole: true },
  sideMm: { min: 0, max: 80, whole: false },
  topMm: { min: 0, max: 120, whole: false },
  acrossMm: { min: 0, max: 50, whole: false },
  downMm: { min: 0, max: 50, whole: false },
  rollWidthMm: { min: 12, max: 300, whole: false },
  rollLengthMm: { min: 25, max: 300, whole: false },
} as const
const labelField = ({ min, max, whole }: (typeof LABEL_FIELDS)[keyof typeof LABEL_FIELDS]) =>
  v.pipe(
    v.number(),
    v.minValue(min),
    v.maxValue(max),
    v.check(value => !whole || Number.isInteger(value), 'a whole number'),
  )
const labelChoice = v.strictObject({
  is: v.picklist(['A6', 'stickers', 'roll']),
  columns: labelField(LABEL_FIELDS.columns),
  rows: labelField(LABEL_FIELDS.rows),
  sideMm: labelField(LABEL_FIELDS.sideMm),
  topMm: labelField(LABEL_FIELDS.topMm),
  acrossMm: labelField(LABEL_FIELDS.acrossMm),
  downMm: labelField(LABEL_FIELDS.downMm),
  rollWidthMm: labelField(LABEL_FIELDS.rollWidthMm),
  rollLengthMm: labelField(LABEL_FIELDS.rollLengthMm),
})
export type LabelChoice = v.InferOutput<typeof labelChoice>
const USUAL_LABELS: LabelChoice = { is: 'stickers', ...USUAL_GRID, rollWidthMm: 29, rollLengthMm: 90 }

/** Per device, not part of the journal. A choice that is missing, or no longer one, falls back alone. */
const entries = {
  temperatureScale: v.fallback(v.picklist(['C', 'F']), 'C'),
  lengthUnit: v.fallback(v.picklist(['mm', 'in']), 'mm'),
  weightUnit: v.fallback(v.picklist(['g', 'oz']), 'g'),
  volumeUnit: v.fallback(v.picklist(['L', 'qt']), 'L'),
  currency: v.fallback(v.picklist(CURRENCIES), 'EUR'),
  /** Money for a kilogram of new beads; null: not told, so nothing is priced. */
  beadsPricePerKg: v.fallback(
    v.nullable(v.pipe(v.number(), v.finite(), v.minValue(0), v.maxValue(100_000))),
    null,
  ),
  /** 0 Sunday, 1 Monday, 6 Saturday. */
  firstWeekday: v.fallback(v.picklist([0, 1, 6]), 1),
  /** Asked about what a clock ahead of this one wrote: up to here this one was right. */
  clockRightBeforeMs: v.fallback(v.pipe(v.number(), v.finite()), 0),
  labels: v.fallback(labelChoice, USUAL_LABELS),
  theme: v.fallback(v.picklist(['auto', 'light', 'dark']), 'auto'),
}
const schema = v.object(entries)
export type Preferences = v.InferOutput<typeof schema>
export const USUAL_PREFERENCES: Preferences = v.parse(
  schema,
  Object.fromEntries(Object.keys(entries).map(key => [key, undefined])),
)

const KEY = 'display'
const forage = openStorage('preferences')

/** What was chosen; the usual where nothing was, or where it no longer reads. */
export async function readPreferences(): Promise<Preferences> {
  const raw: unknown = await forage.getItem(KEY)
  const parsed = v.safeParse(schema, { ...USUAL_PREFERENCES, ...(typeof raw === 'object' ? raw : {}) })
  return parsed.success ? parsed.output : USUAL_PREFERENCES
}

export async function writePreferences(preferences: Preferences): Promise<void> {
  await forage.setItem(KEY, preferences)
}
