import type { Celsius, LitresPerHour, Millimetres } from '#units/quantity.ts'
import { lawFactor, type ConductanceLaw } from '../network/law.ts'
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

/** How permeability falls with temperature, kJ/mol; the rest hardly changes. Typical, from memory. */
const WALL_ACTIVATION_KJ_PER_MOL: Partial<Record<WallMaterial, number>> = {
  PP: 42,
  HDPE: 33,
  LDPE: 33,
  PVC: 23,
}
const STATED_C = 38

/** The law a wall's conductance follows, from 38 °C, where permeabilities are stated. */
export const wallLaw = (wall: WallMaterial): ConductanceLaw => ({
  kind: 'arrhenius',
  activationKJPerMol: WALL_ACTIVATION_KJ_PER_MOL[wall] ?? 0,
  referenceC: STATED_C,
})

/** Share of the stated permeability that is left at a temperature: exp[−(E/R)(1/T − 1/311.15)]. */
export const wallTemperatureFactor = (wall: WallMaterial, temperatureC: Celsius): number =>
  lawFactor(wallLaw(wall))(temperatureC)

/** Films of bags, g·mm/(m²·day) as above, and their usual thickness, mm; typical, from memory. */
export const FILMS = {
  'zip bag': { permeability: WALLS.LDPE, thicknessMm: 0.06 },
  'vacuum bag': { permeability: 0.35, thicknessMm: 0.09 },
  'aluminium-lined bag': { permeability: 0.002, thicknessMm: 0.1 },
} as const

/** Vapour density of air at 38 °C / 90 % RH, g/L: the drive under which wall permeabilities are stated. */
const STATED_DRIVE_G_PER_L = 0.0416
const HOURS_PER_DAY = 24

/**
 * Walls as a conductance: G = P·A/d/24/0.0416, carried to a temperature by the wall's own law.
 * @param areaM2 0.01–10
 * @param thicknessMm 0.02–50
 * @returns L/h of air whose vapour passes
 */
export const wallConductanceLPerH = (
  wall: WallMaterial,
  areaM2: number,
  thicknessMm: Millimetres,
  temperatureC: Celsius = STATED_C,
): LitresPerHour =>
  (wallTemperatureFactor(wall, temperatureC) * WALLS[wall] * areaM2) /
  thicknessMm /
  HOURS_PER_DAY /
  STATED_DRIVE_G_PER_L
