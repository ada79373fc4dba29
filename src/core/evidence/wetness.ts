import type { Celsius, PercentRh, Seconds } from '#units/quantity.ts'

/** Plain answers to "how dry is the spool?". */
export type Wetness = 'dried today' | 'sealed bag' | 'weeks in the room' | 'unknown'

/** Air as a room has it. */
export interface RoomAir {
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
}

/** What an answer leaves open: an RH the spool is in balance with, or a drying with its own heat in this room's air. */
export type WetnessTold =
  | { readonly kind: 'between'; readonly lowRhPercent: PercentRh; readonly highRhPercent: PercentRh }
  | { readonly kind: 'dried'; readonly intake: RoomAir }

/** Air a spool has been in since its wetness was told, between two humidities; sealed away is no air. */
export interface PastAir {
  readonly forS: Seconds
  readonly temperatureC: Celsius
  readonly lowRhPercent: PercentRh
  readonly highRhPercent: PercentRh
}

/** How damp a spool was when it came in, as far as it is known. */
export interface SpoolWetness {
  readonly told: WetnessTold
  /** Spools of one group are as damp as each other within what is left open. */
  readonly group: string
  /** In order of time, up to when it came in. */
  readonly past: readonly PastAir[]
}

/** No room is taken for drier than this, whatever its climate says. */
const DRIEST_ROOM_PERCENT = 20

/** What a plain answer leaves open; common practice. */
export function wetnessTold(wetness: Wetness, room: RoomAir): WetnessTold {
  const roomRhPercent = Math.max(room.relativeHumidityPercent, DRIEST_ROOM_PERCENT)
  const between = (lowRhPercent: PercentRh, highRhPercent: PercentRh): WetnessTold => ({
    kind: 'between',
    lowRhPercent,
    highRhPercent,
  })
  switch (wetness) {
    case 'dried today':
      return { kind: 'dried', intake: room }
    case 'sealed bag':
      return between(10, 35)
    case 'weeks in the room':
      return between(roomRhPercent - 10, roomRhPercent)
    case 'unknown':
      return between(10, roomRhPercent)
  }
}
