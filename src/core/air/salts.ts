import type { Celsius, PercentRh } from '#units/quantity.ts'

/** A saturated salt solution holds the air over it at a humidity of its own: the cheapest way to check a hygrometer. */
export interface Salt {
  readonly id: string
  readonly name: string
  /** °C and % RH, in order of temperature. */
  readonly points: readonly (readonly [Celsius, PercentRh])[]
}

/** Greenspan 1977, J. Res. NBS 81A, 89: fixed points. */
export const SALTS: readonly Salt[] = [
  { id: 'LiCl', name: 'lithium chloride', points: [[25, 11.3]] },
  { id: 'MgCl2', name: 'magnesium chloride', points: [[25, 32.78]] },
  { id: 'K2CO3', name: 'potassium carbonate', points: [[25, 43.16]] },
  { id: 'NaBr', name: 'sodium bromide', points: [[25, 57.57]] },
  {
    id: 'NaCl',
    name: 'table salt',
    points: [
      [15, 75.61],
      [20, 75.47],
      [25, 75.29],
      [30, 75.09],
    ],
  },
  { id: 'KCl', name: 'potassium chloride', points: [[25, 84.34]] },
  { id: 'K2SO4', name: 'potassium sulfate', points: [[25, 97.3]] },
]

/** RH over a saturated solution; straight between its points, NaN outside them. */
export function saltRhPercent(salt: Salt, temperatureC: Celsius): PercentRh {
  const { points } = salt
  for (let i = 0; i < points.length; i++) {
    const [atC, rh] = points[i]!
    if (temperatureC === atC) return rh
    const next = points[i + 1]
    if (next && temperatureC > atC && temperatureC < next[0])
      return rh + ((next[1] - rh) * (temperatureC - atC)) / (next[0] - atC)
  }
  return Number.NaN
}
