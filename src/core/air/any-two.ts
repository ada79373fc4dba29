import type { Celsius, GramsPerCubicMetre, Pascal, PercentRh } from '#units/quantity.ts'
import { celsiusFromKelvin } from '#units/temperature.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { dewPointC, frostPointC } from './saturation.ts'
import {
  GAS_CONSTANT_J_PER_MOL_K,
  MOLAR_MASS_WATER_G_PER_MOL,
  relativeHumidityPercent,
  STANDARD_PRESSURE_PA,
  vapourDensityGPerM3,
  vapourPressureOfRhPa,
  vapourPressurePa,
} from './vapour.ts'

/** What may be known of air; two of them, unless both tell only the vapour, give the rest. */
export const AIR_QUANTITIES = ['temperature', 'rh', 'dew point', 'vapour density', 'vapour pressure'] as const
export type AirQuantity = (typeof AIR_QUANTITIES)[number]
export type TwoOfAir = Partial<Record<AirQuantity, number>>

/** Air in full. */
export interface MoistAir {
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
  readonly dewPointC: Celsius
  /** Over ice; NaN where the dew point lies above freezing. */
  readonly frostPointC: Celsius
  readonly vapourDensityGPerM3: GramsPerCubicMetre
  readonly vapourPressurePa: Pascal
  /** At sea level. */
  readonly mixingRatioGPerKg: number
}

export type MoistAirResult =
  | { readonly ok: true; readonly air: MoistAir }
  | {
      readonly ok: false
      readonly kind: 'two needed' | 'same thing twice' | 'out of range' | 'above saturation' | 'no air left'
    }

const COLDEST_C = -40
const HOTTEST_C = 200

/**
 * Air from any two of its quantities: °C, % RH over water, °C, g/m³, Pa.
 * @returns kinds of failure: not two; dew point and vapour pressure say the same; outside −40…200 °C; above
 * saturation; vapour alone fills the pressure of the air (above boiling)
 */
export function airFromTwo(two: TwoOfAir): MoistAirResult {
  const given = AIR_QUANTITIES.filter(quantity => two[quantity] !== undefined)
  if (given.length !== 2) return { ok: false, kind: 'two needed' }
  const has = (quantity: AirQuantity) => two[quantity] !== undefined
  if (has('dew point') && has('vapour pressure')) return { ok: false, kind: 'same thing twice' }
  const pressure = knownPressurePa(two)
  let temperatureC: number
  if (two.temperature !== undefined) temperatureC = two.temperature
  else if (two.rh !== undefined) {
    // at this RH, hotter air holds more of whatever is known
    const share = fractionFromPercent(two.rh)
    temperatureC =
      pressure === null ? temperatureOfDensityC(two.rh, two['vapour density']!) : dewPointC(pressure / share)
  } else
    temperatureC = celsiusFromKelvin(
      (pressure! * MOLAR_MASS_WATER_G_PER_MOL) / (GAS_CONSTANT_J_PER_MOL_K * two['vapour density']!),
    )
  if (!(temperatureC >= COLDEST_C && temperatureC <= HOTTEST_C)) return { ok: false, kind: 'out of range' }
  const vapourPa =
    pressure ??
    (two.rh === undefined
      ? vapourPressurePa({ vapourDensityGPerM3: two['vapour density']!, temperatureC })
      : vapourPressureOfRhPa({ relativeHumidityPercent: two.rh, temperatureC }))
  if (!(vapourPa > 0)) return { ok: false, kind: 'out of range' }
  const rh = relativeHumidityPercent({ vapourPressurePa: vapourPa, temperatureC })
  if (rh > SATURATED_PERCENT) return { ok: false, kind: 'above saturation' }
  if (vapourPa >= STANDARD_PRESSURE_PA) return { ok: false, kind: 'no air left' }
  const dew = dewPointC(vapourPa)
  return {
    ok: true,
    air: {
      temperatureC,
      relativeHumidityPercent: rh,
      dewPointC: dew,
      frostPointC: frostPointC(vapourPa),
      vapourDensityGPerM3: vapourDensityGPerM3({ vapourPressurePa: vapourPa, temperatureC }),
      vapourPressurePa: vapourPa,
      mixingRatioGPerKg: (VAPOUR_TO_AIR * 1000 * vapourPa) / (STANDARD_PRESSURE_PA - vapourPa),
    },
  }
}

/** Rounding apart, air holds no more than this. */
const SATURATED_PERCENT = 100.01
/** M_water/M_air. */
const VAPOUR_TO_AIR = 0.621945

const knownPressurePa = (two: TwoOfAir): Pascal | null =>
  two['vapour pressure'] ??
  (two['dew point'] === undefined
    ? null
    : vapourPressureOfRhPa({ relativeHumidityPercent: 100, temperatureC: two['dew point'] }))

function temperatureOfDensityC(rhPercent: PercentRh, densityGPerM3: GramsPerCubicMetre): Celsius {
  const densityAt = (temperatureC: Celsius) =>
    vapourDensityGPerM3({
      vapourPressurePa: vapourPressureOfRhPa({ relativeHumidityPercent: rhPercent, temperatureC }),
      temperatureC,
    })
  let low = COLDEST_C - 1
  let high = HOTTEST_C + 1
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (densityAt(middle) < densityGPerM3) low = middle
    else high = middle
  }
  return (low + high) / 2
}
