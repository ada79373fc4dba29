import * as v from 'valibot'
import type { JournalName } from './journal-store.ts'
import { openStorage } from './storage.ts'

/** What this device remembers of files given out: not part of the journal. */
const schema = v.object({
  savedAtMs: v.fallback(v.nullable(v.pipe(v.number(), v.finite())), null),
  /** The day last given out for a box, and how often it changed. */
  calendar: v.fallback(
    v.record(v.string(), v.object({ day: v.string(), sequence: v.pipe(v.number(), v.integer()) })),
    {},
  ),
  /** Days at the oven given out, by the mark their calendar entry keeps. */
  ovenDays: v.fallback(
    v.record(
      v.string(),
      v.object({
        day: v.string(),
        boxIds: v.array(v.string()),
        says: v.string(),
        sequence: v.pipe(v.number(), v.integer()),
      }),
    ),
    {},
  ),
})
export type Keeping = v.InferOutput<typeof schema>
const NOTHING: Keeping = { savedAtMs: null, calendar: {}, ovenDays: {} }

const forage = openStorage('keeping')

export async function readKeeping(name: JournalName): Promise<Keeping> {
  const raw: unknown = await forage.getItem(name)
  const parsed = v.safeParse(schema, { ...NOTHING, ...(typeof raw === 'object' ? raw : {}) })
  return parsed.success ? parsed.output : NOTHING
}

export async function writeKeeping(name: JournalName, keeping: Keeping): Promise<void> {
  await forage.setItem(name, keeping)
}
