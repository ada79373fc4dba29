import type { Celsius } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { perLitreFromPerCubicMetre } from '#units/volume.ts'
import { saturationDensityGPerL, vapourDensityGPerM3 } from '../air/vapour.ts'
import {
  activityAt25,
  activityAt25Slope,
  activityFactor,
  type TabulatedDesiccant,
} from '../desiccant/tabulated.ts'
import {
  henryConstantPerPa,
  linearisedLoading,
  linearisedLoadingSlope,
  type TothConstants,
} from '../desiccant/silica-gel.ts'
import { activityOfMoisture } from '../filament/sorption.ts'
import type { WaterStore } from './network.ts'

/** What a store's vapour density is per unit of its shape, by temperature; air has none. */
export function storeFactor(store: WaterStore, temperatureC: Celsius): number {
  switch (store.kind) {
    case 'air':
    case 'strand':
      return 1
    case 'silica':
      return silicaFactorGPerL(store.gel, temperatureC)
    case 'tabulated':
      return tabulatedFactorGPerL(store.desiccant, temperatureC)
    case 'polymer':
    case 'board':
      return saturationDensityGPerL(temperatureC)
  }
}

/** Vapour density, g/L, per unit of K·p over silica gel. */
export const silicaFactorGPerL = (gel: TothConstants, temperatureC: Celsius): number =>
  perLitreFromPerCubicMetre(vapourDensityGPerM3({ vapourPressurePa: 1, temperatureC })) /
  henryConstantPerPa(gel, temperatureC)

/** Vapour density, g/L, per unit of activity at 25 °C over a desiccant known by a table. */
export const tabulatedFactorGPerL = (desiccant: TabulatedDesiccant, temperatureC: Celsius): number =>
  saturationDensityGPerL(temperatureC) * activityFactor(desiccant, temperatureC)

/** The part of a store's vapour density that depends on its water alone. */
export function waterShape(store: WaterStore, waterG: number): number {
  switch (store.kind) {
    case 'air':
      return waterG / store.volumeL
    case 'strand':
      return waterG / store.dryMassG
    case 'tabulated':
      return activityAt25(store.desiccant, waterG / (store.dryMassG * store.capacityFactor))
    case 'silica':
      return linearisedLoading(store.gel, waterG / (store.dryMassG * store.capacityFactor))
    case 'polymer':
      return activityOfMoisture(store.isotherm, percentFromFraction(waterG / store.dryMassG))
    case 'board':
      return waterG / (store.dryMassG * store.loadingAtSaturationGPerG)
  }
}

/** Its derivative by the water, per gram. */
export function waterShapeSlope(store: WaterStore, waterG: number): number {
  switch (store.kind) {
    case 'air':
      return 1 / store.volumeL
    case 'strand':
      return 1 / store.dryMassG
    case 'tabulated': {
      const capacityG = store.dryMassG * store.capacityFactor
      return activityAt25Slope(store.desiccant, waterG / capacityG) / capacityG
    }
    case 'silica': {
      const capacityG = store.dryMassG * store.capacityFactor
      return linearisedLoadingSlope(store.gel, waterG / capacityG) / capacityG
    }
    case 'polymer': {
      const { slopeAtZeroPercent: slope, curvature } = store.isotherm
      const moisturePercent = percentFromFraction(waterG / store.dryMassG)
      const activity = activityOfMoisture(store.isotherm, moisturePercent)
      const perActivity =
        (slope * (1 + curvature * activity * activity)) / (1 - curvature * activity * activity) ** 2
      return percentFromFraction(1 / store.dryMassG) / perActivity
    }
    case 'board':
      return 1 / (store.dryMassG * store.loadingAtSaturationGPerG)
  }
}

/** Vapour density over a store, g/L. */
export const storeVapourDensityGPerL = (store: WaterStore, waterG: number, temperatureC: Celsius): number =>
  waterShape(store, waterG) * storeFactor(store, temperatureC)

/** A loading that no air in reach passes, g/g. */
function mostLoadingGPerG(store: Exclude<WaterStore, { kind: 'air' }>): number {
  if (store.kind === 'silica') return store.capacityFactor * store.gel.monolayerLoadingGPerG
  return store.kind === 'tabulated' ? store.capacityFactor * store.desiccant.loadingGPerG.at(-1)! : 1
}

/** Grams of water a store holds in equilibrium with air of this activity (RH as a fraction, 0…1). */
export function waterAtRhG(store: WaterStore, rhPercent: number, temperatureC: Celsius): number {
  const targetGPerL = fractionFromPercent(rhPercent) * saturationDensityGPerL(temperatureC)
  const factor = storeFactor(store, temperatureC)
  if (store.kind === 'air') return targetGPerL * store.volumeL
  if (store.kind === 'strand') throw new Error('A strand has no vapour density of its own.')
  // monotone, and straight at the origin: bracket, then halve
  let low = 0
  let high = store.dryMassG * mostLoadingGPerG(store)
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (waterShape(store, middle) * factor < targetGPerL) low = middle
    else high = middle
  }
  return (low + high) / 2
}
