import type { Celsius, GramsPerGram } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { GAS_CONSTANT_J_PER_MOL_K } from '../air/vapour.ts'
import type { Provenance } from '../provenance.ts'
import { monotoneCubic, type MonotoneCubic } from './monotone-cubic.ts'

export type TabulatedKind =
  'sieve-4a' | 'sieve-3a' | 'alumina' | 'clay' | 'calcium-sulfate' | 'calcium-chloride'

/** A desiccant known by loadings at a few humidities, 25 °C, and a net heat that carries them to other temperatures. */
export interface TabulatedDesiccant {
  readonly kind: TabulatedKind
  readonly name: string
  /** RH, % over water at 25 °C, and the loading in equilibrium with it, g/g; both rise. */
  readonly relativeHumidityPercent: readonly number[]
  readonly loadingGPerG: readonly number[]
  /** Isosteric less latent heat: negative where warmth lowers the RH over the same loading (brine). */
  readonly netHeatKJPerMol: number
  readonly bulkDensityGPerMl: number
  /** °C of the usual regeneration; null where there is none. */
  readonly renewAtC: readonly [Celsius, Celsius] | null
  readonly neverAboveC: Celsius
  readonly note: string
  readonly provenance: Provenance
  /** Activity at 25 °C over loading. */
  readonly curve: MonotoneCubic
}

const REFERENCE_C = 25

function tabulated(row: Omit<TabulatedDesiccant, 'curve' | 'provenance'>): TabulatedDesiccant {
  return {
    ...row,
    provenance: 'memory',
    curve: monotoneCubic(row.loadingGPerG, row.relativeHumidityPercent.map(fractionFromPercent)),
  }
}

const SIEVE_4A = [0, 0.11, 0.165, 0.19, 0.2, 0.205, 0.21, 0.215, 0.22, 0.225]
const SIEVE_RH = [0, 0.1, 1, 5, 10, 20, 40, 60, 80, 100]

/**
 * Typical published values recalled from memory; the ends at 0 and 100 % are drawn on from the neighbours.
 * Calcium chloride goes through its hydrates (1, 2, 4 and 6 water: .162, .325, .649, .974 g/g by stoichiometry),
 * dissolves at 29 % and goes on as brine; its temperature law is that of its deliquescence (38 % at 10 °C, 29 at 25).
 */
export const TABULATED: Readonly<Record<TabulatedKind, TabulatedDesiccant>> = {
  'sieve-4a': tabulated({
    kind: 'sieve-4a',
    name: 'molecular sieve 4A',
    relativeHumidityPercent: SIEVE_RH,
    loadingGPerG: SIEVE_4A,
    netHeatKJPerMol: 22,
    bulkDensityGPerMl: 0.72,
    renewAtC: [200, 300],
    neverAboveC: 350,
    note: 'driest; warms when wetted; renewing is beyond most kitchen ovens',
  }),
  'sieve-3a': tabulated({
    kind: 'sieve-3a',
    name: 'molecular sieve 3A',
    relativeHumidityPercent: SIEVE_RH,
    loadingGPerG: SIEVE_4A.map(loading => 0.9 * loading),
    netHeatKJPerMol: 22,
    bulkDensityGPerMl: 0.72,
    renewAtC: [200, 300],
    neverAboveC: 350,
    note: 'about nine tenths of 4A',
  }),
  alumina: tabulated({
    kind: 'alumina',
    name: 'activated alumina',
    relativeHumidityPercent: [0, 1, 5, 10, 20, 40, 60, 80, 100],
    loadingGPerG: [0, 0.02, 0.045, 0.06, 0.08, 0.12, 0.18, 0.26, 0.34],
    netHeatKJPerMol: 6,
    bulkDensityGPerMl: 0.8,
    renewAtC: [150, 200],
    neverAboveC: 250,
    note: '',
  }),
  clay: tabulated({
    kind: 'clay',
    name: 'montmorillonite clay',
    relativeHumidityPercent: [0, 1, 5, 10, 20, 40, 60, 80, 100],
    loadingGPerG: [0, 0.02, 0.05, 0.075, 0.11, 0.185, 0.23, 0.28, 0.33],
    netHeatKJPerMol: 4,
    bulkDensityGPerMl: 0.95,
    renewAtC: [105, 120],
    neverAboveC: 120,
    note: 'weaker when warm',
  }),
  'calcium-sulfate': tabulated({
    kind: 'calcium-sulfate',
    name: 'anhydrous calcium sulfate',
    relativeHumidityPercent: [0, 0.1, 1, 5, 20, 40, 60, 80, 100],
    loadingGPerG: [0, 0.05, 0.06, 0.064, 0.066, 0.07, 0.08, 0.1, 0.12],
    netHeatKJPerMol: 15,
    bulkDensityGPerMl: 0.9,
    renewAtC: [210, 230],
    neverAboveC: 250,
    note: 'half-hydrate at .066; one hour at heat',
  }),
  'calcium-chloride': tabulated({
    kind: 'calcium-chloride',
    name: 'calcium chloride crystals',
    relativeHumidityPercent: [0, 1.5, 3, 8, 9.5, 19, 20.5, 26.5, 28.5, 29, 30, 40, 60, 80, 90, 100],
    loadingGPerG: [
      0, 0.02, 0.162, 0.18, 0.325, 0.345, 0.649, 0.67, 0.974, 0.99, 1.23, 1.5, 2.3, 3.8, 6.5, 30,
    ],
    netHeatKJPerMol: -12.6,
    bulkDensityGPerMl: 0.85,
    renewAtC: null,
    neverAboveC: 60,
    note: 'single use; dissolves at about 29 % and goes on as brine, which can spill',
  }),
}

/** Activity over this loading at 25 °C, 0…1; loadings beyond the table's end go on straight. */
export const activityAt25 = (desiccant: TabulatedDesiccant, loadingGPerG: GramsPerGram): number =>
  desiccant.curve.valueAt(loadingGPerG)

/** Its derivative, per g/g. */
export const activityAt25Slope = (desiccant: TabulatedDesiccant, loadingGPerG: GramsPerGram): number =>
  desiccant.curve.slopeAt(loadingGPerG)

/** Activity at a temperature over that at 25 °C, at the same loading: exp[−(Q_net/R)(1/T − 1/T₂₅)]. */
export const activityFactor = (
  desiccant: Pick<TabulatedDesiccant, 'netHeatKJPerMol'>,
  temperatureC: Celsius,
): number =>
  Math.exp(
    ((-desiccant.netHeatKJPerMol * 1000) / GAS_CONSTANT_J_PER_MOL_K) *
      (1 / kelvinFromCelsius(temperatureC) - 1 / kelvinFromCelsius(REFERENCE_C)),
  )

/** Loading in equilibrium with an activity at a temperature, g/g; bounded by the table's end. */
export function tabulatedLoadingGPerG(
  desiccant: TabulatedDesiccant,
  at: { activity: number; temperatureC: Celsius },
): GramsPerGram {
  const wanted = at.activity / activityFactor(desiccant, at.temperatureC)
  let low = 0
  let high = desiccant.loadingGPerG.at(-1)!
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (activityAt25(desiccant, middle) < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}
