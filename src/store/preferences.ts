import localforage from 'localforage'
import * as v from 'valibot'

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
  theme: v.fallback(v.picklist(['auto', 'light', 'dark']), 'auto'),
}
const schema = v.object(entries)
export type Preferences = v.InferOutput<typeof schema>
export const USUAL_PREFERENCES: Preferences = v.parse(
  schema,
  Object.fromEntries(Object.keys(entries).map(key => [key, undefined])),
)

const KEY = 'display'
const forage = localforage.createInstance({ name: 'veld', storeName: 'preferences' })

/** What was chosen; the usual where nothing was, or where it no longer reads. */
export async function readPreferences(): Promise<Preferences> {
  const raw: unknown = await forage.getItem(KEY)
  const parsed = v.safeParse(schema, { ...USUAL_PREFERENCES, ...(typeof raw === 'object' ? raw : {}) })
  return parsed.success ? parsed.output : USUAL_PREFERENCES
}

export async function writePreferences(preferences: Preferences): Promise<void> {
  await forage.setItem(KEY, preferences)
}
