import type { Celsius, PercentRh } from '#units/quantity.ts'
import { heatedRhPercent, type IntakeAir } from '../ask/heated-air.ts'
import type { Ranged } from './telling.ts'

/** How a dryer lets its air go: changed with the room's, shut in, or shut in with beads. */
export type DryingAir = 'vented' | 'closed' | 'with beads'

/** How far a room's air may lie from what is said of it, % RH. */
const ROOM_ERROR = 5
/** What warm beads hold the air of a shut dryer to: hot ones give up what they took, so this is wide; common practice. */
const OVER_WARM_BEADS: Ranged = { low: 2, middle: 8, high: 20 }

/**
 * RH about a spool in a dryer; null where it is shut in without beads: that only warms it.
 * @param intake air of the room the dryer stands in @param heatedC measured, at the spool
 */
export function dryerRhPercent(air: DryingAir, intake: IntakeAir, heatedC: Celsius): Ranged | null {
  if (air === 'closed') return null
  if (air === 'with beads') return OVER_WARM_BEADS
  const at = (relativeHumidityPercent: PercentRh) =>
    heatedRhPercent({ ...intake, relativeHumidityPercent }, heatedC)
  const { relativeHumidityPercent: rh } = intake
  return { low: at(Math.max(rh - ROOM_ERROR, 0)), middle: at(rh), high: at(Math.min(rh + ROOM_ERROR, 100)) }
}
