import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { COLOUR_LOADING } from '#core/evidence/colour.ts'
import type { ChargeFacts } from '#core/evidence/facts.ts'
import { weighedWaterG } from '#core/evidence/weighing.ts'
import { ovenVapourPressurePa } from '#core/renewal/after-heating.ts'
import { secondsFromMs } from '#units/time.ts'
import { roomAirAt } from './room-air.ts'
import type { ChargeRecord, State } from './state.ts'

const HOUR_MS = 3_600_000
/** Beads weighed this soon after heat are the weighing of what the heat left. */
const WEIGHED_AFTER_HEAT_MS = 6 * HOUR_MS

/** A heating with the air its oven drew in, and the weight afterwards where there is one: the weight wins. */
export function heatingFacts(
  state: State,
  charge: ChargeRecord,
  heating: ChargeRecord['heatings'][number],
): ChargeFacts['heatings'][number] {
  const room = heating.roomId === null ? undefined : state.rooms.get(heating.roomId)
  const weighed = charge.weighings.find(
    item => item.atMs >= heating.atMs && item.atMs <= heating.atMs + WEIGHED_AFTER_HEAT_MS,
  )
  const air = room && vapourPressureOfRhPa(roomAirAt(state, room, heating.atMs))
  const ovenPa =
    air === undefined && heating.oven !== 'gas' ? null : ovenVapourPressurePa(air ?? 0, heating.oven)
  return {
    atS: secondsFromMs(heating.atMs),
    temperatureC: heating.temperatureC,
    ...(ovenPa === null ? {} : { airVapourPressurePa: ovenPa }),
    ...(weighed ? { leftWaterG: weighedWaterG(charge.dryMassG, weighed) } : {}),
  }
}

/** Where both exist the scale wins: a colour this near a weighing says nothing more. */
const NEAR_A_WEIGHING_MS = 7 * 24 * HOUR_MS

/** Colours seen, but where the scale has spoken. */
export const colourFacts = (charge: ChargeRecord): ChargeFacts['looks'] =>
  charge.looks
    .filter(look => charge.weighings.every(item => Math.abs(item.atMs - look.atMs) > NEAR_A_WEIGHING_MS))
    .map(look => ({ atS: secondsFromMs(look.atMs), ...COLOUR_LOADING[look.colour] }))

/** Heatings up to a time, those hotter than the kind stands apart. */
export function cyclesOf(charge: ChargeRecord, untilMs: number): ChargeFacts['cycles'] {
  const { neverAboveC } = DESICCANTS[charge.desiccant]
  const done = charge.heatings.filter(heating => heating.atMs <= untilMs)
  const overheated = done.filter(heating => (heating.temperatureC ?? 0) > neverAboveC).length
  return { usual: done.length - overheated, overheated }
}
