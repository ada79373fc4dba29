import type { Celsius } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { GAS_CONSTANT_J_PER_MOL_K, saturationDensityGPerL } from '../air/vapour.ts'
import type { LoadingCurve, Sorbent } from '../sorbent/sorbent.ts'
import { monotoneCubic } from './monotone-cubic.ts'

export type TabulatedKind =
  | 'sieve-4a'
  | 'sieve-3a'
  | 'alumina'
  | 'clay'
  | 'calcium-sulfate'
  | 'calcium-chloride'

/** A desiccant known by loadings at a few humidities, 25 °C, and a net heat that carries them to other temperatures. */
export interface TabulatedDesiccant {
  readonly kind: TabulatedKind
  readonly name: string
  /** RH, % over water at 25 °C, and the loading in equilibrium with it, g/g; both rise. */
  readonly relativeHumidityPercent: readonly number[]
  readonly loadingGPerG: readonly number[]
  /**
   * Isosteric less latent heat, for the whole table or one a row: RH over the same loading rises with warmth where it
   * is positive, falls where it is negative.
   */
  readonly netHeatKJPerMol: number | readonly number[]
  /** Row from which on it is dissolved; no solid stands at a higher RH than its own brine. */
  readonly dissolvesAtRow?: number
  readonly bulkDensityGPerMl: number
  /** °C of the usual regeneration; null where there is none. */
  readonly renewAtC: readonly [Celsius, Celsius] | null
  readonly neverAboveC: Celsius
  readonly note: string
}

export interface HeatByRow extends TabulatedDesiccant {
  readonly netHeatKJPerMol: readonly number[]
}

const REFERENCE_C = 25

const SIEVE_4A = [0, 0.11, 0.165, 0.19, 0.2, 0.205, 0.21, 0.215, 0.22, 0.225]
const SIEVE_RH = [0, 0.1, 1, 5, 10, 20, 40, 60, 80, 100]

/** Between hydrates of calcium chloride; its saturated brine (38 % at 10 °C, 29 at 25); its brine by water activity. */
const HYDRATES = 14
const SATURATED_BRINE = -12.6
const BRINE = 0

/**
 * Typical published values recalled from memory; the ends at 0 and 100 % are drawn on from the neighbours.
 * Calcium chloride goes through its hydrates (1, 2, 4 and 6 water: .162, .325, .649, .974 g/g by stoichiometry),
 * dissolves at 29 % and goes on as brine.
 */
export const TABULATED: Readonly<Record<TabulatedKind, TabulatedDesiccant>> & {
  readonly 'calcium-chloride': HeatByRow
} = {
  'sieve-4a': {
    kind: 'sieve-4a',
    name: 'molecular sieve 4A',
    relativeHumidityPercent: SIEVE_RH,
    loadingGPerG: SIEVE_4A,
    netHeatKJPerMol: 22,
    bulkDensityGPerMl: 0.72,
    renewAtC: [200, 300],
    neverAboveC: 350,
    note: 'driest; warms when wetted; renewing is beyond most kitchen ovens',
  },
  'sieve-3a': {
    kind: 'sieve-3a',
    name: 'molecular sieve 3A',
    relativeHumidityPercent: SIEVE_RH,
    loadingGPerG: SIEVE_4A.map(loading => 0.9 * loading),
    netHeatKJPerMol: 22,
    bulkDensityGPerMl: 0.72,
    renewAtC: [200, 300],
    neverAboveC: 350,
    note: 'about nine tenths of 4A',
  },
  alumina: {
    kind: 'alumina',
    name: 'activated alumina',
    relativeHumidityPercent: [0, 1, 5, 10, 20, 40, 60, 80, 100],
    loadingGPerG: [0, 0.02, 0.045, 0.06, 0.08, 0.12, 0.18, 0.26, 0.34],
    netHeatKJPerMol: 6,
    bulkDensityGPerMl: 0.8,
    renewAtC: [150, 200],
    neverAboveC: 250,
    note: '',
  },
  clay: {
    kind: 'clay',
    name: 'montmorillonite clay',
    relativeHumidityPercent: [0, 1, 5, 10, 20, 40, 60, 80, 100],
    loadingGPerG: [0, 0.02, 0.05, 0.075, 0.11, 0.185, 0.23, 0.28, 0.33],
    netHeatKJPerMol: 4,
    bulkDensityGPerMl: 0.95,
    renewAtC: [105, 120],
    neverAboveC: 120,
    note: 'weaker when warm',
  },
  'calcium-sulfate': {
    kind: 'calcium-sulfate',
    name: 'anhydrous calcium sulfate',
    relativeHumidityPercent: [0, 0.1, 1, 5, 20, 40, 60, 80, 100],
    loadingGPerG: [0, 0.05, 0.06, 0.064, 0.066, 0.07, 0.08, 0.1, 0.12],
    netHeatKJPerMol: 15,
    bulkDensityGPerMl: 0.9,
    renewAtC: [210, 230],
    neverAboveC: 250,
    note: 'half-hydrate at .066; one hour at heat',
  },
  'calcium-chloride': {
    kind: 'calcium-chloride',
    name: 'calcium chloride crystals',
    relativeHumidityPercent: [0, 1.5, 3, 8, 9.5, 19, 20.5, 26.5, 28.5, 29, 30, 40, 60, 80, 90, 100],
    loadingGPerG: [
      0, 0.02, 0.162, 0.18, 0.325, 0.345, 0.649, 0.67, 0.974, 0.99, 1.23, 1.5, 2.3, 3.8, 6.5, 30,
    ],
    netHeatKJPerMol: [
      ...new Array<number>(9).fill(HYDRATES),
      SATURATED_BRINE,
      SATURATED_BRINE,
      ...new Array<number>(5).fill(BRINE),
    ],
    dissolvesAtRow: 9,
    bulkDensityGPerMl: 0.85,
    renewAtC: null,
    neverAboveC: 60,
    note: 'single use; dissolves at about 29 % and goes on as brine, which can spill',
  },
}

