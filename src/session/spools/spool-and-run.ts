import type { SpoolAsked } from '#core/spool/spool-report.ts'
import type { SpoolRecord, State } from '#journal/state.ts'
import { secondsFromMs } from '#units/time.ts'
import { runAsked } from './run-asked.ts'
import { spoolAsked, type PastOf } from './spool-asked.ts'

/** A spool's life, and its last drying that the scale followed: what that told of it holds before and after. */
export function spoolAndRun(
  state: State,
  spool: SpoolRecord,
  nowMs: number,
  pastOf: PastOf,
): SpoolAsked | null {
  const asked = spoolAsked(state, spool, nowMs, pastOf)
  if (!asked) return null
  const run = [...state.dryingRuns.values()].findLast(
    one =>
      one.spoolId === spool.spoolId &&
      one.endedMs !== null &&
      one.endedMs <= nowMs &&
      one.weights.length > 1 &&
      // of a life that is looked at from its beginning
      secondsFromMs(one.begunMs) >= asked.life.fromS,
  )
  const weighed = run && runAsked(state, spool, run, pastOf, run.endedMs!)
  return weighed ? { ...asked, weighed: { asked: weighed, endedS: secondsFromMs(run.endedMs!) } } : asked
}
