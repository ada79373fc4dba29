import type { Stay } from './state.ts'

export const stayIn = (stays: readonly Stay[], boxId: string): Stay[] =>
  stays.filter(stay => stay.boxId === boxId)

export const isDuring = (stay: Stay, atMs: number): boolean =>
  stay.fromMs <= atMs && (stay.untilMs === null || atMs < stay.untilMs)

/** Ends the stay that is open; moves name only where to, so nothing can be in two places. */
export function endStay(stays: { untilMs: number | null }[], atMs: number): void {
  const last = stays.at(-1)
  if (last && last.untilMs === null) last.untilMs = atMs
}
