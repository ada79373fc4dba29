import type { Celsius, GramsPerGram, Pascal, PercentRh } from '#units/quantity.ts'
import { relativeHumidityPercent } from '../air/vapour.ts'
import { silicaLoadingGPerG, silicaVapourPressurePa, type TothConstants } from './silica-gel.ts'

/**
 * What heating leaves behind: the isotherm at the oven's temperature in the vapour pressure of the room's air,
 * which the oven only warms. Equilibrium, so the heating must last long enough.
 * @param roomVapourPressurePa of the air the oven draws in
 * @param heatingTemperatureC measured at the beads
 * @returns g/g left on the beads
 */
export const residualLoadingGPerG = (
  gel: TothConstants,
  heating: { roomVapourPressurePa: Pascal; heatingTemperatureC: Celsius },
): GramsPerGram =>
  silicaLoadingGPerG(gel, {
    vapourPressurePa: heating.roomVapourPressurePa,
    temperatureC: heating.heatingTemperatureC,
  })

/** Relative humidity, % over water, of air in equilibrium with gel of this loading. */
export const equilibriumRhPercent = (
  gel: TothConstants,
  at: { loadingGPerG: GramsPerGram; temperatureC: Celsius },
): PercentRh =>
  relativeHumidityPercent({
    vapourPressurePa: silicaVapourPressurePa(gel, at),
    temperatureC: at.temperatureC,
  })
