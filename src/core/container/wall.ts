import type { LitresPerHour, Millimetres } from '#units/quantity.ts'
import type { ContainerSize } from './container.ts'

/** Inner surface of walls and lid, m². */
export function wallAreaM2(size: ContainerSize, baseShare: number): number {
  const middle = (1 + baseShare) / 2
  const { widthMm, depthMm, heightMm } = size
  const squareMm =
    2 * heightMm * middle * (widthMm + depthMm) + widthMm * depthMm * (1 + baseShare * baseShare)
  return squareMm / 1e6
}

/** Vapour permeability of walls at 38 °C / 90 % RH, g·mm/(m²·day); typical, from memory. */
export const WALLS = {
  HDPE: 0.15,
  PP: 0.3,
  LDPE: 0.5,
  PET: 0.8,
  PVC: 1,
  PMMA: 2,
  PS: 3,
  PC: 3.5,
  ABS: 3,
  'printed PLA': 8,
  'printed PETG': 1.5,
} as const
export type WallMaterial = keyof typeof WALLS

/** Vapour density of air at 38 °C / 90 % RH, g/L: the drive under which wall permeabilities are stated. */
const STATED_DRIVE_G_PER_L = 0.0416
const HOURS_PER_DAY = 24

/**
 * Walls as a conductance: G = P·A/d/24/0.0416. Taken at the stated 38 °C, so rather too leaky in a cool room.
 * @param areaM2 0.01–10
 * @param thicknessMm 0.02–50
 * @returns L/h of air whose vapour passes
 */
export const wallConductanceLPerH = (
  wall: WallMaterial,
  areaM2: number,
  thicknessMm: Millimetres,
): LitresPerHour => (WALLS[wall] * areaM2) / thicknessMm / HOURS_PER_DAY / STATED_DRIVE_G_PER_L
