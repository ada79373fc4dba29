import type { Celsius, GramsPerGram, Pascal } from '#units/quantity.ts'
import { perLitreFromPerCubicMetre } from '#units/volume.ts'
import { vapourDensityGPerM3 } from '../air/vapour.ts'
import type { Desiccant } from '../desiccant/catalogue.ts'
import { loadingAtDensityGPerG } from '../sorbent/sorbent.ts'

/**
 * What heating leaves behind: the isotherm at the oven's temperature in the vapour pressure of the air there, which
 * the oven only warms. Equilibrium, so the heating must last long enough.
 * @param temperatureC measured at the beads
 * @param residueGPerG what real silica gel keeps beyond the isotherm
 * @returns g/g left on the beads
 */
export const loadingAfterHeatGPerG = (
  desiccant: Pick<Desiccant, 'sorbent' | 'gel'>,
  { airVapourPressurePa, temperatureC }: { airVapourPressurePa: Pascal; temperatureC: Celsius },
  residueGPerG: GramsPerGram = 0,
): GramsPerGram =>
  loadingAtDensityGPerG(
    desiccant.sorbent,
    perLitreFromPerCubicMetre(vapourDensityGPerM3({ vapourPressurePa: airVapourPressurePa, temperatureC })),
    temperatureC,
  ) + (desiccant.gel ? residueGPerG : 0)
