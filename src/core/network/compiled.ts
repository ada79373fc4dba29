import type { Celsius } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { perLitreFromPerCubicMetre } from '#units/volume.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import { GAS_CONSTANT_J_PER_MOL_K, MOLAR_MASS_WATER_G_PER_MOL, vapourDensityGPerM3 } from '../air/vapour.ts'
import {
  henryConstantPerPa,
  linearisedLoading,
  linearisedLoadingSlope,
  SILICA_GEL,
} from '../desiccant/silica-gel.ts'
import { activityOfMoisture } from '../filament/sorption.ts'
import { ROOM, type Network, type WaterStore } from './network.ts'

/** Saturation vapour density over water, g/L. */
export const saturationDensityGPerL = (temperatureC: Celsius): number =>
  perLitreFromPerCubicMetre(
    vapourDensityGPerM3({ vapourPressurePa: saturationPressureWaterPa(temperatureC), temperatureC }),
  )

/**
 * What depends on temperature alone. Every store's vapour density is a function of its water times one of these,
 * so a step evaluates the exponentials a few times, whatever the number of nodes.
 */
export interface TemperatureFactors {
  saturationGPerL: number
  silicaAGPerL: number
  silicaRdGPerL: number
}

export function writeTemperatureFactors(temperatureC: Celsius, out: TemperatureFactors): void {
  out.saturationGPerL = saturationDensityGPerL(temperatureC)
  const densityPerPa = perLitreFromPerCubicMetre(
    MOLAR_MASS_WATER_G_PER_MOL / (GAS_CONSTANT_J_PER_MOL_K * kelvinFromCelsius(temperatureC)),
  )
  out.silicaAGPerL = densityPerPa / henryConstantPerPa(SILICA_GEL['silica-a'], temperatureC)
  out.silicaRdGPerL = densityPerPa / henryConstantPerPa(SILICA_GEL['silica-rd'], temperatureC)
}

export const temperatureFactors = (temperatureC: Celsius): TemperatureFactors => {
  const out = { saturationGPerL: 0, silicaAGPerL: 0, silicaRdGPerL: 0 }
  writeTemperatureFactors(temperatureC, out)
  return out
}

/** The temperature factor of a store; air has none. */
export function storeFactor(store: WaterStore, factors: TemperatureFactors): number {
  switch (store.kind) {
    case 'air':
      return 1
    case 'silica':
      return store.gel === SILICA_GEL['silica-rd'] ? factors.silicaRdGPerL : factors.silicaAGPerL
    case 'polymer':
    case 'board':
      return factors.saturationGPerL
  }
}

/** The part of a store's vapour density that depends on its water alone. */
export function waterShape(store: WaterStore, waterG: number): number {
  switch (store.kind) {
    case 'air':
      return waterG / store.volumeL
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
  waterShape(store, waterG) * storeFactor(store, temperatureFactors(temperatureC))

/** Grams of water a store holds in equilibrium with air of this activity (RH as a fraction, 0…1). */
export function waterAtRhG(store: WaterStore, rhPercent: number, temperatureC: Celsius): number {
  const targetGPerL = fractionFromPercent(rhPercent) * saturationDensityGPerL(temperatureC)
  const factor = storeFactor(store, temperatureFactors(temperatureC))
  if (store.kind === 'air') return targetGPerL * store.volumeL
  // monotone, and straight at the origin: bracket, then halve
  let low = 0
  let high =
    store.dryMassG * (store.kind === 'silica' ? store.capacityFactor * store.gel.monolayerLoadingGPerG : 1)
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (waterShape(store, middle) * factor < targetGPerL) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** @throws Error where the links are no tree rooted in node 0: a mistake of the caller, not of the user. */
export function parentsOf(network: Network): Int32Array {
  const parents = new Int32Array(network.nodes.length).fill(-1)
  for (const link of network.links) {
    if (link.b === ROOM) continue
    if (link.b >= link.a) throw new Error(`Link ${link.path} must name the node nearer the root last.`)
    if (parents[link.a] !== -1 && parents[link.a] !== link.b)
      throw new Error(`Node ${link.a} has two parents; the network must be a tree.`)
    parents[link.a] = link.b
  }
  for (let i = 1; i < parents.length; i++)
    if (parents[i] === -1) throw new Error(`Node ${i} is linked to nothing.`)
  return parents
}
