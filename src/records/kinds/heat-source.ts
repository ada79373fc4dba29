import * as v from 'valibot'
import { finite, heatingField, idField, nameField, told } from '../fields.ts'
import { HEAT_SOURCE_LIST } from '../picklists.ts'

/** What beads and spools are heated in; what is not told is taken as is usual for its kind. */
const made = v.strictObject({
  heatSourceId: idField,
  name: nameField,
  kind: v.picklist(HEAT_SOURCE_LIST),
  /** What can be set. */
  lowestC: told(heatingField),
  highestC: told(heatingField),
  swingC: told(finite(0, 80)),
  /** The most it draws. */
  watts: told(finite(0, 20_000)),
  trays: told(v.pipe(finite(1, 40), v.integer())),
  trayAreaCm2: told(finite(10, 20_000)),
  trayDepthMm: told(finite(2, 500)),
  /** Money for a kilowatt hour, in whatever the person counts in. */
  pricePerKwh: told(finite(0, 10_000)),
  /** Food is cooked in it, too. */
  food: told(v.boolean()),
})
/** A thermometer where the beads lie, at one setting; the last one of a setting counts. */
const measured = v.strictObject({
  heatSourceId: idField,
  dialC: heatingField,
  /** As its maker says for this setting; null: not said. */
  advertisedC: v.nullable(heatingField),
  measuredC: heatingField,
  swingC: finite(0, 80),
})
export const heatSourceKinds = {
  'heatSource.made': made,
  'heatSource.changed': v.strictObject({ ...v.partial(made).entries, heatSourceId: idField }),
  'heatSource.measured': measured,
  'heatSource.retired': v.strictObject({ heatSourceId: idField }),
} as const
export type HeatSourceMade = v.InferOutput<typeof made>
export type HeatSourceMeasured = v.InferOutput<typeof measured>
