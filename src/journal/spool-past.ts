import type { PastAir } from '#core/evidence/wetness.ts'
import { secondsFromMs } from '#units/time.ts'
import { readingsOf } from './readings-of.ts'
import { roomAirAt } from './room-air.ts'
import type { Sojourn, SpoolRecord, State } from './state.ts'

/** Shorter than this, a sojourn leaves no trace worth reckoning. */
const LEAST_MS = 3_600_000
/** How far a room's air, or a box's read by a display, may lie from what is said of it, % RH. */
const ROOM_ERROR = 5
const DRIEST_BOX_PERCENT = 5

/**
 * The air a spool has been in from one time to another. Sealed in a bag it keeps what it has.
 * @param roomId of the air outside boxes
 */
export function spoolPast(
  state: State,
  spool: SpoolRecord,
  fromMs: number,
  toMs: number,
  roomId: string,
): PastAir[] {
  return spool.whereabouts.flatMap(sojourn => {
    const startMs = Math.max(sojourn.fromMs, fromMs)
    const endMs = Math.min(sojourn.untilMs ?? toMs, toMs)
    if (endMs - startMs < LEAST_MS || sojourn.where.at === 'bag' || sojourn.where.at === 'used up') return []
    const air = airOf(state, sojourn, startMs, endMs, roomId)
    return air ? [{ forS: secondsFromMs(endMs - startMs), ...air }] : []
  })
}

function airOf(
  state: State,
  { where }: Sojourn,
  startMs: number,
  endMs: number,
  roomId: string,
): Omit<PastAir, 'forS'> | null {
  const box = where.at === 'box' ? state.boxes.get(where.boxId) : undefined
  const room = state.rooms.get(box?.roomId ?? roomId)
  if (!room) return null
  const { temperatureC, relativeHumidityPercent } = roomAirAt(state, room, (startMs + endMs) / 2)
  if (!box)
    return {
      temperatureC,
      lowRhPercent: Math.max(relativeHumidityPercent - ROOM_ERROR, 0),
      highRhPercent: Math.min(relativeHumidityPercent + ROOM_ERROR, 100),
    }
  const read = readingsOf(state, { in: 'box', boxId: box.boxId })
    .filter(({ atMs }) => atMs >= startMs && atMs <= endMs)
    .map(reading => reading.relativeHumidityPercent)
  return {
    temperatureC,
    // a box nobody read may have been anything between dry beads and the room
    lowRhPercent: read.length > 0 ? Math.max(Math.min(...read) - ROOM_ERROR, 0) : DRIEST_BOX_PERCENT,
    highRhPercent: read.length > 0 ? Math.min(Math.max(...read) + ROOM_ERROR, 100) : relativeHumidityPercent,
  }
}
