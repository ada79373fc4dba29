import type { Celsius, GramsPerGram, PercentRh } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'

/** Plain answers to "are the beads fresh?". */
export type Freshness = 'new' | 'heated' | 'colour changed' | 'in the air' | 'unknown'

export interface LoadingRange {
  readonly lowGPerG: GramsPerGram
  readonly highGPerG: GramsPerGram
}

/**
 * Loadings an answer leaves open for silica gel, g/g; common practice. Other kinds: the same shares of what they hold
 * at 40 % RH (silica gel: .211 g/g).
 */
const ANSWERS: Readonly<Record<Exclude<Freshness, 'in the air'>, LoadingRange>> = {
  new: { lowGPerG: 0.01, highGPerG: 0.05 },
  heated: { lowGPerG: 0.005, highGPerG: 0.045 },
  'colour changed': { lowGPerG: 0.15, highGPerG: 0.25 },
  unknown: { lowGPerG: 0.02, highGPerG: 0.25 },
}

/** No beads are taken for fuller than this share of the most they can hold. */
const FULL_SHARE = 0.95
const SHARE_OF = { relativeHumidityPercent: 40, temperatureC: 25 }

/** What an answer leaves open for this kind, against silica gel. */
function scaleOf(kind: DesiccantKind): number {
  const { gel, sorbent } = DESICCANTS[kind]
  if (gel) return 1
  return loadingAtRhGPerG(sorbent, SHARE_OF) / loadingAtRhGPerG(DESICCANTS['silica-a'].sorbent, SHARE_OF)
}

/** Loadings a plain answer leaves open. @param room the air it stood in, where that is the answer */
export function freshnessRange(
  freshness: Freshness,
  kind: DesiccantKind,
  room: { readonly relativeHumidityPercent: PercentRh; readonly temperatureC: Celsius },
): LoadingRange {
  if (freshness !== 'in the air') {
    const { lowGPerG, highGPerG } = ANSWERS[freshness]
    const scale = scaleOf(kind)
    // a kind that is full at little more than its usual loading holds no more than it can
    const mostGPerG = FULL_SHARE * DESICCANTS[kind].sorbent.mostGPerG
    return { lowGPerG: lowGPerG * scale, highGPerG: Math.min(highGPerG * scale, mostGPerG) }
  }
  const { sorbent } = DESICCANTS[kind]
  const equilibriumGPerG = loadingAtRhGPerG(sorbent, room)
  return {
    lowGPerG: 0.85 * equilibriumGPerG,
    highGPerG: Math.min(1.05 * equilibriumGPerG, FULL_SHARE * sorbent.mostGPerG),
  }
}
