import type { LitresPerHour } from '#units/quantity.ts'

/** Leak of a lid as a conductance, L/h: the range found in practice. */
export type LidKind = 'clips' | 'clips-port' | 'foam' | 'snap' | 'zip' | 'vented' | 'unknown'
export interface Lid {
  readonly kind: LidKind
  readonly name: string
  readonly lowLPerH: LitresPerHour
  readonly highLPerH: LitresPerHour
}
export const LIDS: Readonly<Record<LidKind, Lid>> = {
  clips: { kind: 'clips', name: 'clips and rubber', lowLPerH: 0.02, highLPerH: 0.2 },
  'clips-port': {
    kind: 'clips-port',
    name: 'clips and rubber, with a tube port',
    lowLPerH: 0.1,
    highLPerH: 0.9,
  },
  foam: { kind: 'foam', name: 'foam strip', lowLPerH: 0.2, highLPerH: 1 },
  snap: { kind: 'snap', name: 'snap lid', lowLPerH: 2, highLPerH: 10 },
  // no figure of practice: a pressed zip lies between clips and foam; from memory
  zip: { kind: 'zip', name: 'zip', lowLPerH: 0.02, highLPerH: 0.5 },
  vented: { kind: 'vented', name: 'open or vented', lowLPerH: 10, highLPerH: 40 },
  unknown: { kind: 'unknown', name: 'lid not known', lowLPerH: 0.05, highLPerH: 5 },
}
