import type { Celsius, PercentRh, WeightPercent } from '#units/quantity.ts'
import { dewPointOfRhC, relativeHumidityPercent, vapourPressureOfRhPa } from '../air/vapour.ts'
import { type Answer, input } from '../answer.ts'
import type { Material } from '../filament/material.ts'
import { equilibriumMoisturePercent, rhHoldingMoisturePercent } from '../filament/sorption.ts'

/** Air of a room, as a dryer draws it in. */
export interface IntakeAir {
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
}

/**
 * RH after heating: the dew point stays, RH₂ = RH₁·e_s(T₁)/e_s(T₂).
 * @returns % over water; not above what the intake had where it is cooled: then dew is a question of its own
 */
export const heatedRhPercent = (intake: IntakeAir, heatedC: Celsius): PercentRh =>
  relativeHumidityPercent({ vapourPressurePa: vapourPressureOfRhPa(intake), temperatureC: heatedC })

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
      source: 'IAPWS SR1-86(1992) for e_s; sorption values typical, from memory',
    },
  }
}

/**
 * Least temperature at which air of this room can dry a material to a limit.
 * @returns °C; NaN where even the material's own limit does not do: then the intake must be drier
 */
export function leastDryingTemperatureC(
  material: Material,
  intake: IntakeAir,
  limitPercent: WeightPercent,
): Celsius {
  const wantedRhPercent = rhHoldingMoisturePercent(material, limitPercent)
  const atC = (temperatureC: Celsius) => heatedRhPercent(intake, temperatureC)
  if (atC(material.neverAboveC) > wantedRhPercent) return Number.NaN
  let low = Math.min(intake.temperatureC, material.neverAboveC)
  let high = material.neverAboveC
  if (atC(low) <= wantedRhPercent) return low
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (atC(middle) <= wantedRhPercent) high = middle
    else low = middle
  }
  return high
}

/**
 * Dew point the intake may have at most so that air heated this far dries a material to a limit.
 * @returns °C
 */
export const intakeDewPointNeededC = (
  material: Material,
  heatedC: Celsius,
  limitPercent: WeightPercent,
): Celsius =>
  dewPointOfRhC({
    relativeHumidityPercent: rhHoldingMoisturePercent(material, limitPercent),
    temperatureC: heatedC,
  })
