import type { Entry } from '#records/entry.ts'
import type { Building, Problem } from './building.ts'
import type { Placed } from './in-force.ts'
import type { DryingRunRecord } from './state.ts'

type DryingEntry = Extract<Entry, { kind: `drying.${string}` }>
const HOUR_MS = 3_600_000

/** Entries about a drying run. Each stretch of heat that is over is a heat of the spool's own life. */
export function dryingEntries(state: Building, placed: Placed, entry: DryingEntry): Problem | null {
  const { says, dryingRuns } = state
  const { atMs, actId } = placed
  if (entry.kind === 'drying.begun') {
    const { runId, spoolId, grossG, temperatureC } = entry.payload
    if (!state.spools.has(spoolId)) return says.unknown('spool', spoolId, placed)
    if (dryingRuns.has(runId)) return says.twice('drying run', runId, placed)
    dryingRuns.set(runId, {
      ...entry.payload,
      begunMs: atMs,
      weights: grossG === null ? [] : [{ id: entry.id, atMs, grossG }],
      heats: [{ atMs, temperatureC }],
      endedMs: null,
      actIds: [actId],
    })
    return null
  }
  const run = dryingRuns.get(entry.payload.runId)
  if (!run) return says.unknown('drying run', entry.payload.runId, placed)
  if (run.endedMs !== null) return says.ended('This drying run was ended before.', run.runId, placed)
  run.actIds.push(actId)
  switch (entry.kind) {
    case 'drying.weighed':
      run.weights.push({ id: entry.id, atMs, grossG: entry.payload.grossG })
      return null
    case 'drying.heat':
      closeHeat(state, run, entry.id, atMs)
      run.heats.push({ atMs, temperatureC: entry.payload.temperatureC })
      return null
    case 'drying.ended':
      closeHeat(state, run, entry.id, atMs)
      dryingRuns.set(run.runId, { ...run, endedMs: atMs })
      says.remember(run.runId, placed)
      return null
  }
}

/** A spool that is put somewhere else is out of its dryer, whether that was said or not. */
export function endRunOf(state: Building, spoolId: string, id: string, atMs: number): void {
  for (const run of state.dryingRuns.values()) {
    if (run.spoolId !== spoolId || run.endedMs !== null) continue
    closeHeat(state, run, id, atMs)
    state.dryingRuns.set(run.runId, { ...run, endedMs: atMs })
  }
}

/** What was hot until now goes into the spool's life. */
function closeHeat(state: Building, run: DryingRunRecord, id: string, atMs: number): void {
  const last = run.heats.at(-1)!
  if (last.temperatureC === null || atMs <= last.atMs) return
  const { air, roomId, heatSourceId, dialC } = run
  state.spools.get(run.spoolId)!.dryings.push({
    id,
    atMs,
    hours: (atMs - last.atMs) / HOUR_MS,
    temperatureC: last.temperatureC,
    air,
    roomId,
    ...(heatSourceId === undefined ? {} : { heatSourceId }),
    ...(dialC === undefined ? {} : { dialC }),
  })
}
