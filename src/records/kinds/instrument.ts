import * as v from 'valibot'
import { finite, idField, nameField } from '../fields.ts'

const made = v.strictObject({
  instrumentId: idField,
  name: nameField,
  accuracyPercentRh: finite(0.1, 20),
  floorPercentRh: finite(0, 40),
  /** The box it stays in; null: carried from box to box. */
  boxId: v.nullable(idField),
})
export const instrumentKinds = {
  'instrument.made': made,
  'instrument.changed': v.strictObject({
    ...v.partial(v.omit(made, ['boxId'])).entries,
    instrumentId: idField,
  }),
  'instrument.retired': v.strictObject({ instrumentId: idField }),
  'instrument.moved': v.strictObject({ instrumentId: idField, boxId: v.nullable(idField) }),
} as const
export type Instrument = v.InferOutput<typeof made>
