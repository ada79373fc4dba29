import type { RoomAir } from '#core/evidence/wetness.ts'
import type { Room } from '#records/kinds/room.ts'
import { roomAirAt } from './room-air.ts'
import type { State } from './state.ts'

/** Where no room was told: neither dry nor damp. */
const USUAL_AIR: RoomAir = { relativeHumidityPercent: 55, temperatureC: 20 }
export const roomAirOrUsual = (state: State, room: Room | undefined, atMs: number): RoomAir =>
  room ? roomAirAt(state, room, atMs) : USUAL_AIR
