import type { HeatedCharge, SessionAt } from './heating.ts'
import type { Draft } from '#records/act.ts'

const HOUR_MS = 3_600_000
/** The least that counts as heated. */
const LEAST_HOURS = 0.01
const MOST_HOURS = 72

interface Weight {
  readonly grossG: number
  readonly tareG: number
}

/** One step of a session, with what it changes of the beads: one act. */
export function stepDrafts(
  at: SessionAt,
  {
    atMs,
    weight,
    scaleErrorG,
    toBoxId,
  }: {
    readonly atMs: number
    readonly weight: Weight | null
    readonly scaleErrorG: number
    /** Where beads go back to; left out where the step is another one. */
    readonly toBoxId?: string | null
  },
): Draft[] {
  const { session, todo } = at
  const { step, batch, chargeId } = todo!
  const stepped: Draft = {
    kind: 'session.stepped',
    atMs,
    payload: { sessionId: session.sessionId, step, batch, chargeId },
  }
  if (chargeId === null) return [stepped]
  const weighed: Draft[] =
    weight === null ? [] : [{ kind: 'charge.weighed', atMs, payload: { chargeId, ...weight, scaleErrorG } }]
  if (step === 'weighed out') return [...heatedDrafts(at, batch, [chargeId], atMs), ...weighed, stepped]
  if (step !== 'back') return [...weighed, stepped]
  const charge = at.charges.find(one => one.charge.chargeId === chargeId)?.charge
  const moves = charge !== undefined && toBoxId !== undefined && toBoxId !== charge.boxId
  return [
    ...(moves ? [{ kind: 'charge.moved', atMs, payload: { chargeId, boxId: toBoxId } } satisfies Draft] : []),
    stepped,
  ]
}

/** The heat beads had, dated when they came out. */
function heatedDrafts(
  { session, batches }: SessionAt,
  batch: number,
  chargeIds: readonly string[],
  nowMs: number,
): Draft[] {
  const { inMs, outMs } = batches[batch]!
  if (inMs === null) return []
  const endMs = Math.min(nowMs, outMs ?? nowMs)
  const hours = Math.min(MOST_HOURS, Math.max(LEAST_HOURS, (endMs - inMs) / HOUR_MS))
  const { temperatureC, oven, roomId, heatSourceId, dialC } = session
  return chargeIds.map(chargeId => ({
    kind: 'charge.heated',
    atMs: endMs,
    payload: {
      chargeId,
      temperatureC,
      hours: Math.round(hours * 1000) / 1000,
      oven,
      roomId,
      ...(heatSourceId === null ? {} : { heatSourceId }),
      ...(dialC === null ? {} : { dialC }),
    },
  }))
}

/** Ends a session as it stands: beads that were hot and not yet weighed had their heat all the same. */
export function endDrafts(at: SessionAt, atMs: number): Draft[] {
  const open = (one: HeatedCharge): boolean => one.state === 'hot' || one.state === 'out'
  const heated = at.batches.flatMap((_, batch) =>
    heatedDrafts(
      at,
      batch,
      at.charges.filter(one => one.batch === batch && open(one)).map(one => one.charge.chargeId),
      atMs,
    ),
  )
  return [
    ...heated,
    {
      kind: 'session.ended',
      atMs,
      payload: { sessionId: at.session.sessionId, how: at.todo === null ? 'done' : 'stopped' },
    },
  ]
}
