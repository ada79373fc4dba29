import type { RoomAir } from '#core/evidence/wetness.ts'
import { CLIMATES, profileAt, type MonthlyProfile } from '#core/room/climate.ts'
import { secondsFromMs } from '#units/time.ts'
import type { Room } from '#records/kinds/room.ts'
import { readingsOf } from './readings-of.ts'
import type { State } from './state.ts'

export const profileOf = (room: Room): MonthlyProfile =>
  room.climate.kind === 'own' ? room.climate : CLIMATES[room.climate.kind].profile

/** The room's air at a time: its reading of within three days, else its usual climate. */
export function roomAirAt(state: State, room: Room, atMs: number): RoomAir & { readonly measured: boolean } {
  const near = readingsOf(state, { in: 'room', roomId: room.roomId })
    .filter(reading => Math.abs(reading.atMs - atMs) < 3 * 86_400_000)
    .sort((a, b) => Math.abs(a.atMs - atMs) - Math.abs(b.atMs - atMs))[0]
  // of a reading only its air: facts that held its id would be other facts whenever the same is entered again
  const { temperatureC, relativeHumidityPercent } = near ?? profileAt(profileOf(room), secondsFromMs(atMs))
  return { temperatureC, relativeHumidityPercent, measured: near !== undefined }
}
