import type { Grams, Millimetres } from '#units/quantity.ts'
import { USUAL_SPOOL, type SpoolSize } from './winding.ts'

/** Sizes spools are sold in; typical, from memory, each to be measured: makers differ by several millimetres. */
export interface SpoolClass {
  readonly name: string
  readonly size: SpoolSize
  /** Of the hole in the middle; from 20 to 75 mm among makers. */
  readonly boreMm: Millimetres
}

export const SPOOL_CLASSES = {
  quarter: {
    name: 'quarter kilogram',
    size: { rimDiameterMm: 130, widthMm: 42, coreDiameterMm: 60, fullFilamentG: 250 },
    boreMm: 40,
  },
  half: {
    name: 'half kilogram',
    size: { rimDiameterMm: 160, widthMm: 57, coreDiameterMm: 80, fullFilamentG: 500 },
    boreMm: 50,
  },
  kilogram: { name: 'kilogram', size: USUAL_SPOOL, boreMm: 52 },
  wide: {
    name: 'kilogram, wide',
    size: { rimDiameterMm: 200, widthMm: 72, coreDiameterMm: 90, fullFilamentG: 1000 },
    boreMm: 52,
  },
  large: {
    name: 'three kilograms',
    size: { rimDiameterMm: 300, widthMm: 100, coreDiameterMm: 190, fullFilamentG: 3000 },
    boreMm: 52,
  },
} as const satisfies Readonly<Record<string, SpoolClass>>
export type SpoolClassId = keyof typeof SPOOL_CLASSES
export const SPOOL_CLASS_IDS = Object.keys(SPOOL_CLASSES) as SpoolClassId[]

/** The class with exactly this rim and width; null where it is a size of its own. */
export const classOfSize = (rimDiameterMm: Millimetres, widthMm: Millimetres): SpoolClassId | null =>
  SPOOL_CLASS_IDS.find(id => {
    const { size } = SPOOL_CLASSES[id]
    return size.rimDiameterMm === rimDiameterMm && size.widthMm === widthMm
  }) ?? null

/** A size of its own was measured; one of a class was only told by its name. */
export const sizeKnown = (rimDiameterMm: Millimetres, widthMm: Millimetres): 'told' | 'measured' =>
  classOfSize(rimDiameterMm, widthMm) === null ? 'measured' : 'told'

/** The class whose rim is nearest: what is not measured is taken from it. */
export const nearestClass = (rimDiameterMm: Millimetres): SpoolClass =>
  [...SPOOL_CLASS_IDS.map(id => SPOOL_CLASSES[id])].sort(
    (a, b) => Math.abs(a.size.rimDiameterMm - rimDiameterMm) - Math.abs(b.size.rimDiameterMm - rimDiameterMm),
  )[0]!

/** A spool by its rim and width; core and grams when full are those of its class, or what is on it where that is more. */
export function spoolSizeOf(spool: {
  readonly rimDiameterMm: Millimetres
  readonly widthMm: Millimetres
  readonly filamentG: Grams
}): SpoolSize {
  const { size } = nearestClass(spool.rimDiameterMm)
  return {
    rimDiameterMm: spool.rimDiameterMm,
    widthMm: spool.widthMm,
    coreDiameterMm: Math.min(size.coreDiameterMm, spool.rimDiameterMm - 10),
    fullFilamentG: Math.max(size.fullFilamentG, spool.filamentG),
  }
}
