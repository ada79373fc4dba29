import type { Celsius, GramsPerGram, PercentRh } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import type { Provenance } from '../provenance.ts'

/** A rising function of loading, with its derivative. */
export interface LoadingCurve {
  valueAt(loadingGPerG: GramsPerGram): number
  slopeAt(loadingGPerG: GramsPerGram): number
}

/**
 * Whatever holds water in balance with the air over it: desiccant, filament, paper board. The vapour density over it
 * is a curve of its loading times a factor of its temperature; most have one curve for all temperatures.
 */
export interface Sorbent {
  readonly name: string
  readonly source: string
  readonly provenance: Provenance
  /** Temperatures the values were measured at; beyond them it is an extrapolation. */
  readonly measuredC: readonly [Celsius, Celsius]
  /** Water that no air can make it pass, g/g. */
  readonly mostGPerG: GramsPerGram
  /** The curve at a temperature, −40…350 °C: the same object for as long as its shape stays the same. */
  readonly curveAt: (temperatureC: Celsius) => LoadingCurve
  /** Vapour density, g/L, per unit of that curve. */
  readonly perUnitGPerL: (temperatureC: Celsius) => number
  /** The curve's inverse where there is a closed one: loading, g/g, at a value of it, 0 or more. */
  readonly loadingAtUnit?: (unit: number, temperatureC: Celsius) => GramsPerGram
  /** Set where the curve is a straight line through 0: units per g/g. */
  readonly straight?: number
}

/** Loading in equilibrium with air of this RH (over water), the sorbent at this temperature, g/g; 0…`mostGPerG`. */
export function loadingAtRhGPerG(
  sorbent: Sorbent,
  at: { relativeHumidityPercent: PercentRh; temperatureC: Celsius },
): GramsPerGram {
  const { temperatureC } = at
  const densityGPerL = fractionFromPercent(at.relativeHumidityPercent) * saturationDensityGPerL(temperatureC)
  return loadingAtDensityGPerG(sorbent, densityGPerL, temperatureC)
}

/** The same for air known by its vapour density, g/L, at the sorbent. */
export function loadingAtDensityGPerG(
  sorbent: Sorbent,
  densityGPerL: number,
  temperatureC: Celsius,
): GramsPerGram {
  const unit = densityGPerL / sorbent.perUnitGPerL(temperatureC)
  if (sorbent.straight !== undefined) return Math.min(unit / sorbent.straight, sorbent.mostGPerG)
  if (sorbent.loadingAtUnit) return Math.min(sorbent.loadingAtUnit(unit, temperatureC), sorbent.mostGPerG)
  const curve = sorbent.curveAt(temperatureC)
  let low = 0
  let high = sorbent.mostGPerG
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (curve.valueAt(middle) < unit) low = middle
    else high = middle
  }
  return (low + high) / 2
}
const HALVINGS = 60

/** RH, % over water, of air in equilibrium with a loading; never above 100. */
export const rhOverLoadingPercent = (
  sorbent: Sorbent,
  at: { loadingGPerG: GramsPerGram; temperatureC: Celsius },
): PercentRh =>
  Math.min(
    percentFromFraction(1),
    percentFromFraction(densityOverLoadingGPerL(sorbent, at) / saturationDensityGPerL(at.temperatureC)),
  )

/** Vapour density, g/L, over a loading; may pass saturation where the sorbent is beyond what air can give it. */
export const densityOverLoadingGPerL = (
  sorbent: Sorbent,
  { loadingGPerG, temperatureC }: { loadingGPerG: GramsPerGram; temperatureC: Celsius },
): number => sorbent.curveAt(temperatureC).valueAt(loadingGPerG) * sorbent.perUnitGPerL(temperatureC)

/**
 * RH, %, at another temperature with the same water held: for a box buffered by what it holds. An empty box keeps its
 * vapour density instead.
 */
export const rhAtConstantLoadingPercent = (
  sorbent: Sorbent,
  change: { relativeHumidityPercent: PercentRh; fromTemperatureC: Celsius; toTemperatureC: Celsius },
): PercentRh => {
  const { relativeHumidityPercent, fromTemperatureC, toTemperatureC } = change
  // one curve for both temperatures: what it stands at stays, and no loading need be found
  if (sorbent.curveAt(fromTemperatureC) === sorbent.curveAt(toTemperatureC)) {
    const unitOfRh = (temperatureC: Celsius) =>
      saturationDensityGPerL(temperatureC) / sorbent.perUnitGPerL(temperatureC)
    return Math.min(
      percentFromFraction(1),
      (relativeHumidityPercent * unitOfRh(fromTemperatureC)) / unitOfRh(toTemperatureC),
    )
  }
  return rhOverLoadingPercent(sorbent, {
    loadingGPerG: loadingAtRhGPerG(sorbent, { relativeHumidityPercent, temperatureC: fromTemperatureC }),
    temperatureC: toTemperatureC,
  })
}
