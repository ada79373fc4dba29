import * as v from 'valibot'
import { finite, heatingField, idField } from '../fields.ts'
import { SESSION_STEP_LIST } from '../picklists.ts'
import { OVENS } from './charge.ts'

/** Beads heated on one day, in one source, batch by batch. */
const begun = v.strictObject({
  sessionId: idField,
  oven: v.picklist(OVENS),
  /** One of the kit; null: one nobody entered. */
  heatSourceId: v.nullable(idField),
  /** What it is set to, and the heat the beads get there; null where nobody can say. */
  dialC: v.nullable(heatingField),
  temperatureC: v.nullable(heatingField),
  /** Whose air it takes in. */
  roomId: v.nullable(idField),
  batches: v.pipe(
    v.array(
      v.strictObject({
        /** As reckoned before anything was hot. */
        minutes: finite(1, 5000),
        chargeIds: v.pipe(v.array(idField), v.minLength(1), v.maxLength(40)),
      }),
    ),
    v.minLength(1),
    v.maxLength(40),
  ),
})
const inSession = { sessionId: idField, batch: v.pipe(finite(0, 39), v.integer()) }
export const sessionKinds = {
  'session.begun': begun,
  /** A step of the checklist is done; `chargeId` where it is one of several. */
  'session.stepped': v.strictObject({
    ...inSession,
    step: v.picklist(SESSION_STEP_LIST),
    chargeId: v.nullable(idField),
  }),
  /** Weighed while it is hot, to see whether it still falls: no weighing of a box's account. */
  'session.weighed': v.strictObject({
    ...inSession,
    chargeId: idField,
    grossG: finite(1, 10_000),
    tareG: finite(0, 5000),
  }),
  'session.ended': v.strictObject({ sessionId: idField, how: v.picklist(['done', 'stopped']) }),
} as const
export type SessionBegun = v.InferOutput<typeof begun>
