import type { Celsius } from '#units/quantity.ts'

/** Grid of the tables, °C: four neighbours then meet an exponential of the trade within 1e-7 of itself. */
const STEP_C = 0.5
const LOWEST_C = -60
const HIGHEST_C = 360
const POINTS = Math.round((HIGHEST_C - LOWEST_C) / STEP_C) + 1

type OfTemperature = (temperatureC: Celsius) => number

/** Tables filled as they are asked for, one a function, for as long as it lives. */
const tables = new WeakMap<OfTemperature, OfTemperature>()

/**
 * A smooth function of temperature read off a table by the cubic through four neighbours: the solver asks for it at
 * every stage of every step. Outside −60…360 °C the function itself.
 */
export function byTable(fn: OfTemperature): OfTemperature {
  const known = tables.get(fn)
  if (known) return known
  const values = new Float64Array(POINTS).fill(Number.NaN)
  const at = (i: number): number => {
    const value = values[i]!
    return Number.isNaN(value) ? (values[i] = fn(LOWEST_C + i * STEP_C)) : value
  }
  const read: OfTemperature = temperatureC => {
    const position = (temperatureC - LOWEST_C) / STEP_C
    const i = Math.floor(position)
    if (!(i >= 1 && i < POINTS - 2)) return fn(temperatureC)
    const s = position - i
    const before = at(i - 1)
    const here = at(i)
    const next = at(i + 1)
    const after = at(i + 2)
    // Lagrange through −1, 0, 1, 2
    return (
      here +
      s *
        (next -
          before / 3 -
          here / 2 -
          after / 6 +
          s * ((before + next) / 2 - here + s * ((here - next) / 2 + (after - before) / 6)))
    )
  }
  tables.set(fn, read)
  return read
}
