/**
 * Where a catalogue value comes from: a published source, common practice of the trade,
 * a typical published value recalled from memory, or derived here by calculation.
 */
export type Provenance = 'source' | 'practice' | 'memory' | 'derived'
