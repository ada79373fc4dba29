import type { Litres, Millimetres } from '#units/quantity.ts'
import { mmFromInches } from '#units/length.ts'
import { insideL, type Inside } from './inside.ts'

/** Something about a size that can't be meant as it stands, with both readings. */
export type SizeQuestion =
  /** All three so small that they are inches. */
  | {
      readonly kind: 'inches'
      readonly asMmL: Litres
      readonly asInches: readonly [number, number, number]
      readonly asInchesL: Litres
    }
  /** The litres told and the lengths told do not go together: the lengths hold so much, or the height would be so. */
  | {
      readonly kind: 'litres'
      readonly lengthsL: Litres
      readonly toldL: Litres
      readonly heightMm: Millimetres
    }

/** Nobody stores spools in less, and everybody's box is smaller than this many inches. */
const SMALLEST_MM = 60
const LARGEST_IN = 60
/** Makers round, and count to the brim or to the lid: litres this far off are no contradiction. */
const LITRES_WITHIN = 0.2

/** What is to be asked about a size; null where it can be meant as it stands. @param toldL what the label says; null: nothing */
export function sizeQuestion(inside: Inside, toldL: Litres | null): SizeQuestion | null {
  const { rimMm, heightMm } = inside
  const lengths = [rimMm[0], rimMm[1], heightMm] as const
  const holdsL = insideL(inside)
  if (lengths.every(mm => mm < SMALLEST_MM) && Math.max(...lengths) <= LARGEST_IN) {
    const asInches = lengths.map(mmFromInches) as unknown as readonly [number, number, number]
    const inches = insideL({
      ...inside,
      rimMm: [asInches[0], asInches[1]],
      baseMm: [mmFromInches(inside.baseMm[0]), mmFromInches(inside.baseMm[1])],
      heightMm: asInches[2],
    })
    return { kind: 'inches', asMmL: holdsL, asInches, asInchesL: inches }
  }
  if (toldL !== null && Math.abs(toldL / holdsL - 1) > LITRES_WITHIN)
    return { kind: 'litres', lengthsL: holdsL, toldL, heightMm: (heightMm * toldL) / holdsL }
  return null
}
