import localforage from 'localforage'
import * as v from 'valibot'

/** Per device, not part of the journal. */
const schema = v.strictObject({
  temperatureScale: v.picklist(['C', 'F']),
  theme: v.picklist(['auto', 'light', 'dark']),
})
export type Preferences = v.InferOutput<typeof schema>
export const USUAL_PREFERENCES: Preferences = { temperatureScale: 'C', theme: 'auto' }

const KEY = 'display'
const forage = localforage.createInstance({ name: 'veld', storeName: 'preferences' })

/** What was chosen; the usual where nothing was, or where it no longer reads. */
export async function readPreferences(): Promise<Preferences> {
  const parsed = v.safeParse(schema, await forage.getItem(KEY))
  return parsed.success ? parsed.output : USUAL_PREFERENCES
}

export async function writePreferences(preferences: Preferences): Promise<void> {
  await forage.setItem(KEY, preferences)
}
