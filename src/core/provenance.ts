/**
 * Where a catalogue value comes from: a published source, common practice of the trade,
 * a typical published value recalled from memory, or derived here by calculation.
 */
export type Provenance = 'source' | 'practice' | 'memory' | 'derived'

export const PROVENANCE_WORDS: Record<Provenance, string> = {
  source: 'published source',
  practice: 'common practice',
  memory: 'typical, from memory',
  derived: 'derived by calculation',
}
