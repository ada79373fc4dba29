import type { Celsius, GramsPerGram, Pascal, PercentRh } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { relativeHumidityPercent, vapourPressureOfRhPa } from '../air/vapour.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import type { WaterStore } from '../network/network.ts'
import { DESICCANTS, type DesiccantKind } from './catalogue.ts'
import { silicaLoadingGPerG, silicaVapourPressurePa, type TothConstants } from './silica-gel.ts'
import {
  activityAt25,
  activityFactor,
  TABULATED,
  tabulatedLoadingGPerG,
  type TabulatedDesiccant,
  type TabulatedKind,
} from './tabulated.ts'

/** Any desiccant by what ties its loading to the air: an equation or a table. */
export type Sorbent =
  | { readonly by: 'equation'; readonly gel: TothConstants }
  | { readonly by: 'table'; readonly desiccant: TabulatedDesiccant }

export type AnyDesiccantKind = DesiccantKind | TabulatedKind

export const sorbentOf = (kind: AnyDesiccantKind): Sorbent =>
  kind in TABULATED
    ? { by: 'table', desiccant: TABULATED[kind as TabulatedKind] }
    : { by: 'equation', gel: DESICCANTS[kind as DesiccantKind].gel }

/** Loading in equilibrium with air of this vapour pressure, the desiccant at this temperature, g/g. −40…300 °C. */
export const loadingGPerG = (
  sorbent: Sorbent,
  at: { vapourPressurePa: Pascal; temperatureC: Celsius },
): GramsPerGram =>
  sorbent.by === 'equation'
    ? silicaLoadingGPerG(sorbent.gel, at)
    : tabulatedLoadingGPerG(sorbent.desiccant, {
        activity: at.vapourPressurePa / saturationPressureWaterPa(at.temperatureC),
        temperatureC: at.temperatureC,
      })

export const loadingAtRhGPerG = (
  sorbent: Sorbent,
  at: { relativeHumidityPercent: PercentRh; temperatureC: Celsius },
): GramsPerGram =>
  loadingGPerG(sorbent, { vapourPressurePa: vapourPressureOfRhPa(at), temperatureC: at.temperatureC })

/** RH, % over water, of air in equilibrium with a loading; never above 100. */
export const rhOverLoadingPercent = (
  sorbent: Sorbent,
  at: { loadingGPerG: GramsPerGram; temperatureC: Celsius },
): PercentRh =>
  Math.min(
    percentFromFraction(1),
    sorbent.by === 'equation'
      ? relativeHumidityPercent({
          vapourPressurePa: silicaVapourPressurePa(sorbent.gel, at),
          temperatureC: at.temperatureC,
        })
      : percentFromFraction(
          activityAt25(sorbent.desiccant, at.loadingGPerG) *
            activityFactor(sorbent.desiccant, at.temperatureC),
        ),
  )

/** A charge of any kind as a store of a network. */
export const chargeStoreOf = (
  sorbent: Sorbent,
  dryMassG: number,
  capacityFactor = 1,
): Extract<WaterStore, { kind: 'silica' | 'tabulated' }> =>
  sorbent.by === 'equation'
    ? { kind: 'silica', dryMassG, gel: sorbent.gel, capacityFactor }
    : { kind: 'tabulated', dryMassG, desiccant: sorbent.desiccant, capacityFactor }

/** Loss of capacity a cycle kept at or below 120 °C, and when overheated; typical, from memory. */
const LOSS_PER_CYCLE = { low: 0.002, usual: 0.005, high: 0.01, overheated: 0.03 } as const

/**
 * Share of its first capacity that silica gel keeps after some cycles; measured by the end weight where a scale is used.
 * @param cycles 0 or more @returns 0…1
 */
export const capacityAfterCycles = (cycles: number, care: keyof typeof LOSS_PER_CYCLE = 'usual'): number =>
  (1 - LOSS_PER_CYCLE[care]) ** cycles

/**
 * What heating leaves on a desiccant and the lowest RH a box can then come down to.
 * @param airVapourPressurePa of the air at the beads: the room's, or a gas oven's
 */
export function afterHeating(
  sorbent: Sorbent,
  heat: { heatingTemperatureC: Celsius; airVapourPressurePa: Pascal; boxTemperatureC: Celsius },
): { leftGPerG: GramsPerGram; floorRhPercent: PercentRh } {
  const leftGPerG = loadingGPerG(sorbent, {
    vapourPressurePa: heat.airVapourPressurePa,
    temperatureC: heat.heatingTemperatureC,
  })
  return {
    leftGPerG,
    floorRhPercent: rhOverLoadingPercent(sorbent, {
      loadingGPerG: leftGPerG,
      temperatureC: heat.boxTemperatureC,
    }),
  }
}

/** A sealed unit that is plugged in to be renewed: silica gel behind a few vents; typical, from memory. */
export const PLUG_IN_UNIT = {
  dryMassG: 240,
  conductanceLPerH: 4,
  heatsToC: 90,
  renewHours: [8, 24],
  provenance: 'memory',
} as const

const MOLAR_MASS_CACL2_G_PER_MOL = 110.98
const MOLAR_MASS_WATER_G_PER_MOL = 18.015268

/** Water per dry calcium chloride in a hydrate, g/g, by stoichiometry. @param molecules 1, 2, 4 or 6 */
export const calciumChlorideHydrateGPerG = (molecules: number): GramsPerGram =>
  (molecules * MOLAR_MASS_WATER_G_PER_MOL) / MOLAR_MASS_CACL2_G_PER_MOL
/** Brine of x parts salt in a whole weighs about 1 + 0.86·x g/mL; from memory, within 3 % up to saturation. */
const BRINE_DENSITY_SLOPE = 0.86

/**
 * Water a crystal pack may take up before its brine fills the tray, g: from then on it spills.
 * @param trayMl what the tray holds, above the crystals' own volume
 */
export function waterUntilTrayFullG(dryMassG: number, trayMl: number): number {
  const brineMl = (waterG: number) => {
    const saltShare = dryMassG / (dryMassG + waterG)
    return (dryMassG + waterG) / (1 + BRINE_DENSITY_SLOPE * saltShare)
  }
  let low = 0
  let high = trayMl * 2 + 1
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (brineMl(middle) < trayMl) low = middle
    else high = middle
  }
  return low
}

/** Deliquescence of calcium chloride, % RH: the saturated brine's own, carried to this temperature. */
export const calciumChlorideDeliquescencePercent = (temperatureC: Celsius): PercentRh =>
  percentFromFraction(fractionFromPercent(29) * activityFactor(TABULATED['calcium-chloride'], temperatureC))
