import * as v from 'valibot'
import { finite, idField, rhField } from '../fields.ts'
import { PIECE_LIST, SIGN_LIST, TROUBLE_LIST } from '../picklists.ts'

export const MOST_WARMED = 400
export const MOST_PHOTOS_A_PIECE = 4
export const warmedField = v.strictObject({
  /** From a cold room to the hottest chamber. */
  temperatureC: finite(-30, 250),
  relativeHumidityPercent: rhField,
})
/** A photo lies beside the journal, under what its bytes come to. */
export const photoField = v.strictObject({
  photoId: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  widthPx: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(10_000)),
  heightPx: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(10_000)),
})
const piece = v.strictObject({
  spoolId: idField,
  /** How the test piece came out. */
  looks: v.picklist(PIECE_LIST),
  /** With which settings, in one's own words. */
  settings: v.pipe(v.string(), v.trim(), v.maxLength(200)),
  photos: v.pipe(v.array(photoField), v.maxLength(MOST_PHOTOS_A_PIECE)),
})
export const spoolTestKinds = {
  /** A closed chamber warmed, read on the way: with a spool in it, or empty. */
  'chamber.warmed': v.strictObject({
    spoolId: v.nullable(idField),
    /** One of the kit; null: another. */
    heatSourceId: v.nullable(idField),
    chamberL: finite(0.5, 1000),
    readings: v.pipe(v.array(warmedField), v.minLength(2), v.maxLength(MOST_WARMED)),
  }),
  /** What was seen and tried where a print came out badly, and what that came to. */
  'spool.checked': v.strictObject({
    spoolId: idField,
    signs: v.pipe(
      v.array(v.strictObject({ sign: v.picklist(SIGN_LIST), seen: v.picklist(['yes', 'no']) })),
      v.minLength(1),
      v.maxLength(SIGN_LIST.length),
    ),
    /** null: it could not be told. */
    verdict: v.nullable(v.picklist(TROUBLE_LIST)),
  }),
  'spool.piece': piece,
} as const
export type Photo = v.InferOutput<typeof photoField>
