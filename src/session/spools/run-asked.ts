import { dryerRhPercent } from '#core/spool/drying-air.ts'
import { RUN_AHEAD_S, type RunAsked } from '#core/spool/drying-run.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import type { DryingRunRecord, SpoolRecord, State } from '#journal/state.ts'
import { secondsFromMs } from '#units/time.ts'
import { roomOfSpool, spoolAsked, type PastOf } from './spool-asked.ts'

/** How far past the last thing that happened it is looked ahead: so a page that ticks asks nothing anew. */
const STEP_S = 4 * 3600

/** A run with its weights, as the worker is asked about it; null where nothing is on the spool. */
export function runAsked(
  state: State,
  spool: SpoolRecord,
  run: DryingRunRecord,
  pastOf: PastOf,
  nowMs: number,
): RunAsked | null {
  const before = spoolAsked(state, spool, run.begunMs, pastOf)
  if (!before) return null
  const room = (run.roomId === null ? undefined : state.rooms.get(run.roomId)) ?? roomOfSpool(state, spool)
  const intake = roomAirOrUsual(state, room, run.begunMs)
  const fromS = secondsFromMs(run.begunMs)
  const sinceS = secondsFromMs(nowMs) - fromS
  const material = state.materials[spool.material]
  return {
    before: before.life,
    fromS,
    air: run.heats.map(({ atMs, temperatureC }) => ({
      fromS: secondsFromMs(atMs),
      temperatureC: temperatureC ?? intake.temperatureC,
      rhPercent: temperatureC === null ? null : dryerRhPercent(run.air, intake, temperatureC),
    })),
    weights: run.weights.map(({ atMs, grossG }) => ({ atS: secondsFromMs(atMs), grossG })),
    scaleStepG: run.scaleErrorG,
    nextG: run.nextG,
    limitPercent: material.troubleAbovePercent ?? material.cleanBelowPercent,
    untilS: fromS + Math.max(RUN_AHEAD_S, (Math.ceil(sinceS / STEP_S) + 2) * STEP_S),
  }
}

/** The time of the next entry of a run: now, but never before its last one, whatever the clock was set to. */
export const afterRunMs = (run: DryingRunRecord, nowMs: number): number =>
  Math.max(
    nowMs,
    1 + [...run.weights, ...run.heats].reduce((last, { atMs }) => Math.max(last, atMs), run.begunMs),
  )
