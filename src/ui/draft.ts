import { useEffect } from 'react'
import * as v from 'valibot'

/**
 * What is typed and not yet kept outlives a reload, in this tab alone and for so long: after that it may no longer be meant.
 * A browser that refuses keeps none.
 */
const kept = v.object({ atMs: v.pipe(v.number(), v.finite()), typed: v.unknown() })
const MOST_LETTERS = 10_000
/** A field as a draft may hold it. */
export const typedText = v.pipe(v.string(), v.maxLength(40))
/** A reading that is older is no longer what the display shows. */
export const READING_LASTS_MS = 15 * 60_000

const storage = (): Storage | null => {
  try {
    return window.sessionStorage
  } catch {
    return null
  }
}

export function readDraft<Typed>(
  key: string,
  schema: v.GenericSchema<unknown, Typed>,
  { nowMs, mostAgeMs }: { readonly nowMs: number; readonly mostAgeMs: number },
): Typed | null {
  try {
    const raw = storage()?.getItem(`veld draft ${key}`) ?? ''
    if (raw === '' || raw.length > MOST_LETTERS) return null
    const { atMs, typed } = v.parse(kept, JSON.parse(raw))
    // a clock may have been set back a little
    return Math.abs(nowMs - atMs) <= mostAgeMs ? v.parse(schema, typed) : null
  } catch {
    return null
  }
}

export function dropDraft(key: string): void {
  try {
    storage()?.removeItem(`veld draft ${key}`)
  } catch {
    // nothing was kept there
  }
}

/** Keeps what is typed as it is typed; null: nothing is typed yet. @param typed the same object as long as it is the same */
export function useDraft(key: string, typed: object | null, nowMs: () => number): void {
  useEffect(() => {
    if (typed === null) return
    try {
      storage()?.setItem(`veld draft ${key}`, JSON.stringify({ atMs: nowMs(), typed }))
    } catch {
      // full, or refused: what is typed is still on the page
    }
  }, [key, typed, nowMs])
}
