import type { Celsius, GramsPerGram, PercentRh } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'

/** Plain answers to "are the beads fresh?". */
export type Freshness = 'new' | 'heated' | 'colour changed' | 'in the air' | 'unknown'

export interface LoadingRange {
  readonly lowGPerG: GramsPerGram
  readonly highGPerG: GramsPerGram
}

/** Loadings an answer leaves open for silica gel, g/g; common practice. */
const ANSWERS: Readonly<Record<Exclude<Freshness, 'in the air'>, LoadingRange>> = {
  new: { lowGPerG: 0.01, highGPerG: 0.05 },
  heated: { lowGPerG: 0.005, highGPerG: 0.045 },
  'colour changed': { lowGPerG: 0.15, highGPerG: 0.25 },
  unknown: { lowGPerG: 0.02, highGPerG: 0.25 },
}

/** Loadings a plain answer leaves open. @param room the air it stood in, where that is the answer */
export function freshnessRange(
  freshness: Freshness,
  kind: DesiccantKind,
  room: { readonly relativeHumidityPercent: PercentRh; readonly temperatureC: Celsius },
): LoadingRange {
  if (freshness !== 'in the air') return ANSWERS[freshness]
  const { sorbent } = DESICCANTS[kind]
  const equilibriumGPerG = loadingAtRhGPerG(sorbent, room)
  return {
    lowGPerG: 0.85 * equilibriumGPerG,
    highGPerG: Math.min(1.05 * equilibriumGPerG, 0.95 * sorbent.mostGPerG),
  }
}
