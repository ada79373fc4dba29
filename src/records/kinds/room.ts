import * as v from 'valibot'
import { CLIMATE_LIST } from '../picklists.ts'
import { finite, idField, knowledgeField, nameField } from '../fields.ts'

const twelve = (min: number, max: number) => v.pipe(v.array(finite(min, max)), v.length(12))

/** A plain answer, or twelve monthly means of one's own. */
const climate = v.variant('kind', [
  v.strictObject({ kind: v.picklist(CLIMATE_LIST) }),
  v.strictObject({
    kind: v.literal('own'),
    temperatureC: twelve(-30, 50),
    relativeHumidityPercent: twelve(1, 100),
  }),
])

const made = v.strictObject({ roomId: idField, name: nameField, climate, climateKnown: knowledgeField })
export const roomKinds = {
  'room.made': made,
  'room.retired': v.strictObject({ roomId: idField }),
  'room.changed': v.strictObject({ ...v.partial(made).entries, roomId: idField }),
} as const
export type Room = v.InferOutput<typeof made>
