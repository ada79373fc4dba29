import type { Celsius, Grams, PercentRh } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { densityOverLoadingGPerL, loadingAtDensityGPerG } from '../sorbent/sorbent.ts'
import type { WaterStore } from './network.ts'

/** Grams of the store that a loading is stated for; for air, litres. */
export const storeSize = (store: WaterStore): number =>
  store.kind === 'air'
    ? store.volumeL
    : store.kind === 'strand'
      ? store.dryMassG
      : store.dryMassG * store.capacityFactor

/** Vapour density over a store, g/L. @throws Error for a strand, which has none of its own */
export function storeVapourDensityGPerL(store: WaterStore, waterG: Grams, temperatureC: Celsius): number {
  if (store.kind === 'air') return waterG / store.volumeL
  if (store.kind === 'strand') throw new Error('A strand has no vapour density of its own.')
  return densityOverLoadingGPerL(store.sorbent, { loadingGPerG: waterG / storeSize(store), temperatureC })
}

/** Grams of water a store holds in equilibrium with air of this RH. @throws Error for a strand */
export function waterAtRhG(store: WaterStore, rhPercent: PercentRh, temperatureC: Celsius): Grams {
  const densityGPerL = fractionFromPercent(rhPercent) * saturationDensityGPerL(temperatureC)
  if (store.kind === 'air') return densityGPerL * store.volumeL
  if (store.kind === 'strand') throw new Error('A strand has no vapour density of its own.')
  return loadingAtDensityGPerG(store.sorbent, densityGPerL, temperatureC) * storeSize(store)
}
