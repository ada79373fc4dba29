import * as v from 'valibot'
import { finite, idField, nameField } from '../fields.ts'

/** What beads and spools are weighed on. */
const made = v.strictObject({
  scaleId: idField,
  name: nameField,
  /** The least difference it shows. */
  stepG: finite(0.01, 50),
})
export const scaleKinds = {
  'scale.made': made,
  'scale.changed': v.strictObject({ ...v.partial(made).entries, scaleId: idField }),
  'scale.retired': v.strictObject({ scaleId: idField }),
} as const
export type Scale = v.InferOutput<typeof made>
