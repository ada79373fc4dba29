import * as v from 'valibot'
import type { Wetness } from '#core/evidence/wetness.ts'
import { DRYING_AIR_LIST, MATERIAL_LIST, SPOOL_BODY_LIST, STRAND_LIST } from '../picklists.ts'
import {
  filamentField,
  finite,
  heatingField,
  idField,
  knowledgeField,
  lengthField,
  nameField,
  told,
} from '../fields.ts'

export const WETNESS = [
  'dried today',
  'sealed bag',
  'weeks in the room',
  'unknown',
] as const satisfies readonly Wetness[]

/** A box, the printer, the open room, a bag of its own, or nowhere: used up. */
const whereabouts = v.variant('at', [
  v.strictObject({ at: v.literal('box'), boxId: idField }),
  v.strictObject({ at: v.picklist(['printer', 'open', 'bag', 'used up']) }),
])

const made = v.strictObject({
  spoolId: idField,
  name: nameField,
  material: v.picklist(MATERIAL_LIST),
  /** Paper and night hue by name; the palette knows them. */
  colour: v.pipe(v.string(), v.regex(/^[a-z]{1,20}$/)),
  filamentG: filamentField,
  filamentKnown: knowledgeField,
  emptyG: finite(0, 2000),
  cardboardG: finite(0, 2000),
  rimDiameterMm: lengthField,
  widthMm: lengthField,
  /** Whether rim and width were measured; left out: the usual ones of its size. */
  sizeKnown: told(knowledgeField),
  boreMm: told(finite(5, 200)),
  body: told(v.picklist(SPOOL_BODY_LIST)),
  strandMm: told(v.picklist(STRAND_LIST)),
  maker: told(nameField),
  /** What the slicer calls the settings it prints well with. */
  preset: told(nameField),
  wetness: v.picklist(WETNESS),
  wetnessKnown: knowledgeField,
  where: whereabouts,
})
export const spoolKinds = {
  'spool.made': made,
  'spool.changed': v.strictObject({ ...v.partial(v.omit(made, ['where'])).entries, spoolId: idField }),
  'spool.moved': v.strictObject({ spoolId: idField, where: whereabouts }),
  /** Dried with heat: `at` is when it came out, the heat went on for so long before. */
  'spool.dried': v.strictObject({
    spoolId: idField,
    /** At the spool. */
    temperatureC: heatingField,
    hours: finite(0.1, 500),
    air: v.picklist(DRYING_AIR_LIST),
    /** Whose air it took in; null: the room of its box. */
    roomId: v.nullable(idField),
    /** One of the kit; with the setting it stood at. */
    heatSourceId: told(idField),
    dialC: told(heatingField),
  }),
  /** Filament and spool on the scale: how much is left. */
  'spool.weighed': v.strictObject({
    spoolId: idField,
    grossG: finite(1, 15_000),
    scaleErrorG: finite(0.01, 50),
  }),
  /** Its outer turns went through a printer. */
  'spool.printed': v.strictObject({ spoolId: idField, grams: finite(0.1, 10_000) }),
} as const
type Payload = Record<string, unknown>
/** Version 2 knows bags; nothing stored changes. */
const allowBag = (payload: Payload): Payload => payload
/** Version 3 (a change: 2) knows maker, body, bore, strand and how the size is known. */
const allowBody = (payload: Payload): Payload => payload
/** Version 4 (a change: 3) knows print presets, and moulded bodies by what they are of. */
const allowPreset = (payload: Payload): Payload => payload
export const spoolUpgraders = {
  'spool.made': [allowBag, allowBody, allowPreset],
  'spool.changed': [allowBody, allowPreset],
  'spool.moved': [allowBag],
} as const
export type Whereabouts = v.InferOutput<typeof whereabouts>
export type Spool = v.InferOutput<typeof made>
