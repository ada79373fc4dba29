import { greatest, least } from '#units/extremes.ts'
import type { PastAir } from '#core/evidence/wetness.ts'
import { dryerRhPercent } from '#core/spool/drying-air.ts'
import { secondsFromMs } from '#units/time.ts'
import { readingsOf } from './readings-of.ts'
import { roomAirAt } from './room-air.ts'
import { spoolLegs, type SpoolLeg } from './spool-legs.ts'
import type { SpoolRecord, State } from './state.ts'

/** Shorter than this, a sojourn leaves no trace worth reckoning. */
const LEAST_MS = 3_600_000
/** How far a room's air, or a box's read by a display, may lie from what is said of it, % RH. */
const ROOM_ERROR = 5
const DRIEST_BOX_PERCENT = 5

/**
 * The air a spool has been in from one time to another, a dryer's among it. Sealed in a bag it keeps what it has, and so
 * it does in a dryer that is shut.
 * @param roomId of the air outside boxes
 */
export function spoolPast(
  state: State,
  spool: SpoolRecord,
  fromMs: number,
  toMs: number,
  roomId: string,
): PastAir[] {
  return spoolLegs(spool, fromMs, toMs).flatMap(leg => {
    const { fromMs: startMs, untilMs: endMs } = leg
    if (leg.is !== 'heat' && endMs - startMs < LEAST_MS) return []
    const air = airOf(state, leg, roomId)
    return air ? [{ forS: secondsFromMs(endMs - startMs), ...air }] : []
  })
}

function airOf(state: State, leg: SpoolLeg, roomId: string): Omit<PastAir, 'forS'> | null {
  if (leg.is === 'bag' || leg.is === 'used up') return null
  const { fromMs: startMs, untilMs: endMs } = leg
  const box = leg.is === 'box' ? state.boxes.get(leg.boxId) : undefined
  const dryerRoomId = leg.is === 'heat' ? leg.drying.roomId : null
  const room = state.rooms.get(dryerRoomId ?? box?.roomId ?? roomId)
  if (!room) return null
  const roomAir = roomAirAt(state, room, (startMs + endMs) / 2)
  if (leg.is === 'heat') {
    const { temperatureC, air } = leg.drying
    const rhPercent = dryerRhPercent(air, roomAir, temperatureC)
    return rhPercent && { temperatureC, lowRhPercent: rhPercent.low, highRhPercent: rhPercent.high }
  }
  const { temperatureC, relativeHumidityPercent } = roomAir
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
    lowRhPercent: read.length > 0 ? Math.max(least(read) - ROOM_ERROR, 0) : DRIEST_BOX_PERCENT,
    highRhPercent: read.length > 0 ? Math.min(greatest(read) + ROOM_ERROR, 100) : relativeHumidityPercent,
  }
}
