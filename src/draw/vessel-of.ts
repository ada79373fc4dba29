import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { VesselFill } from './vessel.tsx'

/** Brine goes on taking up for ever: a pack is drawn as far as its fill line, or as half-strong brine. */
const BRINE_G_PER_G = 1.5
const drawnCapacityG = ({ dryMassG, desiccant, fillLineG }: BoxView['charges'][number]): number =>
  fillLineG ?? dryMassG * Math.min(DESICCANTS[desiccant].sorbent.mostGPerG, BRINE_G_PER_G)

/** The charges of a box, all together, as a vessel; null where there is none. */
export function vesselOf(view: BoxView, report: BoxReport | undefined): VesselFill | null {
  if (view.charges.length === 0) return null
  const now = report?.held
  const parts = view.charges.map(charge => ({
    id: charge.chargeId,
    capacityG: drawnCapacityG(charge),
  }))
  return {
    parts,
    heldG: now?.waterG ?? null,
    notchG: now?.notchG ?? null,
    pencil: view.charges.some(charge => charge.massKnown === 'assumed') || view.last === null,
  }
}
