import { CONTAINERS, insideVolumeL } from '#core/container/container.ts'
import { wallAreaM2, wallConductanceLPerH } from '#core/container/wall.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import type { SealSetting } from '#core/build/seal-test.ts'
import { baseShareOf } from '#journal/base-share.ts'
import { instrumentFor } from '#journal/instruments.ts'
import { roomAirAt } from '#journal/room-air.ts'
import { finestStepG } from '#journal/scales.ts'
import type { BoxRecord, State } from '#journal/state.ts'

/** What a seal test of this box is done with: its room's air now, its walls, the scale and the display of Kit. */
export function sealSettingOf(state: State, box: BoxRecord, nowMs: number): SealSetting | null {
  const room = state.rooms.get(box.roomId)
  if (!room) return null
  const air = roomAirAt(state, room, nowMs)
  const container = CONTAINERS[box.container]
  const size = { widthMm: box.widthMm, depthMm: box.depthMm, heightMm: box.heightMm }
  const wall = box.wall ?? container.wall
  return {
    room: {
      temperatureC: air.temperatureC,
      relativeHumidityPercent: air.relativeHumidityPercent,
    },
    freeAirL: insideVolumeL(container.section, size, baseShareOf(box)),
    wall,
    wallLPerH: wallConductanceLPerH(
      wall,
      wallAreaM2(size, baseShareOf(box)),
      box.wallThicknessMm ?? container.wallThicknessMm,
      air.temperatureC,
    ),
    scaleStepG: finestStepG(state),
    displayWithinPercent:
      instrumentFor(state, box.boxId)?.accuracyPercentRh ?? USUAL_HYGROMETER.accuracyPercentRh,
  }
}
