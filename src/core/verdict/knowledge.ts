import type { Seconds } from '#units/quantity.ts'
import { daysFromSeconds } from '#units/time.ts'

/** Seen n whole days ago, or only reckoned. */
export type KnowledgeWord =
  | { readonly word: 'seen'; readonly daysAgo: number }
  | { readonly word: 'reckoned' }

/** A reading older than this no longer counts as seen. */
const SEEN_FOR_DAYS = 21

export function knowledgeWord(lastReadS: Seconds | null, nowS: Seconds): KnowledgeWord {
  if (lastReadS === null) return { word: 'reckoned' }
  const daysAgo = Math.floor(daysFromSeconds(nowS - lastReadS))
  return daysAgo > SEEN_FOR_DAYS ? { word: 'reckoned' } : { word: 'seen', daysAgo }
}
