import * as v from 'valibot'
import { idField, rhField, temperatureField } from '../fields.ts'

export const readingKinds = {
  'reading.taken': v.strictObject({
    /** In a box or in a room, never both. */
    place: v.variant('in', [
      v.strictObject({ in: v.literal('box'), boxId: idField }),
      v.strictObject({ in: v.literal('room'), roomId: idField }),
    ]),
    instrumentId: idField,
    relativeHumidityPercent: rhField,
    temperatureC: temperatureField,
    temperatureKnown: v.picklist(['assumed', 'measured']),
  }),
} as const
export type ReadingPayload = v.InferOutput<(typeof readingKinds)['reading.taken']>
