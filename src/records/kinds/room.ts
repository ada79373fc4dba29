import * as v from 'valibot'
import { CLIMATE_LIST } from '../picklists.ts'
import { bounds, finite, idField, knowledgeField, nameField } from '../fields.ts'

const twelve = (min: number, max: number) => v.pipe(v.array(finite(min, max)), v.length(12))

/** A plain answer, or twelve monthly means of one's own. */
const climate = v.variant('kind', [
  v.strictObject({ kind: v.picklist(CLIMATE_LIST) }),
  v.strictObject({
    kind: v.literal('own'),
    temperatureC: twelve(bounds.climateC.min, bounds.climateC.max),
    relativeHumidityPercent: twelve(1, 100),
  }),
])

const made = v.strictObject({ roomId: idField, name: nameField, climate, climateKnown: knowledgeField })
/** Version 2 knows months as cold as −70 °C; nothing stored changes. */
const allowCold = (payload: Record<string, unknown>): Record<string, unknown> => payload
export const roomUpgraders = { 'room.made': [allowCold], 'room.changed': [allowCold] } as const
export const roomKinds = {
  'room.made': made,
  'room.retired': v.strictObject({ roomId: idField }),
  'room.changed': v.strictObject({ ...v.partial(made).entries, roomId: idField }),
} as const
export type Room = v.InferOutput<typeof made>
