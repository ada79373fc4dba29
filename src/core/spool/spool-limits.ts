import type { Celsius } from '#units/quantity.ts'
import type { Material } from '../filament/material.ts'
import type { Heat, HeatSourceKind } from '../renewal/heat-source.ts'
import type { DryingAir } from './drying-air.ts'

/** What a spool is wound on; null: not told. */
export type SpoolBody = 'plastic' | 'board' | 'printed'

/** One thing that stands no more than so much. */
export interface SpoolLimit {
  readonly of: 'filament' | 'spool'
  readonly mostC: Celsius
  readonly says: string
}

/** Common practice: polystyrene is the softest of moulded spools, and few say what they are. */
const MOULDED_C = 80
const BOARD_C = 80
const PRINTED_C = 50

/** The most that each part stands, the strictest first. */
export function spoolLimits(material: Material, body: SpoolBody | null): SpoolLimit[] {
  const filament: SpoolLimit = {
    of: 'filament',
    mostC: material.neverAboveC,
    says: `${material.name} softens`,
  }
  const spool: SpoolLimit =
    body === 'board'
      ? { of: 'spool', mostC: BOARD_C, says: 'its board comes unglued' }
      : body === 'printed'
        ? { of: 'spool', mostC: PRINTED_C, says: 'a printed spool softens' }
        : { of: 'spool', mostC: MOULDED_C, says: 'a moulded spool of polystyrene softens' }
  return [filament, spool].sort((a, b) => a.mostC - b.mostC)
}

export interface DryingRefusal {
  readonly of: 'printed' | 'microwave' | 'shut' | 'too hot' | 'unmeasured'
  /** What is the matter, and what would do instead. */
  readonly says: string
}

const OVENS: readonly HeatSourceKind[] = ['electric', 'gas']

/** Why a spool may not go in there at this heat; the gravest first. The worst it meets counts: middle and swing together. */
export function refusedDrying(asked: {
  readonly material: Material
  readonly body: SpoolBody | null
  readonly kind: HeatSourceKind
  readonly heat: Heat
  readonly air: DryingAir
}): DryingRefusal[] {
  const { material, body, kind, heat, air } = asked
  const found: DryingRefusal[] = []
  if (kind === 'microwave')
    found.push({
      of: 'microwave',
      says: 'A microwave heats what is wet in spots and melts it: a dryer or a measured oven.',
    })
  const [least] = spoolLimits(material, body)
  if (body === 'printed' && heat.mostC > PRINTED_C)
    found.push({
      of: 'printed',
      says: 'A printed spool softens in any dryer: wind it over, or let a box dry it.',
    })
  else if (heat.mostC > least!.mostC)
    found.push({
      of: 'too hot',
      says: `It gets as hot as ${Math.round(heat.mostC)} °C there, and ${least!.says} above ${least!.mostC} °C: set it lower.`,
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
