import type { School } from '#core/spool/dry-these.ts'
import type { SpoolRecord, State } from '#journal/state.ts'

/** How hot somebody dries this spool: as kept for it, else for its material, else well below where it softens. */
export const schoolOf = ({ schools }: Pick<State, 'schools'>, { spoolId, material }: SpoolRecord): School =>
  schools.get(spoolId) ?? schools.get(material) ?? 'gentle'
