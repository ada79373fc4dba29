import { least } from '#units/extremes.ts'
import type { Act } from '#records/act.ts'
import type { State } from './state.ts'
import { boxView, type JudgedReading } from './box-view.ts'
import { stayIn } from './stays.ts'

const DAY_MS = 86_400_000
/** Dates of one box given within so long of each other are one date that was looked at twice. */
const APART_MS = 14 * DAY_MS

/** The acts as they were kept at a time: what was written later was not known. */
export const actsKnownAt = (kept: readonly Act[], atMs: number): Act[] =>
  kept.filter(act => Date.parse(act.writtenAt) <= atMs)

/** When a box was given a date that is worth holding against what came: as it was read, a fortnight apart. */
export function momentsOf(kept: readonly Act[], boxId: string): number[] {
  const moments: number[] = []
  const written = kept
    .filter(act =>
      act.entries.some(
        ({ kind, payload }) =>
          kind === 'reading.taken' &&
          'place' in payload &&
          payload.place.in === 'box' &&
          payload.place.boxId === boxId,
      ),
    )
    .map(act => Date.parse(act.writtenAt))
    .sort((a, b) => a - b)
  for (const ms of written) if (moments.length === 0 || ms - moments.at(-1)! >= APART_MS) moments.push(ms)
  return moments
}

/** A date as it was given: between these, eight times in ten; null: not within a year. */
export interface GivenDate {
  readonly boxId: string
  readonly givenMs: number
  readonly targetRhPercent: number
  readonly lowMs: number
  readonly middleMs: number
  readonly highMs: number | null
}

/** What came of it, by the readings that followed. */
export type WhatCame =
  /** The display passed the target between these readings. */
  | { readonly is: 'left'; readonly afterMs: number; readonly byMs: number }
  /** It still held when it was renewed, when something else came in, or when it was last read. */
  | { readonly is: 'held'; readonly untilMs: number }

/**
 * What came of a box's target after a time: by the settled readings as they are known now, up to its next renewal,
 * another spool or lid. It is left where two readings in a row stand over it, or the last one that there is surely does.
 */
export function whatCame(
  state: State,
  given: Pick<GivenDate, 'boxId' | 'givenMs' | 'targetRhPercent'>,
  nowMs: number,
): WhatCame | null {
  const view = boxView(state, given.boxId, nowMs)
  if (!view) return null
  const endMs = endOf(state, given, nowMs)
  const after = view.readings.filter(
    reading => reading.settled && reading.atMs > given.givenMs && reading.atMs < endMs,
  )
  const isOver = (reading: JudgedReading | undefined) =>
    reading !== undefined && reading.relativeHumidityPercent > given.targetRhPercent
  const surely = (reading: JudgedReading) =>
    reading.relativeHumidityPercent > given.targetRhPercent + view.hygrometer.accuracyPercentRh / 2
  const i = after.findIndex(
    (reading, n) => isOver(reading) && (isOver(after[n + 1]) || (n === after.length - 1 && surely(reading))),
  )
  if (i < 0) return { is: 'held', untilMs: after.at(-1)?.atMs ?? given.givenMs }
  return { is: 'left', afterMs: after[i - 1]?.atMs ?? given.givenMs, byMs: after[i]!.atMs }
}

/** When the box's beads or lid were next seen to, a spool came in, or its strictest target became another. */
function endOf(
  state: State,
  { boxId, givenMs, targetRhPercent }: Pick<GivenDate, 'boxId' | 'givenMs' | 'targetRhPercent'>,
  nowMs: number,
): number {
  const times: number[] = [nowMs + 1]
  for (const charge of state.charges.values()) {
    const stays = stayIn(charge.stays, boxId)
    for (const stay of stays) {
      times.push(stay.fromMs, stay.untilMs ?? Infinity)
      for (const { atMs } of charge.heatings)
        if (atMs >= stay.fromMs && (stay.untilMs === null || atMs <= stay.untilMs)) times.push(atMs)
    }
  }
  const spools = [...state.spools.values()].flatMap(spool =>
    stayIn(spool.stays, boxId).map(stay => ({
      ...stay,
      rhPercent: state.materials[spool.material].targetRhPercent,
    })),
  )
  const strictest = (atMs: number) =>
    least(
      spools
        .filter(one => one.fromMs <= atMs && (one.untilMs === null || one.untilMs > atMs))
        .map(one => one.rhPercent),
    )
  for (const { fromMs, untilMs } of spools) {
    // what comes in brings water that the date knew nothing of
    times.push(fromMs)
    if (untilMs !== null && strictest(untilMs) !== targetRhPercent) times.push(untilMs)
  }
  for (const lid of state.boxes.get(boxId)?.lids ?? []) times.push(lid.fromMs)
  return least(times.filter(ms => ms > givenMs))
}

/** A range in whole days is right to half of one. */
const HALF_A_DAY_MS = DAY_MS / 2

/**
 * Whether it came within its range; earlier; later; or cannot be said: what is known of when it came, or how long it
 * held, fits more than one of these.
 */
export function scoreOf(
  { lowMs, highMs }: Pick<GivenDate, 'lowMs' | 'highMs'>,
  came: WhatCame,
): 'within' | 'early' | 'late' | 'open' {
  const low = lowMs - HALF_A_DAY_MS
  const high = highMs === null ? Infinity : highMs + HALF_A_DAY_MS
  if (came.is === 'held') return came.untilMs > high ? 'late' : 'open'
  if (came.byMs < low) return 'early'
  if (came.afterMs > high) return 'late'
  return 'within'
}
