import * as v from 'valibot'
import { HOLDER_KINDS } from '#core/container/holder.ts'
import { beadsField, finite, heatingField, idField, knowledgeField, nameField } from '../fields.ts'

export const FRESHNESS = ['new', 'heated', 'colour changed', 'in the air', 'unknown'] as const
export type Freshness = (typeof FRESHNESS)[number]

const made = v.strictObject({
  chargeId: idField,
  name: nameField,
  desiccant: v.picklist(['silica-a', 'silica-rd', 'silica-unknown']),
  dryMassG: beadsField,
  massKnown: knowledgeField,
  holder: v.picklist(HOLDER_KINDS),
  freshness: v.picklist(FRESHNESS),
  freshnessKnown: knowledgeField,
  /** The box it went into; null: put away. */
  boxId: v.nullable(idField),
})
export const chargeKinds = {
  'charge.made': made,
  'charge.changed': v.strictObject({ ...v.partial(v.omit(made, ['boxId'])).entries, chargeId: idField }),
  'charge.moved': v.strictObject({ chargeId: idField, boxId: v.nullable(idField) }),
  'charge.weighed': v.strictObject({
    chargeId: idField,
    grossG: finite(1, 10_000),
    /** Holder and packaging. */
    tareG: finite(0, 5000),
    scaleErrorG: finite(0.01, 50),
  }),
  'charge.heated': v.strictObject({ chargeId: idField, temperatureC: heatingField, hours: finite(0.05, 72) }),
  /** One comes out, another goes in. */
  'charge.replaced': v.strictObject({ boxId: idField, outChargeId: idField, inChargeId: idField }),
} as const
export type Charge = v.InferOutput<typeof made>
