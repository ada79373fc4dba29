import { USUAL_FITTING, USUAL_TUBE } from '#core/build/fittings.ts'
import { USUAL_STRIP } from '#core/build/foam-strip.ts'
import type { Plan } from '#records/kinds/plan.ts'

/** What a plan says before anything is drilled, filled or bought. */
export const NOTHING_BUILT: Pick<
  Plan,
  | 'rod'
  | 'tube'
  | 'fitting'
  | 'ownFittings'
  | 'outletsAt'
  | 'drilled'
  | 'strip'
  | 'filling'
  | 'weeksWanted'
  | 'without'
  | 'done'
  | 'prices'
> = {
  rod: { material: 'steel', boreMm: 0, capMm: 11 },
  tube: { ...USUAL_TUBE },
  fitting: USUAL_FITTING,
  ownFittings: [],
  outletsAt: null,
  drilled: [],
  strip: { ...USUAL_STRIP },
  filling: null,
  weeksWanted: 8,
  without: [],
  done: [],
  prices: [],
}
