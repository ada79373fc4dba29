import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { ChargeFacts } from '#core/evidence/facts.ts'
import { ovenVapourPressurePa } from '#core/renewal/after-heating.ts'
import { secondsFromMs } from '#units/time.ts'
import type { BeadColour } from './kinds/charge.ts'
import { roomAirAt } from './room-air.ts'
import type { ChargeRecord, State } from './state.ts'

type Weighing = ChargeRecord['weighings'][number]

/** Water a weighing found: gross less holder less dry beads. */
export const weighedWaterG = (charge: ChargeRecord, weighing: Weighing): number =>
  weighing.grossG - weighing.tareG - charge.dryMassG

/** One standard deviation: the scale twice (gross and tare), and what the dry mass is not known to. */
export const weighedSigmaG = (charge: ChargeRecord, weighing: Weighing): number =>
  Math.hypot(
    Math.SQRT2 * weighing.scaleErrorG,
    0.5,
    charge.massKnown === 'measured' ? 0 : 0.03 * charge.dryMassG,
  )

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
    ...(weighed ? { leftWaterG: Math.max(0, weighedWaterG(charge, weighed)) } : {}),
  }
}

/** Loading a colour stands for, and how loosely: the change spans about 10–20 %; common practice. */
const COLOUR_LOADING: Readonly<Record<BeadColour, { loadingGPerG: number; sigmaGPerG: number }>> = {
  orange: { loadingGPerG: 0.05, sigmaGPerG: 0.04 },
  amber: { loadingGPerG: 0.12, sigmaGPerG: 0.035 },
  olive: { loadingGPerG: 0.17, sigmaGPerG: 0.04 },
  'near black': { loadingGPerG: 0.25, sigmaGPerG: 0.06 },
  blue: { loadingGPerG: 0.05, sigmaGPerG: 0.04 },
  violet: { loadingGPerG: 0.15, sigmaGPerG: 0.045 },
  pink: { loadingGPerG: 0.25, sigmaGPerG: 0.06 },
}
/** Where both exist the scale wins: a colour this near a weighing says nothing more. */
const NEAR_A_WEIGHING_MS = 7 * 24 * HOUR_MS

/** Colours seen, as loose weighings. */
export function colourFacts(charge: ChargeRecord): ChargeFacts['weighings'] {
  const most = DESICCANTS[charge.desiccant].sorbent.mostGPerG
  return charge.looks
    .filter(look => charge.weighings.every(item => Math.abs(item.atMs - look.atMs) > NEAR_A_WEIGHING_MS))
    .map(look => {
      const { loadingGPerG, sigmaGPerG } = COLOUR_LOADING[look.colour]
      return {
        id: look.id,
        atS: secondsFromMs(look.atMs),
        waterG: Math.min(loadingGPerG, most) * charge.dryMassG,
        sigmaG: sigmaGPerG * charge.dryMassG,
      }
    })
}
