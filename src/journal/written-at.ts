import type { Act } from '#records/act.ts'

const DAY_MS = 86_400_000
const YEAR_MS = 366 * DAY_MS

/**
 * Written more than a year from now: by a clock that was wrong then. Nearer than that it may as well be this clock that went
 * back, and what was written before it is believed.
 */
export const isAhead = ({ writtenAt }: Pick<Act, 'writtenAt'>, nowMs: number): boolean =>
  Date.parse(writtenAt) > nowMs + YEAR_MS

/** Acts written more than a day from now, and when the last of them was; null: none. Two devices may differ by minutes. */
export function writtenAhead(
  kept: readonly Act[],
  nowMs: number,
): { readonly count: number; readonly lastMs: number } | null {
  let count = 0
  let lastMs = nowMs + DAY_MS
  for (const { writtenAt } of kept) {
    const atMs = Date.parse(writtenAt)
    if (atMs <= nowMs + DAY_MS) continue
    count += 1
    lastMs = Math.max(lastMs, atMs)
  }
  return count === 0 ? null : { count, lastMs }
}

/** When anything was last written, by a clock that may be believed; −Infinity where nothing was. */
export const lastWrittenMs = (kept: readonly Act[], nowMs: number): number =>
  kept.reduce(
    (last, act) => (isAhead(act, nowMs) ? last : Math.max(last, Date.parse(act.writtenAt))),
    -Infinity,
  )

/**
 * The same act, written after every other that is kept: what is done later stands later, though the clock went back since. When
 * things happened is left as it is told.
 */
export function writtenAfter<T extends Pick<Act, 'writtenAt'>>(act: T, kept: readonly Act[]): T {
  const atMs = Date.parse(act.writtenAt)
  const last = lastWrittenMs(kept, atMs)
  return atMs > last ? act : { ...act, writtenAt: new Date(last + 1).toISOString() }
}
