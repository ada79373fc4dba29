import type { Celsius } from '#units/quantity.ts'
import type { Provenance } from '../provenance.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'
import { SILICA_GEL, silicaSorbent, type SilicaGelType, type TothConstants } from './silica-gel.ts'
import { TABULATED, tabulatedSorbent, type TabulatedKind } from './tabulated.ts'

export type SilicaKind = SilicaGelType | 'silica-unknown'
export type DesiccantKind = SilicaKind | TabulatedKind

export interface Desiccant {
  readonly kind: DesiccantKind
  /** What a person calls it. */
  readonly name: string
  readonly sorbent: Sorbent
  /** Constants of its equation, where it has one. */
  readonly gel?: TothConstants
  /** Isosteric less latent heat, where its table has one for all loadings. */
  readonly netHeatKJPerMol?: number
  readonly bulkDensityGPerMl: number
  /** °C of the usual regeneration; null where there is none. */
  readonly renewAtC: readonly [Celsius, Celsius] | null
  /** Highest oven temperature that is safe for the kind, °C. */
  readonly neverAboveC: Celsius
  /** Relative spread of capacity between makes, one standard deviation. */
  readonly capacitySpread: number
  readonly note: string
  readonly source: string
  readonly provenance: Provenance
}

export interface SilicaGel extends Desiccant {
  readonly kind: SilicaKind
  readonly gel: TothConstants
}

function silicaGel(kind: SilicaKind, name: string, of: SilicaGelType, capacitySpread: number): SilicaGel {
  const gel = SILICA_GEL[of]
  const sorbent = silicaSorbent(name, gel)
  const isKnown = kind === of
  return {
    kind,
    name,
    sorbent,
    gel,
    bulkDensityGPerMl: 0.72,
    renewAtC: [105, 120],
    neverAboveC: 120,
    capacitySpread,
    note: 'plain beads stand 150 °C, indicating ones 120',
    source: isKnown ? sorbent.source : `${sorbent.source}, ±25 %`,
    provenance: isKnown ? sorbent.provenance : 'memory',
  }
}

export const SILICA_GELS: Readonly<Record<SilicaKind, SilicaGel>> = {
  'silica-a': silicaGel('silica-a', 'silica gel beads, type A', 'silica-a', 0.08),
  'silica-rd': silicaGel('silica-rd', 'silica gel beads, type RD', 'silica-rd', 0.08),
  // Beads of unknown kind lie between A and RD: reckoned as A, with ±25 % at two standard deviations.
  'silica-unknown': silicaGel('silica-unknown', 'silica gel beads, kind unknown', 'silica-a', 0.125),
}

/** Spread between makes of what is known by a table alone; typical, from memory. */
const TABLE_SPREAD = 0.1

function byTable(kind: TabulatedKind): Desiccant {
  const { name, bulkDensityGPerMl, netHeatKJPerMol, renewAtC, neverAboveC, note } = TABULATED[kind]
  const sorbent = tabulatedSorbent(TABULATED[kind])
  const { source, provenance } = sorbent
  return {
    kind,
    name,
    sorbent,
    ...(typeof netHeatKJPerMol === 'number' ? { netHeatKJPerMol } : {}),
    bulkDensityGPerMl,
    renewAtC,
    neverAboveC,
    capacitySpread: TABLE_SPREAD,
    note,
    source,
    provenance,
  }
}

const USUAL_SILICA_C = 115

/** °C a charge is usually renewed at; null for a kind that is used once. */
export function usualHeatingC(kind: DesiccantKind): Celsius | null {
  const { gel, renewAtC } = DESICCANTS[kind]
  if (renewAtC === null) return null
  return gel ? USUAL_SILICA_C : (renewAtC[0] + renewAtC[1]) / 2
}

export const DESICCANTS: Readonly<Record<DesiccantKind, Desiccant>> = {
  ...SILICA_GELS,
  'sieve-4a': byTable('sieve-4a'),
  'sieve-3a': byTable('sieve-3a'),
  alumina: byTable('alumina'),
  clay: byTable('clay'),
  'calcium-sulfate': byTable('calcium-sulfate'),
  'calcium-chloride': byTable('calcium-chloride'),
}
