import type { Celsius, Pascal } from '#units/quantity.ts'
import { celsiusFromKelvin, kelvinFromCelsius } from '#units/temperature.ts'

const CRITICAL_TEMPERATURE_K = 647.096
const CRITICAL_PRESSURE_PA = 22.064e6
const TRIPLE_TEMPERATURE_K = 273.16
const TRIPLE_PRESSURE_PA = 611.657

/**
 * Saturation vapour pressure over liquid water, straight from the equation; saturationPressureWaterPa is the fast way.
 * @param temperatureC −40…200 °C; below 0 °C the curve is continued to supercooled water, as hygrometers assume
 * @returns Pa; NaN for NaN
 * Source: Wagner & Pruß 1993, IAPWS SR1-86(1992). Valid from the triple point up; the continuation stays within
 * 0.8 % of Murphy & Koop 2005 down to −40 °C.
 */
export function equationPressureWaterPa(temperatureC: Celsius): Pascal {
  const temperatureK = kelvinFromCelsius(temperatureC)
  const tau = 1 - temperatureK / CRITICAL_TEMPERATURE_K
  const root = Math.sqrt(tau)
  const tau3 = tau * tau * tau
  const sum =
    -7.85951783 * tau +
    1.84408259 * tau * root +
    -11.7866497 * tau3 +
    22.6807411 * tau3 * root +
    -15.9618719 * tau3 * tau +
    1.80122502 * tau3 * tau3 * tau * root
  return CRITICAL_PRESSURE_PA * Math.exp((CRITICAL_TEMPERATURE_K / temperatureK) * sum)
}

/**
 * Saturation vapour pressure over ice.
 * @param temperatureC −223…0.01 °C
 * @returns Pa. Source: Wagner et al. 2011, IAPWS R14-08(2011).
 */
export function saturationPressureIcePa(temperatureC: Celsius): Pascal {
  const theta = kelvinFromCelsius(temperatureC) / TRIPLE_TEMPERATURE_K
  const sum =
    -21.2144006 * theta ** 0.00333333333 + 27.3203819 * theta ** 1.20666667 + -6.1059813 * theta ** 1.70333333
  return TRIPLE_PRESSURE_PA * Math.exp(sum / theta)
}

/**
 * Saturation vapour pressure over liquid water.
 * @param temperatureC −40…200 °C, from a table (cubic Hermite, within 1e-9 of the equation); beyond it the equation itself
 * @returns Pa; NaN for NaN
 */
export function saturationPressureWaterPa(temperatureC: Celsius): Pascal {
  const position = (temperatureC - TABLE_FROM_C) * PER_KELVIN
  const cell = position | 0
  if (!(position >= 0 && cell < CELLS)) return equationPressureWaterPa(temperatureC)
  const x = position - cell
  const at = cell * 4
  return (
    PRESSURE_TABLE[at]! +
    x * (PRESSURE_TABLE[at + 1]! + x * (PRESSURE_TABLE[at + 2]! + x * PRESSURE_TABLE[at + 3]!))
  )
}

/**
 * Dew point: the temperature at which this vapour pressure saturates over liquid water.
 * @param vapourPressurePa above 0 Pa; gives NaN for 0 or less
 * @returns °C, within 1e-8 K of the inverse of the equation; below 0 °C it is over supercooled water
 */
export function dewPointC(vapourPressurePa: Pascal): Celsius {
  const position = (Math.log(vapourPressurePa) - LOG_FROM) * PER_LOG
  const cell = position | 0
  if (!(position >= 0 && cell < DEW_CELLS)) return invertSaturation(equationPressureWaterPa, vapourPressurePa)
  const x = position - cell
  const at = cell * 4
  return DEW_TABLE[at]! + x * (DEW_TABLE[at + 1]! + x * (DEW_TABLE[at + 2]! + x * DEW_TABLE[at + 3]!))
}

/**
 * Frost point: the temperature at which this vapour pressure saturates over ice.
 * @param vapourPressurePa 0 < p ≤ 611.657 Pa; NaN outside, since there is no ice above the triple point
 */
export const frostPointC = (vapourPressurePa: Pascal): Celsius =>
  vapourPressurePa > TRIPLE_PRESSURE_PA
    ? Number.NaN
    : invertSaturation(saturationPressureIcePa, vapourPressurePa)

/** Newton on ln p, which is nearly straight in 1/T, so four or five steps do from any start. */
function invertSaturation(
  saturationPa: (temperatureC: Celsius) => Pascal,
  vapourPressurePa: Pascal,
): Celsius {
  if (!(vapourPressurePa > 0)) return Number.NaN
  const logPressure = Math.log(vapourPressurePa)
  // Clausius–Clapeyron from the triple point with L/R_w = 5420 K
  let temperatureC = celsiusFromKelvin(
    1 / (1 / TRIPLE_TEMPERATURE_K - Math.log(vapourPressurePa / TRIPLE_PRESSURE_PA) / 5420),
  )
  for (let step = 0; step < 20; step++) {
    const miss = Math.log(saturationPa(temperatureC)) - logPressure
    const slopePerK =
      (Math.log(saturationPa(temperatureC + 1e-3)) - Math.log(saturationPa(temperatureC - 1e-3))) / 2e-3
    temperatureC -= miss / slopePerK
    if (Math.abs(miss) < 1e-12) break
  }
  return temperatureC
}

/** Cubic polynomials, four coefficients a cell, that meet values and slopes at the cells' ends. */
function hermiteTable(
  cells: number,
  valueAt: (i: number) => number,
  slopePerCell: (i: number) => number,
): Float64Array {
  const table = new Float64Array(cells * 4)
  for (let i = 0; i < cells; i++) {
    const [from, to, first, last] = [valueAt(i), valueAt(i + 1), slopePerCell(i), slopePerCell(i + 1)]
    table.set([from, first, 3 * (to - from) - 2 * first - last, 2 * (from - to) + first + last], i * 4)
  }
  return table
}

const TABLE_FROM_C = -40
const PER_KELVIN = 4
const CELLS = 240 * PER_KELVIN
/** By central difference: its error of 1e-9 is that of the table. */
const slopePaPerK = (temperatureC: Celsius): number =>
  (equationPressureWaterPa(temperatureC + 1e-3) - equationPressureWaterPa(temperatureC - 1e-3)) / 2e-3
const PRESSURE_TABLE = hermiteTable(
  CELLS,
  i => equationPressureWaterPa(TABLE_FROM_C + i / PER_KELVIN),
  i => slopePaPerK(TABLE_FROM_C + i / PER_KELVIN) / PER_KELVIN,
)

/** The dew table runs over ln p, in which the dew point is nearly straight: from −40 to 200 °C. */
const PER_LOG = 32
const LOG_FROM = Math.log(equationPressureWaterPa(-40))
const DEW_CELLS = Math.floor((Math.log(equationPressureWaterPa(200)) - LOG_FROM) * PER_LOG)
const dewAt = (i: number): Celsius =>
  invertSaturation(equationPressureWaterPa, Math.exp(LOG_FROM + i / PER_LOG))
const DEW_TABLE = hermiteTable(DEW_CELLS, dewAt, i => {
  const temperatureC = dewAt(i)
  return equationPressureWaterPa(temperatureC) / slopePaPerK(temperatureC) / PER_LOG
})
