import type { Celsius, PercentRh, WeightPercent } from '#units/quantity.ts'
import { dewPointOfRhC, relativeHumidityPercent, vapourPressureOfRhPa } from '../air/vapour.ts'
import { type Answer, input } from '../answer.ts'
import type { Material } from '../filament/material.ts'
import { equilibriumMoisturePercent, rhHoldingMoisturePercent } from '../filament/sorption.ts'

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
  return {
    quantity: 'moisture the spool heads for',
    value: endsAtPercent,
    can: endsAtPercent <= limitPercent,
    tooHot: heatedC > material.neverAboveC,
    unit: 'wt %',
    knowledge: 'computed',
    because: {
      formulaId: 'heated-air',
      formula: 'c(RH₂), RH₂ = RH₁·e_s(T₁)/e_s(T₂)',
      inputs: [
        input('RH₁', 'RH of the intake', intake.relativeHumidityPercent, '% RH', 'told'),
        input('T₁', 'its temperature', intake.temperatureC, '°C', 'told'),
        input('T₂', 'temperature of the heated air', heatedC, '°C', 'told'),
        input('RH₂', 'RH of the heated air', rhPercent, '% RH', 'computed'),
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
      formula: 'e_s(T₂) = RH₁·e_s(T₁)/RH(c)',
      inputs: [
        input('RH₁', 'RH of the intake', intake.relativeHumidityPercent, '% RH', 'told'),
        input('T₁', 'its temperature', intake.temperatureC, '°C', 'told'),
        input('RH(c)', 'RH that holds the limit', wantedRhPercent, '% RH', 'computed'),
        input('T_max', 'never above', material.neverAboveC, '°C', 'assumed'),
      ],
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
      formula: 'e_s(T_d) = RH(c)·e_s(T₂)',
      inputs: [
        input('RH(c)', 'RH that holds the limit', wantedRhPercent, '% RH', 'computed'),
        input('T₂', 'temperature of the heated air', heatedC, '°C', 'told'),
      ],
      source: SOURCE,
    },
  }
}
