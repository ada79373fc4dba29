import type { JournalName } from './journal-store.ts'
import { openStorage } from './storage.ts'

/** What was worked out for a box and what it stood on. Nothing here is a person's own: it can be worked out again. */
export interface KeptResults {
  /** The result kept under a name, whatever it stood on; null where there is none. */
  last(name: string): Promise<KeptResult | null>
  /** Keeps the newest result under a name in place of the one before. A browser that refuses is no matter. */
  keep(name: string, result: KeptResult): Promise<void>
}
export interface KeptResult {
  /** A fingerprint of all it was worked out from, the science with it. */
  readonly standsOn: string
  readonly value: unknown
}

const isKept = (raw: unknown): raw is KeptResult =>
  typeof raw === 'object' &&
  raw !== null &&
  'value' in raw &&
  'standsOn' in raw &&
  typeof raw.standsOn === 'string'

export function openResults(journal: JournalName): KeptResults {
  const forage = openStorage(`results_${journal}`)
  return {
    async last(name) {
      const raw: unknown = await forage.getItem(name).catch(() => null)
      return isKept(raw) ? raw : null
    },
    async keep(name, result) {
      await forage.setItem(name, result).catch(() => null)
    },
  }
}

/** For tests, and where nothing should be kept. */
export const noResults: KeptResults = { last: () => Promise.resolve(null), keep: () => Promise.resolve() }
