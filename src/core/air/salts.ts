import type { Celsius, PercentRh } from '#units/quantity.ts'

/** A salt that stands as a slurry with its own air: what that air then holds is known to a fraction of a per cent. */
export type SaltId =
  | 'lithium chloride'
  | 'magnesium chloride'
  | 'potassium carbonate'
  | 'sodium bromide'
  | 'table salt'
  | 'potassium chloride'
  | 'potassium sulfate'

interface Salt {
  readonly name: string
  readonly formula: string
  /** % RH at 0, 5, … 35 °C; null where the paper has none. */
  readonly rhPercent: readonly (PercentRh | null)[]
  /** ± as the paper has it near 25 °C. */
  readonly errorRhPercent: PercentRh
}

/**
 * Relative humidity over saturated salt solutions. Source: L. Greenspan, Humidity Fixed Points of Binary Saturated
 * Aqueous Solutions, J. Res. NBS 81A (1977) 89, table 2; at 25 °C and for table salt at 15, 20 and 30 °C as published,
 * the other temperatures from memory.
 */
export const SALTS: Readonly<Record<SaltId, Salt>> = {
  'lithium chloride': {
    name: 'lithium chloride',
    formula: 'LiCl',
    rhPercent: [11.23, 11.26, 11.29, 11.3, 11.31, 11.3, 11.28, 11.25],
    errorRhPercent: 0.3,
  },
  'magnesium chloride': {
    name: 'magnesium chloride',
    formula: 'MgCl₂',
    rhPercent: [33.66, 33.6, 33.47, 33.3, 33.07, 32.78, 32.44, 32.05],
    errorRhPercent: 0.2,
  },
  'potassium carbonate': {
    name: 'potassium carbonate',
    formula: 'K₂CO₃',
    rhPercent: [43.13, 43.13, 43.14, 43.15, 43.16, 43.16, 43.17, null],
    errorRhPercent: 0.4,
  },
  'sodium bromide': {
    name: 'sodium bromide',
    formula: 'NaBr',
    rhPercent: [null, 63.51, 62.15, 60.68, 59.14, 57.57, 56.03, 54.55],
    errorRhPercent: 0.4,
  },
  'table salt': {
    name: 'table salt',
    formula: 'NaCl',
    rhPercent: [75.51, 75.65, 75.67, 75.61, 75.47, 75.29, 75.09, 74.87],
    errorRhPercent: 0.2,
  },
  'potassium chloride': {
    name: 'potassium chloride',
    formula: 'KCl',
    rhPercent: [88.61, 87.67, 86.77, 85.92, 85.11, 84.34, 83.62, 82.95],
    errorRhPercent: 0.3,
  },
  'potassium sulfate': {
    name: 'potassium sulfate',
    formula: 'K₂SO₄',
    rhPercent: [98.77, 98.48, 98.18, 97.89, 97.59, 97.3, 97, 96.71],
    errorRhPercent: 0.5,
  },
}

const STEP_C = 5

/**
 * % RH of the air over a saturated salt, between the table's points in a straight line.
 * @returns null where the table does not reach: from 5 to 30 °C it always does
 */
export function saltRhPercent(salt: SaltId, temperatureC: Celsius): PercentRh | null {
  const points = SALTS[salt].rhPercent
  const at = Math.floor(temperatureC / STEP_C)
  const share = temperatureC / STEP_C - at
  const low = points[at]
  const high = share === 0 ? low : points[at + 1]
  if (typeof low !== 'number' || typeof high !== 'number') return null
  return low + (high - low) * share
}

/** By its formula, without subscripts: NaCl, MgCl2. @throws for a salt that is not here */
export function saltOf(formula: string): SaltId {
  const found = (Object.keys(SALTS) as SaltId[]).find(
    salt => SALTS[salt].formula.normalize('NFKD') === formula,
  )
  if (!found) throw new Error(`No salt is ${formula}.`)
  return found
}
