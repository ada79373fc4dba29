import type { DryAsked } from '#core/spool/dry-these.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import type { SpoolRecord, State } from '#journal/state.ts'

/** A spool as its life left it: what a print or a dryer begins with. */
export const standingSpool = (
  { materials }: Pick<State, 'materials'>,
  spool: SpoolRecord,
  { size, filamentG, ringsRhPercent, own }: SpoolReport,
): DryAsked['at'] => ({
  spool: {
    id: spool.spoolId,
    material: materials[spool.material],
    size,
    diameterMm: spool.strandMm ?? 1.75,
    flanges: 'closed',
  },
  filamentG,
  ringsRhPercent,
  ...(own ? { own } : {}),
})
