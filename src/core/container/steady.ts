import type { LitresPerHour, PercentRh } from '#units/quantity.ts'

/**
 * Steady RH of the air between a leak and a charge: RH_eq + (RH_room − RH_eq)·G_leak/(G_leak + G_holder).
 * With a leaky lid more beads do not help; a better seal or a more open holder does.
 * @param leakLPerH everything that lets room air in, together
 */
export const steadyRhPercent = (air: {
  chargeRhPercent: PercentRh
  roomRhPercent: PercentRh
  leakLPerH: LitresPerHour
  holderLPerH: LitresPerHour
}): PercentRh =>
  air.chargeRhPercent +
  ((air.roomRhPercent - air.chargeRhPercent) * air.leakLPerH) / (air.leakLPerH + air.holderLPerH)

/** The charge's own RH at which the air stands at the target; below 0 where the target can't be reached at all. */
export function chargeRhAtTargetPercent(air: {
  targetRhPercent: PercentRh
  roomRhPercent: PercentRh
  leakLPerH: LitresPerHour
  holderLPerH: LitresPerHour
}): PercentRh {
  const share = air.leakLPerH / (air.leakLPerH + air.holderLPerH)
  return (air.targetRhPercent - air.roomRhPercent * share) / (1 - share)
}

/** The greatest leak, L/h, with which a charge of this RH still holds the target; 0 where none would. */
export function greatestLeakLPerH(air: {
  targetRhPercent: PercentRh
  chargeRhPercent: PercentRh
  roomRhPercent: PercentRh
  holderLPerH: LitresPerHour
}): LitresPerHour {
  const above = air.targetRhPercent - air.chargeRhPercent
  if (above <= 0) return 0
  return (air.holderLPerH * above) / Math.max(air.roomRhPercent - air.targetRhPercent, 1e-9)
}
