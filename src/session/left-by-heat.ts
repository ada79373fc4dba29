import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { drying, type Drying } from '#core/renewal/drying-curve.ts'
import { afterHeating, MICROWAVED_G_PER_G, ovenVapourPressurePa } from '#core/renewal/after-heating.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import type { ChargeRecord, State } from '#journal/state.ts'
import type { HeatedCharge, SessionAt } from './heating.ts'

const MINUTE_MS = 60_000
/** Minutes differ by this before the scale has spoken. */
const WIDER = 1.7

/** What a session's heat leaves of water, of the dry mass: by the isotherm in the room's air of that day, or by practice. */
export function leftByHeat(
  state: State,
  { session }: Pick<SessionAt, 'session'>,
  charge: ChargeRecord,
): { readonly low: number; readonly high: number } {
  if (session.temperatureC === null) return MICROWAVED_G_PER_G
  const room = session.roomId === null ? undefined : state.rooms.get(session.roomId)
  const air = roomAirOrUsual(state, room, session.begunMs)
  const { lowGPerG, highGPerG } = afterHeating({
    desiccant: charge.desiccant,
    ovenPa: ovenVapourPressurePa(vapourPressureOfRhPa(air), session.oven),
    temperatureC: session.temperatureC,
    boxC: air.temperatureC,
  })
  return { low: lowGPerG, high: highGPerG }
}

/** Its weights while it is hot, as water still in it. */
export const hotWeights = ({ session }: SessionAt, one: HeatedCharge, inMs: number) =>
  session.weighings
    .filter(item => item.chargeId === one.charge.chargeId && item.batch === one.batch)
    .map(item => ({
      minutes: (item.atMs - inMs) / MINUTE_MS,
      waterG: Math.max(0, item.grossG - item.tareG - one.charge.dryMassG),
    }))

/** How one charge of a batch that is in dries; null where it was not weighed in. */
export function dryingOf(
  state: State,
  at: SessionAt,
  one: HeatedCharge,
  inMs: number,
  scaleStepG: number,
): Drying | null {
  if (one.inGrossG === null) return null
  const { charge } = one
  const { minutes } = at.batches[one.batch]!
  const left = leftByHeat(state, at, charge)
  const startG = Math.max(0, one.inGrossG - one.inTareG - charge.dryMassG)
  const most = (share: number) => Math.min(share * charge.dryMassG, startG)
  return drying({
    startG,
    leftG: { low: most(left.low), middle: most((left.low + left.high) / 2), high: most(left.high) },
    minutes: { low: minutes / WIDER, middle: minutes, high: minutes * WIDER },
    dryMassG: charge.dryMassG,
    scaleStepG,
    weights: hotWeights(at, one, inMs),
  })
}
