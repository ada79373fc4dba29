import type { Celsius, PercentRh, WeightPercent } from '#units/quantity.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import { dewPointOfRhC, relativeHumidityPercent, vapourPressureOfRhPa } from '../air/vapour.ts'
import { type Answer, input } from '../answer.ts'
import type { Material } from '../filament/material.ts'
import {
  equilibriumMoisturePercent,
  rhHoldingMoisturePercent,
  sorptionIsotherm,
} from '../filament/sorption.ts'

const SOURCE = 'IAPWS SR1-86(1992) for e_s; sorption values typical, from memory'

/** Air of a room, as a dryer draws it in. */
export interface IntakeAir {
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
}

/**
 * RH after heating: the dew point stays, RH₂ = RH₁·e_s(T₁)/e_s(T₂).
 * @returns % over water, 100 at most: air taken below its dew point leaves the rest as dew
 */
export const heatedRhPercent = (intake: IntakeAir, heatedC: Celsius): PercentRh =>
  Math.min(
    100,
    relativeHumidityPercent({ vapourPressurePa: vapourPressureOfRhPa(intake), temperatureC: heatedC }),
  )

const ofIntake = (intake: IntakeAir) => [
  input('φ1', 'RH of the air drawn in', intake.relativeHumidityPercent, '%', 'told'),
  input('T1', 'its temperature', intake.temperatureC, '°C', 'told'),
  input('e1', 'saturation pressure at T1', saturationPressureWaterPa(intake.temperatureC), 'Pa', 'computed'),
]
const ofHeated = (heatedC: Celsius) => [
  input('T2', 'temperature of the heated air', heatedC, '°C', 'told'),
  input('e2', 'saturation pressure at T2', saturationPressureWaterPa(heatedC), 'Pa', 'computed'),
]

/** The same with its reason: % over water. */
export const heatedRhAnswer = (intake: IntakeAir, heatedC: Celsius): Answer => ({
  quantity: 'RH of the heated air',
  value: heatedRhPercent(intake, heatedC),
  unit: '%',
  knowledge: 'computed',
  because: {
    formulaId: 'heated-rh',
    formula: 'φ = φ1 · e1 / e2, 100 at most',
    inputs: [...ofIntake(intake), ...ofHeated(heatedC)],
    source: 'IAPWS SR1-86(1992) for e_s: the dew point stays',
  },
})

/**
 * Whether air of this room, heated so far, can dry a material to a limit at all: the spool heads for the equilibrium
 * at the heated air's RH, however long it stays.
 * @param heatedC measured, not on the dial
 */
export function canHeatedAirDry(
  material: Material,
  intake: IntakeAir,
  heatedC: Celsius,
  limitPercent: WeightPercent,
): Answer & { readonly can: boolean; readonly tooHot: boolean } {
  const rhPercent = heatedRhPercent(intake, heatedC)
  const endsAtPercent = equilibriumMoisturePercent(material, rhPercent)
  const { slopeAtZeroPercent, curvature } = sorptionIsotherm(material)
  return {
    quantity: 'moisture the spool heads for',
    value: endsAtPercent,
    can: endsAtPercent <= limitPercent,
    tooHot: heatedC > material.neverAboveC,
    unit: 'wt %',
    knowledge: 'computed',
    because: {
      formulaId: 'heated-air',
      formula: 'w = A·a / (1 − K·a²), a = φ1/100 · e1/e2, 1 at most',
      inputs: [
        ...ofIntake(intake),
        ...ofHeated(heatedC),
        input('A', `slope of ${material.name} in dry air`, slopeAtZeroPercent, '%', 'assumed'),
        input('K', 'its bend', curvature, '', 'assumed'),
      ],
      source: SOURCE,
    },
  }
}

/**
 * Least temperature at which air of this room can dry a material to a limit.
 * @returns °C; NaN where even the material's own limit does not do: then the intake must be drier
 */
export function leastDryingTemperature(
  material: Material,
  intake: IntakeAir,
  limitPercent: WeightPercent,
): Answer {
  const wantedRhPercent = rhHoldingMoisturePercent(material, limitPercent)
  const atC = (temperatureC: Celsius) => heatedRhPercent(intake, temperatureC)
  let low = Math.min(intake.temperatureC, material.neverAboveC)
  let high = material.neverAboveC
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (atC(middle) <= wantedRhPercent) high = middle
    else low = middle
  }
  return {
    quantity: 'least temperature that dries it',
    value:
      atC(material.neverAboveC) > wantedRhPercent
        ? Number.NaN
        : atC(intake.temperatureC) <= wantedRhPercent
          ? intake.temperatureC
          : high,
    unit: '°C',
    knowledge: 'computed',
    because: {
      formulaId: 'least-heat',
      formula: 'e_s(T) = φ1 · e1 / φ_c, T1 at least',
      inputs: [
        ...ofIntake(intake),
        input('φ_c', `RH that keeps ${material.name} at its limit`, wantedRhPercent, '%', 'computed'),
      ],
      note: `Never above ${material.neverAboveC} °C for ${material.name}.`,
      source: SOURCE,
    },
  }
}

/** Dew point, °C, the intake may have at most so that air heated this far dries a material to a limit. */
export function intakeDewPointNeeded(
  material: Material,
  heatedC: Celsius,
  limitPercent: WeightPercent,
): Answer {
  const wantedRhPercent = rhHoldingMoisturePercent(material, limitPercent)
  return {
    quantity: 'dew point the intake needs',
    value: dewPointOfRhC({ relativeHumidityPercent: wantedRhPercent, temperatureC: heatedC }),
    unit: '°C',
    knowledge: 'computed',
    because: {
      formulaId: 'intake-dew-point',
      formula: 'e_s(T_d) = φ_c/100 · e2',
      inputs: [
        input('φ_c', `RH that keeps ${material.name} at its limit`, wantedRhPercent, '%', 'computed'),
        ...ofHeated(heatedC),
      ],
      source: SOURCE,
    },
  }
}
