import type { Celsius } from '#units/quantity.ts'
import type { Material } from '../filament/material.ts'
import type { Heat, HeatSourceKind } from '../renewal/heat-source.ts'
import type { DryingAir } from './drying-air.ts'

/** What a spool is wound on; `plastic`: moulded, of what nobody said. */
export type SpoolBody = 'plastic' | 'board' | 'printed' | 'PS' | 'ABS' | 'PC' | 'PP'
/** A label that stays on; null: none, or taken off. */
export type SpoolLabel = 'paper' | 'film'
/** Something printed that carries it in there; null: nothing but the source's own. */
export type SpoolHolder = 'printed PLA' | 'printed PETG' | 'printed ABS'

/** One thing that stands no more than so much. */
export interface SpoolLimit {
  readonly of: 'filament' | 'spool' | 'label' | 'holder'
  readonly mostC: Celsius
  readonly says: string
}

const PRINTED_C = 50
/**
 * What each stands before it softens or comes unglued. Common practice; polypropylene, film and printed ABS from memory.
 * Polystyrene is the softest of moulded spools, and few say what they are.
 */
const BODIES: Readonly<Record<SpoolBody, Omit<SpoolLimit, 'of'>>> = {
  plastic: { mostC: 80, says: 'a moulded spool of polystyrene softens' },
  PS: { mostC: 80, says: 'its spool of polystyrene softens' },
  ABS: { mostC: 90, says: 'its spool of ABS softens' },
  PC: { mostC: 115, says: 'its spool of polycarbonate softens' },
  PP: { mostC: 95, says: 'its spool of polypropylene softens' },
  board: { mostC: 80, says: 'its board comes unglued' },
  printed: { mostC: PRINTED_C, says: 'a printed spool softens' },
}
const LABELS: Readonly<Record<SpoolLabel, Omit<SpoolLimit, 'of'>>> = {
  paper: { mostC: 80, says: 'the glue of its label lets go' },
  film: { mostC: 65, says: 'its label of film shrinks' },
}
const HOLDERS: Readonly<Record<SpoolHolder, Omit<SpoolLimit, 'of'>>> = {
  'printed PLA': { mostC: PRINTED_C, says: 'what it stands on, printed of PLA, softens' },
  'printed PETG': { mostC: 65, says: 'what it stands on, printed of PETG, softens' },
  'printed ABS': { mostC: 85, says: 'what it stands on, printed of ABS, softens' },
}

/** What goes into the heat, part by part; null: not told, or not there. */
export interface HeatedParts {
  readonly body: SpoolBody | null
  readonly label: SpoolLabel | null
  readonly holder: SpoolHolder | null
}

/** The most that each part stands, the strictest first. */
export function spoolLimits(material: Material, { body, label, holder }: HeatedParts): SpoolLimit[] {
  const parts: SpoolLimit[] = [
    { of: 'filament', mostC: material.neverAboveC, says: `${material.name} softens` },
    { of: 'spool', ...BODIES[body ?? 'plastic'] },
    ...(label === null ? [] : [{ of: 'label' as const, ...LABELS[label] }]),
    ...(holder === null ? [] : [{ of: 'holder' as const, ...HOLDERS[holder] }]),
  ]
  return parts.sort((a, b) => a.mostC - b.mostC)
}

export interface DryingRefusal {
  readonly of: 'printed' | 'microwave' | 'shut' | 'too hot' | 'unmeasured' | 'label'
  /** What is the matter, and what would do instead. */
  readonly says: string
}

const OVENS: readonly HeatSourceKind[] = ['electric', 'gas']

/** Why a spool may not go in there at this heat; the gravest first. The worst it meets counts: middle and swing together. */
export function refusedDrying(asked: {
  readonly material: Material
  readonly parts: HeatedParts
  readonly kind: HeatSourceKind
  readonly heat: Heat
  readonly air: DryingAir
}): DryingRefusal[] {
  const { material, parts, kind, heat, air } = asked
  const found: DryingRefusal[] = []
  if (kind === 'microwave')
    found.push({
      of: 'microwave',
      says: 'A microwave heats what is wet in spots and melts it: a dryer or a measured oven.',
    })
  const [least] = spoolLimits(material, parts)
  if (parts.body === 'printed' && heat.mostC > PRINTED_C)
    found.push({
      of: 'printed',
      says: 'A printed spool softens in any dryer: wind it over, or let a box dry it.',
    })
  else if (heat.mostC > least!.mostC)
    found.push({
      of: 'too hot',
      says: `It gets as hot as ${Math.round(heat.mostC)} °C there, and ${least!.says} above ${least!.mostC} °C: set it lower.`,
    })
  if (parts.label === 'paper' && OVENS.includes(kind))
    found.push({
      of: 'label',
      says: 'A label of paper or card does not go into an oven: take it off, and put it back on afterwards.',
    })
  if (OVENS.includes(kind) && heat.by !== 'measured')
    found.push({
      of: 'unmeasured',
      says: 'A kitchen oven only with its heat measured where the spool will lie: dials are often 20 °C out.',
    })
  if (air === 'closed')
    found.push({
      of: 'shut',
      says: 'Shut in without vent or beads this only warms it: leave a gap, or put fresh beads in.',
    })
  return found
}
