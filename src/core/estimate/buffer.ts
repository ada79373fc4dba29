import type { Seconds } from '#units/quantity.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { isPresent, type BoxModel } from '../model/box-model.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'

/** What holds the air's RH when it warms: the heaviest charge inside; without one, as silica gel would. */
export function bufferAt(model: BoxModel, atS: Seconds): Sorbent {
  let heaviest = 0
  let buffer = DESICCANTS['silica-a'].sorbent
  for (const charge of model.charges)
    if (charge.dryMassG > heaviest && isPresent(charge, atS)) {
      heaviest = charge.dryMassG
      buffer = charge.sorbent
    }
  return buffer
}
