import { greatest } from '#units/extremes.ts'
import { isSameStep, nextStep, sessionSteps, type SessionToDo } from '#core/renewal/session.ts'
import type { ChargeRecord, SessionRecord, State } from '#journal/state.ts'

export interface HeatedCharge {
  readonly charge: ChargeRecord
  readonly batch: number
  readonly boxName: string | null
  /** What the scale said as it went in; null: it was not weighed. */
  readonly inGrossG: number | null
  readonly inTareG: number
  readonly state: 'waiting' | 'hot' | 'out' | 'weighed' | 'back'
}

export interface BatchAt {
  readonly minutes: number
  readonly chargeIds: readonly string[]
  readonly inMs: number | null
  readonly outMs: number | null
}

/** A session as it stands: what is done, what is next, and where each charge is. */
export interface SessionAt {
  readonly session: SessionRecord
  readonly todo: SessionToDo | null
  /** Of how many, counted from 1. */
  readonly number: number
  readonly count: number
  readonly batches: readonly BatchAt[]
  readonly charges: readonly HeatedCharge[]
}

export function sessionAt(state: State, sessionId: string): SessionAt | null {
  const session = state.sessions.get(sessionId)
  if (!session) return null
  const steps = sessionSteps(session.batches)
  const todo = session.ended ? null : nextStep(session.batches, session.done)
  const doneMs = (step: SessionToDo['step'], batch: number, chargeId: string | null = null) =>
    session.done.find(one => one.step === step && one.batch === batch && one.chargeId === chargeId)?.atMs ??
    null
  const batches = session.batches.map(({ minutes, chargeIds }, batch) => ({
    minutes,
    chargeIds,
    inMs: doneMs('in', batch),
    outMs: doneMs('out', batch),
  }))
  const charges = batches.flatMap(({ chargeIds, inMs, outMs }, batch) =>
    chargeIds.flatMap((chargeId): HeatedCharge[] => {
      const charge = state.charges.get(chargeId)
      if (!charge) return []
      const inAtMs = doneMs('weighed in', batch, chargeId)
      const weighed = charge.weighings.find(one => one.atMs === inAtMs)
      return [
        {
          charge,
          batch,
          boxName: charge.boxId === null ? null : (state.boxes.get(charge.boxId)?.name ?? null),
          inGrossG: weighed?.grossG ?? null,
          inTareG: weighed?.tareG ?? charge.tareG ?? 0,
          state:
            doneMs('back', batch, chargeId) !== null
              ? 'back'
              : doneMs('weighed out', batch, chargeId) !== null
                ? 'weighed'
                : outMs !== null
                  ? 'out'
                  : inMs !== null
                    ? 'hot'
                    : 'waiting',
        },
      ]
    }),
  )
  return {
    session,
    todo,
    number: todo === null ? steps.length : steps.findIndex(one => isSameStep(one, todo)) + 1,
    count: steps.length,
    batches,
    charges,
  }
}

/** The time of the next step: now, but never before the last one, whatever the clock was set to in between. */
export const stepMs = ({ session }: SessionAt, nowMs: number): number =>
  Math.max(
    nowMs,
    1 +
      Math.max(
        greatest(session.done.map(one => one.atMs)),
        greatest(session.weighings.map(one => one.atMs)),
        session.begunMs,
      ),
  )

/** Sessions that are under way, the last begun first. */
export const openSessions = (state: State): SessionRecord[] =>
  [...state.sessions.values()].filter(one => one.ended === null).sort((a, b) => b.begunMs - a.begunMs)
