import type { Provenance } from '../provenance.ts'
import { SILICA_GEL, type SilicaGelType, type TothConstants } from './silica-gel.ts'

export type DesiccantKind = SilicaGelType | 'silica-unknown'

export interface Desiccant {
  readonly kind: DesiccantKind
  /** What a person calls it. */
  readonly name: string
  readonly gel: TothConstants
  readonly bulkDensityGPerMl: number
  /** Highest oven temperature that is safe for the kind, °C. */
  readonly neverAboveC: number
  /** Relative spread of capacity between makes, one standard deviation. */
  readonly capacitySpread: number
  readonly source: string
  readonly provenance: Provenance
}

const NG = 'Ng et al. 2001, Tóth isotherm (from memory)'

export const DESICCANTS: Readonly<Record<DesiccantKind, Desiccant>> = {
  'silica-a': {
    kind: 'silica-a',
    name: 'silica gel beads, type A',
    gel: SILICA_GEL['silica-a'],
    bulkDensityGPerMl: 0.72,
    neverAboveC: 120,
    capacitySpread: 0.08,
    source: NG,
    provenance: 'source',
  },
  'silica-rd': {
    kind: 'silica-rd',
    name: 'silica gel beads, type RD',
    gel: SILICA_GEL['silica-rd'],
    bulkDensityGPerMl: 0.72,
    neverAboveC: 120,
    capacitySpread: 0.08,
    source: NG,
    provenance: 'source',
  },
  // Beads of unknown kind lie between A and RD: reckoned as A, with ±25 % at two standard deviations.
  'silica-unknown': {
    kind: 'silica-unknown',
    name: 'silica gel beads, kind unknown',
    gel: SILICA_GEL['silica-a'],
    bulkDensityGPerMl: 0.72,
    neverAboveC: 120,
    capacitySpread: 0.125,
    source: `${NG}, ±25 %`,
    provenance: 'memory',
  },
}
