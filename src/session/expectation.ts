import type { BoxReport } from '#core/estimate/report.ts'
import type { Expectation } from '#core/reading/slips.ts'
import type { Instrument } from '#records/kinds/instrument.ts'
import { roomAirAt } from '#journal/room-air.ts'
import type { ReadingRecord, State } from '#journal/state.ts'
import { displayErrorAt, shownRh } from '#journal/true-readings.ts'
import { shownPercent } from '#core/reading/display-check.ts'

/** Where something is read: a room's air, or a box. */
export interface ReadingPlace {
  readonly in: 'room' | 'box'
  readonly id: string
}

export const isOf = (step: ReadingPlace, { place }: Pick<ReadingRecord, 'place'>): boolean =>
  place.in === 'box'
    ? step.in === 'box' && place.boxId === step.id
    : step.in === 'room' && place.roomId === step.id

/** The last reading at a place from before a time. */
export const lastBefore = (state: State, step: ReadingPlace, beforeMs: number): ReadingRecord | null =>
  state.readings.filter(reading => reading.atMs < beforeMs && isOf(step, reading)).at(-1) ?? null

/** A room's air may stand this far from its usual for the month, % RH. */
const ROOM_WIDTH_RH = 15
const UNRECKONED_WIDTH_RH = 8
/** Places of the 5, 50 and 95 % points among the twentieths. */
const POINTS = { low: 0, middle: 9, high: 18 }

/** What the display is likely to show at a stop. */
export function expectationAt(
  state: State,
  step: ReadingPlace,
  at: {
    readonly atMs: number
    readonly report: BoxReport | undefined
    readonly nearC: readonly number[]
    readonly instrument: Instrument | null
  },
): Expectation {
  const last = lastBefore(state, step, at.atMs)
  return {
    nearC: at.nearC,
    accuracyPercentRh: at.instrument?.accuracyPercentRh ?? 5,
    lastRhPercent: last && shownRh(last),
    rhPercent: rangeAs(
      shownBy(state, at.instrument, at.atMs),
      step.in === 'box' ? (ofBox(at.report) ?? aboutAsLast(last)) : ofRoom(state, step.id, at.atMs),
    ),
  }
}

/** What a display will show of an air: as it is, or as far off as its checks say. */
export function shownBy(
  state: State,
  instrument: Instrument | null,
  atMs: number,
): (rhPercent: number) => number {
  const error = instrument && displayErrorAt(state)(instrument.instrumentId, atMs)
  return rhPercent => (error ? shownPercent(rhPercent, error) : rhPercent)
}

const rangeAs = (
  shown: (rhPercent: number) => number,
  range: Expectation['rhPercent'],
): Expectation['rhPercent'] =>
  range && { low: shown(range.low), middle: shown(range.middle), high: shown(range.high) }

/** While nothing is reckoned: about what it showed last. */
const aboutAsLast = (last: ReadingRecord | null): Expectation['rhPercent'] =>
  last && {
    low: Math.max(0, last.relativeHumidityPercent - UNRECKONED_WIDTH_RH),
    middle: last.relativeHumidityPercent,
    high: Math.min(100, last.relativeHumidityPercent + UNRECKONED_WIDTH_RH),
  }

function ofBox(report: BoxReport | undefined): Expectation['rhPercent'] {
  const points = report?.expectedRhPercent
  if (!points || points.length <= POINTS.high) return null
  return { low: points[POINTS.low]!, middle: points[POINTS.middle]!, high: points[POINTS.high]! }
}

function ofRoom(state: State, roomId: string, atMs: number): Expectation['rhPercent'] {
  const room = state.rooms.get(roomId)
  if (!room) return null
  const middle = roomAirAt(state, room, atMs).relativeHumidityPercent
  return {
    low: Math.max(5, middle - ROOM_WIDTH_RH),
    middle,
    high: Math.min(100, middle + ROOM_WIDTH_RH),
  }
}

/** Where a place stood: for a box the room of this hour first, then its own last; for a room its own last. */
export function nearTemperatures(state: State, step: ReadingPlace, beforeMs: number): number[] {
  const roomId = step.in === 'room' ? step.id : state.boxes.get(step.id)?.roomId
  const room =
    roomId === undefined || step.in === 'room'
      ? null
      : lastBefore(state, { ...step, in: 'room', id: roomId }, beforeMs + 1)
  const own = lastBefore(state, step, beforeMs)
  return [room, own].filter(reading => reading !== null).map(reading => reading.temperatureC)
}