/** exp[−(Q_net/R)(1/T − 1/T₂₅)]: activity at a temperature over that at 25 °C, at the same loading. */
const activityFactor = (netHeatKJPerMol: number, temperatureC: Celsius): number =>
  Math.exp(
    ((-netHeatKJPerMol * 1000) / GAS_CONSTANT_J_PER_MOL_K) *
      (1 / kelvinFromCelsius(temperatureC) - 1 / kelvinFromCelsius(REFERENCE_C)),
  )

/** Activities of the rows at a temperature, each with its own heat: rising, and no solid above its own brine. */
function activitiesAt(desiccant: HeatByRow, temperatureC: Celsius): number[] {
  const rows = desiccant.relativeHumidityPercent.map(
    (rh, row) => fractionFromPercent(rh) * activityFactor(desiccant.netHeatKJPerMol[row]!, temperatureC),
  )
  const dissolves = desiccant.dissolvesAtRow ?? rows.length
  const brine = rows[dissolves] ?? 1
  let before = 0
  return rows.map((activity, row) => {
    const bounded = row < dissolves ? Math.min(activity, brine - (dissolves - row) * LEAST_RISE) : activity
    before = row === 0 ? 0 : Math.max(bounded, before + LEAST_RISE)
    return before
  })
}
/** Activity between two rows that would else stand level: the curve must have an inverse. */
const LEAST_RISE = 2e-4

/** RH, %, at which it dissolves; NaN for one that does not. */
export const deliquescencePercent = (desiccant: HeatByRow, temperatureC: Celsius): number =>
  percentFromFraction(activitiesAt(desiccant, temperatureC)[desiccant.dissolvesAtRow ?? -1] ?? Number.NaN)

/** A desiccant known by a table as a sorbent: the curve is its activity over loading. */
export function tabulatedSorbent(desiccant: TabulatedDesiccant): Sorbent {
  const { loadingGPerG, relativeHumidityPercent, netHeatKJPerMol } = desiccant
  const known = {
    name: desiccant.name,
    source: 'typical published values at 25 °C (from memory)',
    provenance: 'memory',
    measuredC: [REFERENCE_C, REFERENCE_C],
    mostGPerG: loadingGPerG.at(-1)!,
  } as const
  if (typeof netHeatKJPerMol === 'number') {
    const curve = monotoneCubic(loadingGPerG, relativeHumidityPercent.map(fractionFromPercent))
    return {
      ...known,
      curveAt: () => curve,
      perUnitGPerL: temperatureC =>
        saturationDensityGPerL(temperatureC) * activityFactor(netHeatKJPerMol, temperatureC),
    }
  }
  // each row has its own heat: the shape changes with temperature; the last one made serves again
  let last: { readonly temperatureC: Celsius; readonly curve: LoadingCurve } | null = null
  return {
    ...known,
    curveAt(temperatureC) {
      if (last?.temperatureC !== temperatureC)
        last = {
          temperatureC,
          curve: monotoneCubic(loadingGPerG, activitiesAt({ ...desiccant, netHeatKJPerMol }, temperatureC)),
        }
      return last.curve
    },
    perUnitGPerL: saturationDensityGPerL,
  }
}
