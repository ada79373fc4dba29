import * as v from 'valibot'
import type { Wetness } from '#core/evidence/wetness.ts'
import { MATERIAL_LIST, SPOOL_BODY_LIST, STRAND_LIST } from '../picklists.ts'
import { filamentField, finite, idField, knowledgeField, lengthField, nameField, told } from '../fields.ts'

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
  wetness: v.picklist(WETNESS),
  wetnessKnown: knowledgeField,
  where: whereabouts,
})
export const spoolKinds = {
  'spool.made': made,
  'spool.changed': v.strictObject({ ...v.partial(v.omit(made, ['where'])).entries, spoolId: idField }),
  'spool.moved': v.strictObject({ spoolId: idField, where: whereabouts }),
} as const
type Payload = Record<string, unknown>
/** Version 2 knows bags; nothing stored changes. */
const allowBag = (payload: Payload): Payload => payload
/** Version 3 (a change: 2) knows maker, body, bore, strand and how the size is known. */
const allowBody = (payload: Payload): Payload => payload
export const spoolUpgraders = {
  'spool.made': [allowBag, allowBody],
  'spool.changed': [allowBody],
  'spool.moved': [allowBag],
} as const
export type Whereabouts = v.InferOutput<typeof whereabouts>
export type Spool = v.InferOutput<typeof made>
