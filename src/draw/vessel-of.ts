import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { VesselFill } from './vessel.tsx'

/** The charge of a box as a vessel; null where there is none. */
export function vesselOf(view: BoxView, report: BoxReport | undefined): VesselFill | null {
  const charge = view.charges[0]
  if (!charge) return null
  const now = report?.charges[0]
  return {
    capacityG: charge.dryMassG * DESICCANTS[charge.desiccant].sorbent.mostGPerG,
    heldG: now?.waterG ?? null,
    notchG: now?.notchG ?? null,
    pencil: charge.massKnown === 'assumed' || view.last === null,
  }
}
