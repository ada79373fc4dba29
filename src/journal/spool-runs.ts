import type { DryingRunRecord, State } from './state.ts'

type Runs = Pick<State, 'dryingRuns'>
/** The last drying of a spool, under way or ended. */
export const lastRun = ({ dryingRuns }: Runs, spoolId: string): DryingRunRecord | undefined =>
  [...dryingRuns.values()].findLast(run => run.spoolId === spoolId)

/** The one that is under way. */
export const openRun = ({ dryingRuns }: Runs, spoolId: string): DryingRunRecord | undefined =>
  [...dryingRuns.values()].findLast(run => run.spoolId === spoolId && run.endedMs === null)
