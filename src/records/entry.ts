import * as v from 'valibot'
import { idField, instantField } from './fields.ts'
import { boxKinds, boxUpgraders } from './kinds/box.ts'
import { chargeKinds, chargeUpgraders } from './kinds/charge.ts'
import { dryingKinds } from './kinds/drying.ts'
import { heatSourceKinds } from './kinds/heat-source.ts'
import { instrumentKinds } from './kinds/instrument.ts'
import { ovenPlanKinds } from './kinds/oven-plan.ts'
import { planKinds } from './kinds/plan.ts'
import { readingKinds } from './kinds/reading.ts'
import { roomKinds, roomUpgraders } from './kinds/room.ts'
import { scaleKinds } from './kinds/scale.ts'
import { sessionKinds } from './kinds/session.ts'
import { spoolKinds, spoolUpgraders } from './kinds/spool.ts'
import { spoolTestKinds } from './kinds/spool-test.ts'
import { valueKinds, valueUpgraders } from './kinds/value.ts'

/** Every kind of entry and the shape of its payload at its newest version. */
export const ENTRY_KINDS = {
  ...roomKinds,
  ...boxKinds,
  ...chargeKinds,
  ...spoolKinds,
  ...dryingKinds,
  ...spoolTestKinds,
  ...instrumentKinds,
  ...heatSourceKinds,
  ...sessionKinds,
  ...readingKinds,
  ...scaleKinds,
  ...planKinds,
  ...ovenPlanKinds,
  ...valueKinds,
} as const
export type EntryKind = keyof typeof ENTRY_KINDS
export type Payload<K extends EntryKind> = v.InferOutput<(typeof ENTRY_KINDS)[K]>

/** What happened, when; never changed once written. */
export type Entry<K extends EntryKind = EntryKind> = K extends EntryKind
  ? {
      readonly id: string
      readonly kind: K
      readonly version: number
      readonly at: string
      readonly zone: string
      readonly atPrecision: 'minute' | 'day' | 'month' | 'unknown'
      readonly subjects: readonly string[]
      /** The entry this one puts right. */
      readonly corrects?: string
      readonly payload: Payload<K>
    }
  : never

const envelope = v.strictObject({
  id: idField,
  kind: v.pipe(v.string(), v.maxLength(40)),
  version: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000)),
  at: instantField,
  zone: v.pipe(v.string(), v.maxLength(60)),
  atPrecision: v.picklist(['minute', 'day', 'month', 'unknown']),
  subjects: v.pipe(v.array(idField), v.maxLength(100)),
  corrects: v.optional(idField),
  payload: v.record(v.string(), v.unknown()),
})

/**
 * Steps from version n to n+1 of a kind's payload, in order, without gaps; the newest version is their number plus
 * one. They stand beside the schema they change.
 */
export const UPGRADERS: Readonly<
  Partial<Record<EntryKind, readonly ((payload: Record<string, unknown>) => Record<string, unknown>)[]>>
> = { ...roomUpgraders, ...boxUpgraders, ...chargeUpgraders, ...spoolUpgraders, ...valueUpgraders }

export const newestVersion = (kind: EntryKind): number => (UPGRADERS[kind]?.length ?? 0) + 1

/** All kinds with their newest versions: what a checked entry was checked for. */
export const RECORDS_VERSION: string = Object.keys(ENTRY_KINDS)
  .sort()
  .map(kind => `${kind} ${newestVersion(kind as EntryKind)}`)
  .join(', ')

export type EntryProblem = {
  readonly kind: 'not an entry' | 'unknown kind' | 'from a newer version' | 'bad payload'
  readonly detail: string
}

/**
 * Reads one stored entry: checks the envelope, brings the payload up to date, checks that. Never throws. What was given
 * stays as it is: the checks build anew, and only what an upgrader may write into is copied first.
 */
export function readEntry(raw: unknown): { ok: true; entry: Entry } | { ok: false; problem: EntryProblem } {
  const outer = v.safeParse(envelope, raw)
  if (!outer.success) return refused('not an entry', outer.issues)
  const { kind, version } = outer.output
  if (!Object.hasOwn(ENTRY_KINDS, kind)) return { ok: false, problem: { kind: 'unknown kind', detail: kind } }
  const known = kind as EntryKind
  const newest = newestVersion(known)
  if (version > newest)
    return { ok: false, problem: { kind: 'from a newer version', detail: `${kind} version ${version}` } }
  let { payload } = outer.output
  // a hundred thousand readings of the newest version need no copy
  if (version < newest) payload = structuredClone(payload)
  for (let from = version; from < newest; from++) payload = UPGRADERS[known]![from - 1]!(payload)
  const inner = v.safeParse(ENTRY_KINDS[known], payload)
  if (!inner.success) return refused('bad payload', inner.issues)
  return { ok: true, entry: { ...outer.output, version: newest, payload: inner.output } as Entry }
}

function refused(
  kind: EntryProblem['kind'],
  issues: readonly v.BaseIssue<unknown>[],
): { ok: false; problem: EntryProblem } {
  const issue = issues[0]!
  return { ok: false, problem: { kind, detail: `${v.getDotPath(issue) ?? ''}: ${issue.message}` } }
}
