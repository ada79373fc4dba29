import * as v from 'valibot'
import { finite, idField, told } from '../fields.ts'

/** A day of the person's own calendar, YYYY-MM-DD. */
const dayField = v.pipe(v.string(), v.isoDate())
const minutesField = v.pipe(finite(0, 1440), v.integer())
/** Of a hundred times the boxes must hold; surer than the dates themselves are known makes no sense. */
const sureField = finite(0.5, 0.95)

/** When a person can be at the oven, and how sure the plan must be; what is left out stays as it was. */
const days = v.strictObject({
  /** Monday is 0. */
  weekdays: v.exactOptional(v.pipe(v.array(v.pipe(finite(0, 6), v.integer())), v.maxLength(7))),
  presentMinutes: v.exactOptional(minutesField),
  /** After that beads may go on cooling by themselves; nothing is ever hot then. */
  unattendedMinutes: v.exactOptional(minutesField),
  /** null: the first of the kit. */
  heatSourceId: told(idField),
  sure: v.exactOptional(sureField),
  /** First and last day away. */
  away: v.exactOptional(
    v.pipe(
      v.array(
        v.pipe(
          v.strictObject({ from: dayField, to: dayField }),
          v.check(({ from, to }) => from <= to, 'ends before it begins'),
        ),
      ),
      v.maxLength(30),
    ),
  ),
})
const kept = v.strictObject({
  sessions: v.pipe(
    v.array(
      v.strictObject({ day: dayField, boxIds: v.pipe(v.array(idField), v.minLength(1), v.maxLength(200)) }),
    ),
    v.maxLength(200),
  ),
})
export const ovenPlanKinds = {
  'ovenDays.told': days,
  /** A day that must have a session, must have none, or may again; it may be any day. */
  'ovenDays.wished': v.strictObject({
    day: dayField,
    wish: v.nullable(v.picklist(['pinned', 'struck'])),
  }),
  /** One box: on that day, or with that certainty; null takes it back. */
  'renewal.wished': v.strictObject({ boxId: idField, day: told(dayField), sure: told(sureField) }),
  /** The plan a person saw when they changed something or gave it out: later plans change it as little as they may. */
  'ovenPlan.seen': kept,
} as const
export type OvenDaysTold = v.InferOutput<typeof days>
export type SeenPlan = v.InferOutput<typeof kept>
