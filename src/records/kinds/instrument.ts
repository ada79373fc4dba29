import * as v from 'valibot'
import { finite, idField, nameField, rhField, temperatureField } from '../fields.ts'
import { CHECK_AIR_LIST } from '../picklists.ts'

const made = v.strictObject({
  instrumentId: idField,
  name: nameField,
  accuracyPercentRh: finite(0.1, 20),
  floorPercentRh: finite(0, 40),
  /** The box it stays in; null: carried from box to box. */
  boxId: v.nullable(idField),
})
/** Several displays in the same air, and what each showed there: how far each is off follows from all checks. */
const checked = v.strictObject({
  air: v.picklist(CHECK_AIR_LIST),
  temperatureC: temperatureField,
  waitedHours: finite(0, 1000),
  shown: v.pipe(
    v.array(v.strictObject({ instrumentId: idField, relativeHumidityPercent: rhField })),
    v.minLength(1),
    v.maxLength(40),
  ),
})
export const instrumentKinds = {
  'instrument.made': made,
  'instrument.changed': v.strictObject({
    ...v.partial(v.omit(made, ['boxId'])).entries,
    instrumentId: idField,
  }),
  'instrument.retired': v.strictObject({ instrumentId: idField }),
  'instrument.moved': v.strictObject({ instrumentId: idField, boxId: v.nullable(idField) }),
  'instrument.checked': checked,
  'instrument.cell': v.strictObject({ instrumentId: idField }),
} as const
export type Instrument = v.InferOutput<typeof made>
export type DisplaysChecked = v.InferOutput<typeof checked>
