import { isSameStep } from '#core/renewal/session.ts'
import type { Entry } from '#records/entry.ts'
import type { Building, Problem } from './building.ts'
import type { Placed } from './in-force.ts'
import type { SessionRecord } from './state.ts'

type SessionEntry = Extract<Entry, { kind: `session.${string}` }>

/** Entries about beads at the oven. */
export function sessionEntries(state: Building, placed: Placed, entry: SessionEntry): Problem | null {
  const { says, sessions } = state
  const { atMs, actId } = placed
  const { sessionId } = entry.payload
  const before = sessions.get(sessionId)
  if (entry.kind === 'session.begun') {
    if (before) return says.twice('session', sessionId, placed)
    const unknown = entry.payload.batches.flatMap(batch => batch.chargeIds).find(id => !state.charges.has(id))
    if (unknown !== undefined) return says.unknown('charge', unknown, placed)
    sessions.set(sessionId, {
      ...entry.payload,
      id: entry.id,
      begunMs: atMs,
      done: [],
      weighings: [],
      ended: null,
      actIds: [actId],
    })
    return null
  }
  if (!before) return says.unknown('session', sessionId, placed)
  if (before.ended) return says.ended('This session had ended before.', sessionId, placed)
  const problem = inOne(state, placed, entry, before)
  if (problem) return problem
  const now = sessions.get(sessionId)!
  if (now.actIds.at(-1) !== actId) sessions.set(sessionId, { ...now, actIds: [...now.actIds, actId] })
  return null
}

function inOne(
  { says, sessions }: Building,
  placed: Placed,
  entry: Exclude<SessionEntry, { kind: 'session.begun' }>,
  before: SessionRecord,
): Problem | null {
  const { atMs } = placed
  const { sessionId } = entry.payload
  switch (entry.kind) {
    case 'session.stepped': {
      const { step, batch, chargeId } = entry.payload
      const done = { step, batch, chargeId, atMs }
      // two tabs, or a thumb that pressed twice: the first one counts
      if (before.done.some(one => isSameStep(one, done)))
        return says.ended('This step was done before.', sessionId, placed)
      sessions.set(sessionId, { ...before, done: [...before.done, done] })
      return null
    }
    case 'session.weighed': {
      const { chargeId, batch, grossG, tareG } = entry.payload
      sessions.set(sessionId, {
        ...before,
        weighings: [...before.weighings, { chargeId, batch, atMs, grossG, tareG }],
      })
      return null
    }
    case 'session.ended':
      sessions.set(sessionId, { ...before, ended: { atMs, how: entry.payload.how } })
      says.remember(sessionId, placed)
      return null
  }
}
