import { createContext, use } from 'react'
import type { Maker } from '#records/act.ts'
import type { JournalStore } from '#store/journal-store.ts'
import type { Preferences } from '#store/preferences.ts'
import type { PhotoStore } from '#store/photos.ts'
import type { KeptResults } from '#store/kept-results.ts'
import type { Estimator } from '#workers/protocol.ts'
import type { FileReading } from '#workers/file-protocol.ts'

/** What a place is given: which journal, the time, ids, the heavy side. All of it injected, none reached for. */
export interface JournalTools {
  readonly store: JournalStore
  readonly maker: Maker
  readonly estimator: Estimator
  /** What was worked out before, by the box; and a fingerprint of the science it was worked out with. */
  readonly results: KeptResults
  readonly photos: PhotoStore
  readonly fileReading: FileReading
  readonly scienceVersion: string
  /** Start of every address in this journal: '' or '/demo'. */
  readonly base: string
}
export const JournalContext = createContext<JournalTools | null>(null)

export function useJournalTools(): JournalTools {
  const tools = use(JournalContext)
  if (!tools) throw new Error('A place stands inside a journal.')
  return tools
}

export interface PreferenceTools {
  readonly preferences: Preferences
  readonly change: (part: Partial<Preferences>) => void
  readonly dark: boolean
  /** Why the browser did not keep what was last chosen: it lasts until the page is closed. */
  readonly refusal: string | null
}
export const PreferenceContext = createContext<PreferenceTools | null>(null)

export function usePreferences(): PreferenceTools {
  const tools = use(PreferenceContext)
  if (!tools) throw new Error('Preferences are given by the app.')
  return tools
}
