import * as v from 'valibot'
import { DRYING_AIR_LIST } from '../picklists.ts'
import { finite, heatingField, idField, told } from '../fields.ts'

const grossField = finite(1, 15_000)
const inRun = { runId: idField }
/** A spool dried under one's eyes: what it began as, weights on the way, heat that changed, its end. */
export const dryingKinds = {
  'drying.begun': v.strictObject({
    ...inRun,
    spoolId: idField,
    /** One of the kit, and what it is set to. */
    heatSourceId: told(idField),
    dialC: told(heatingField),
    /** At the spool. */
    temperatureC: heatingField,
    air: v.picklist(DRYING_AIR_LIST),
    /** Whose air it takes in; null: the room of its box. */
    roomId: v.nullable(idField),
    /** What it is dried for. */
    nextG: finite(0.1, 10_000),
    /** Spool and all as it went in; null: it was not weighed. */
    grossG: v.nullable(grossField),
    scaleErrorG: finite(0.01, 50),
  }),
  'drying.weighed': v.strictObject({ ...inRun, grossG: grossField }),
  /** Set otherwise, gone off or on again; null: no heat. */
  'drying.heat': v.strictObject({ ...inRun, temperatureC: v.nullable(heatingField) }),
  'drying.ended': v.strictObject(inRun),
} as const
export type DryingBegun = v.InferOutput<(typeof dryingKinds)['drying.begun']>
