import { USUAL_SPOOL } from '#core/filament/winding.ts'
import type { SpoolWanted } from './wanted.ts'

const USUAL_EMPTY_G = { plastic: 215, board: 160, printed: 190, PS: 215, ABS: 205, PC: 235, PP: 180 } as const
/** Whole spools by what a shop sells them as. */
export const LABEL_G = 1000

export const USUAL_SPOOL_WANTED: SpoolWanted = {
  kind: 'spool',
  count: 1,
  name: 'PLA',
  material: 'PLA',
  colour: 'mist',
  maker: null,
  filamentG: LABEL_G,
  grossG: null,
  emptyG: USUAL_EMPTY_G.plastic,
  body: null,
  preset: null,
  strandMm: 1.75,
  rimDiameterMm: USUAL_SPOOL.rimDiameterMm,
  widthMm: USUAL_SPOOL.widthMm,
  boreMm: null,
  openedOn: null,
  driedOn: null,
  wetness: 'unknown',
  place: 'open',
}

/** What an empty spool of this stuff usually weighs, g; common practice. */
export const usualEmptyG = (body: SpoolWanted['body']): number => USUAL_EMPTY_G[body ?? 'plastic']
